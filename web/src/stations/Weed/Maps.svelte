<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import type { StageProps } from '../station';
  import SheetMap from './SheetMap.svelte';
  import { table } from './table.svelte';

  const { open, job, look }: StageProps = $props();

  $effect(() => void table.fetch(job));
  const sheet = $derived(table.sheet);
  const picture = $derived(job.picture);
  const ROOM = 8;
  const AROUND = 25;
  /** The mask with some of the blank around it: the whole of a shirt would leave the letters too small to read. */
  const onBlank = $derived.by((): [number, number, number, number] => {
    const [x0, y0, x1, y1] = picture.mask_box;
    return [x0 - AROUND, y0 - AROUND, x1 - x0 + 2 * AROUND, y1 - y0 + 2 * AROUND];
  });
</script>

<div class="flex h-full flex-col gap-2 p-3 lg:pb-16">
  {#if table.problem}
    <p class="m-0 font-bold text-(--fault)" role="alert">{table.problem}</p>
  {/if}
  {#if table.weed && sheet}
    {#if table.weed.sheets.length > 1}
      <div class="flex flex-wrap gap-1" role="group" aria-label="Which sheet lies on the table">
        {#each table.weed.sheets as one, index (one.number)}
          <Button
            color="alternative"
            size="xs"
            class="bg-(--sheet) {one === sheet ? 'font-bold underline' : ''}"
            aria-pressed={one === sheet}
            onclick={() => {
              table.at = index;
              table.chosen = null;
            }}>Sheet {one.number}</Button
          >
        {/each}
      </div>
    {/if}
    <p class="m-0 min-h-6 text-sm" role="status">
      {#if table.said}<strong>{table.said}</strong>{:else if table.part}
        {table.part.goes
          ? `Window ${table.part.number}`
          : table.part.number
            ? `Keeper ${table.part.number}`
            : ''}
        {table.part.name}{table.part.is_guide ? ': pull it out whole, it is the placing guide' : ''}{table
          .part.sheet_start
          ? '; begin at the ring'
          : ''}.
      {:else}Striped parts go, by their numbers; round numbers stay.{/if}
    </p>
    <div class="flex min-h-0 flex-1 flex-col gap-3 md:flex-row">
      <SheetMap
        on="sheet"
        title="Sheet {sheet.number} on the cutting mat{sheet.mirrored ? ', mirrored' : ''}"
        regions={sheet.regions}
        view={[-ROOM, -ROOM, sheet.width + 2 * ROOM, sheet.height + 2 * ROOM]}
        colour={picture.mask_colour}
        blank={picture.blank_colour}
        onpull={(region) => void table.pull(region, open)}
        {look}
      />
      <SheetMap
        on="blank"
        title="The same, as it will lie on the blank"
        regions={sheet.regions}
        view={onBlank}
        outline={picture.outline}
        colour={picture.mask_colour}
        blank={picture.blank_colour}
        onpull={(region) => void table.pull(region, open)}
        {look}
      />
    </div>
  {:else if !table.problem}
    <p class="flex items-center gap-3" role="status"><Spinner size="6" /> Drawing the weed map</p>
  {/if}
</div>
