<script lang="ts">
  import Frame from '@lucide/svelte/icons/frame';
  import ImageUp from '@lucide/svelte/icons/image-up';
  import ScanLine from '@lucide/svelte/icons/scan-line';
  import Shapes from '@lucide/svelte/icons/shapes';
  import Type from '@lucide/svelte/icons/type';
  import Button from 'flowbite-svelte/Button.svelte';
  import MainButton from '../../lib/ui/MainButton.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import { ARTWORK_KINDS } from '../../lib/artwork-kinds';
  import type { Part } from '../../lib/api/client';

  interface Props {
    open: OpenJob;
    parts: Part[];
    chosen: number | null;
  }
  const { open, parts, chosen }: Props = $props();

  const ICONS = { words: Type, drawn: Shapes, traced: ScanLine, frame: Frame };
  let field = $state<HTMLInputElement>();
  let writing = $state(false);
  let text = $state('');

  async function write(event: Event): Promise<void> {
    event.preventDefault();
    if (!text.trim()) return;
    await open.addWords(text);
    if (!open.problem) [text, writing] = ['', false];
  }

  function take(files: FileList | null): void {
    const file = files?.[0];
    if (file) void open.addArtwork(file);
    if (field) field.value = '';
  }
</script>

<section aria-label="Parts of the design">
  <h3 class="m-0 mb-1 font-bold">Parts of the design</h3>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Choose a part">
    {#each parts as part (part.id)}
      {@const Icon = ICONS[part.kind]}
      <button
        class="chip"
        aria-pressed={part.id === chosen || open.others.includes(part.id)}
        title="Shift takes it in with those chosen before"
        onclick={(event) => open.choose(part.id, event.shiftKey)}
      >
        <Icon size={15} aria-hidden="true" />
        {part.name}{#if part.copies > 1}&nbsp;× {part.copies}{/if}
        {#if part.colour}<span class="dot" style:background={part.colour} title={part.colour_name}
          ></span>{/if}
      </button>
    {/each}
  </div>
  <div class="mt-2 flex gap-2">
    <Button color="alternative" size="xs" aria-expanded={writing} onclick={() => (writing = !writing)}
      ><Type size={14} class="mr-1" aria-hidden="true" /> Words</Button
    >
    <Button color="alternative" size="xs" onclick={() => field?.click()}
      ><ImageUp size={14} class="mr-1" aria-hidden="true" /> Drawing or picture</Button
    >
    <Button color="alternative" size="xs" onclick={open.addFrame}
      ><Frame size={14} class="mr-1" aria-hidden="true" /> Frame</Button
    >
  </div>
  {#if writing}
    <form class="mt-2 flex gap-2" onsubmit={write}>
      <Input
        size="sm"
        autofocus
        aria-label="Words to add"
        placeholder="What should it say?"
        bind:value={text}
      />
      <MainButton size="sm" type="submit" disabled={!text.trim() || open.busy > 0}>Add</MainButton>
    </form>
  {/if}
  <input
    bind:this={field}
    class="sr-only"
    type="file"
    accept={ARTWORK_KINDS}
    tabindex="-1"
    aria-label="Drawing or picture to add"
    onchange={(event) => take(event.currentTarget.files)}
  />
</section>

<style>
  .chip {
    display: inline-flex;
    max-width: 100%;
    cursor: pointer;
    align-items: center;
    gap: 0.35rem;
    border: 1px solid var(--line);
    border-radius: 0.6rem;
    background: var(--sheet);
    padding: 0.2rem 0.6rem;
    font-size: 0.9rem;
  }
  .chip[aria-pressed='true'] {
    border-color: var(--signal-ink);
    box-shadow: inset 0 -3px 0 var(--signal);
    font-weight: 700;
  }
  .dot {
    display: inline-block;
    height: 0.75rem;
    width: 0.75rem;
    border: 1px solid var(--line);
    border-radius: 50%;
  }
</style>
