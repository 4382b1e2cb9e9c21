<script lang="ts">
  import { words } from '../guide.svelte';

  interface Props {
    text: string;
  }
  const { text }: Props = $props();

  const id = $props.id();
  $effect(() => words.ask());
  /** Which part is explained; it stays a word to press until the sentence changes. */
  let shown = $state<number | null>(null);
  let looked = $state.raw<{ text: string; parts: ReturnType<typeof words.parted> } | null>(null);
  const parts = $derived(looked?.text === text ? looked.parts : words.parted(text));

  function explain(index: number, word: string): void {
    looked = { text, parts };
    shown = shown === index ? null : index;
    if (shown !== null) words.learn(word);
  }
</script>

<!-- A word met for the first time can be pressed to see what it means. -->
<span class="relative"
  >{#each parts as { text: part, term }, index (index)}{#if term}<button
        class="term"
        aria-expanded={shown === index}
        aria-describedby={shown === index ? `${id}-${index}` : undefined}
        onclick={() => explain(index, term.word)}
        onkeydown={(event) => event.key === 'Escape' && (shown = null)}>{part}</button
      >{#if shown === index}<span class="meaning" id="{id}-{index}" role="status"
          ><strong>{term.word}</strong>: {term.meaning}
        </span>{/if}{:else}{part}{/if}{/each}</span
>

<style>
  .term {
    cursor: help;
    border-bottom: 2px dotted var(--signal);
    text-align: left;
  }
  .meaning {
    display: block;
    margin: 0.25rem 0;
    border-left: 4px solid var(--ink);
    background: var(--paper);
    padding: 0.25rem 0.6rem;
    font-size: 0.875rem;
  }
  @media print {
    .term {
      border: 0;
    }
  }
</style>
