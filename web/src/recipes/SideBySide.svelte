<script lang="ts">
  import type { Recipe } from '../lib/api/client';

  interface Props {
    recipes: Recipe[];
    onclose: () => void;
  }
  const { recipes, onclose }: Props = $props();

  /** Line by line; all recipes have the same lines. */
  const rows = $derived(
    (recipes[0]?.lines ?? []).map((line, index) => {
      const texts = recipes.map((one) => one.lines[index]?.text ?? '');
      return { name: line.name, texts, differs: new Set(texts).size > 1 };
    }),
  );
  const differing = $derived(rows.filter((row) => row.differs).length);
</script>

<!-- What scrolls is reached by keys. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<section class="card overflow-x-auto p-4" aria-label="Side by side" tabindex="0">
  <div class="flex flex-wrap items-baseline gap-3">
    <h2 class="m-0 flex-1 text-lg font-bold">Side by side</h2>
    <span class="text-sm text-(--faint)"
      >{differing === 0
        ? 'They say the same throughout.'
        : `They differ in ${differing === 1 ? 'one line' : `${differing} lines`}, marked with a dot.`}</span
    >
    <button class="cursor-pointer underline" onclick={onclose}>Put them away</button>
  </div>
  <table class="mt-2 w-full">
    <thead>
      <tr class="text-left align-bottom">
        <td></td>
        {#each recipes as one (one.id)}<th scope="col" class="pr-4 pb-1">{one.name}</th>{/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as row (row.name)}
        <tr class="border-t border-(--line) align-top" class:differs={row.differs}>
          <th scope="row" class="py-1 pr-4 text-left font-normal text-(--faint)"
            >{#if row.differs}<span aria-label="differs">●</span>{/if}
            {row.name}</th
          >
          {#each row.texts as text, index (index)}
            <td class="py-1 pr-4" class:font-bold={row.differs}>{text || 'not said'}</td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</section>

<style>
  .differs {
    background: color-mix(in srgb, var(--signal) 10%, var(--sheet));
  }
</style>
