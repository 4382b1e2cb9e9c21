<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Part, PartChange } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';

  interface Props {
    open: OpenJob;
    part: Part;
  }
  const { open, part }: Props = $props();

  type Edit = NonNullable<PartChange['edits']>[number];
  const FEW = 24;
  let all = $state(false);
  const shown = $derived(all ? part.parts : part.parts.slice(0, FEW));
  const fine = $derived(part.parts.filter((piece) => piece.too_fine && !piece.dropped));
  const colours = $derived([...new Set(part.parts.map((piece) => piece.own_colour))]);
  const groups = $derived([...new Set(part.parts.flatMap((piece) => piece.groups))]);

  /** Change some parts, the others' edits kept. */
  function edit(numbers: number[], change: Partial<Edit>): void {
    void open.changePart(part.id, ({ edits }) => ({ edits: edited(edits, numbers, change) }));
  }

  function edited(edits: Edit[], numbers: number[], change: Partial<Edit>): Edit[] {
    const chosen = new Set(numbers);
    const before = new Map(edits.map((entry) => [entry.part, entry] as const));
    const kept = edits.filter((entry) => !chosen.has(entry.part));
    const changed = numbers
      .map((number): Edit => ({
        dropped: false,
        colour: null,
        ...before.get(number),
        ...change,
        part: number,
      }))
      .filter((entry) => entry.dropped || entry.colour);
    return [...kept, ...changed];
  }

  const where = (holds: (piece: Part['parts'][number]) => boolean) =>
    part.parts.filter(holds).map((piece) => piece.number);
</script>

{#if fine.length}
  <p class="m-0 flex items-center gap-2 text-sm">
    <span class="flex-1">
      {fine.length === 1 ? 'Part' : 'Parts'}
      {fine
        .slice(0, 6)
        .map((piece) => piece.number)
        .join(', ')}{fine.length > 6 ? ' and more' : ''} too fine at this size.
    </span>
    {#if fine.length < part.parts.filter((piece) => !piece.dropped).length}
      <Button
        color="alternative"
        size="xs"
        onclick={() =>
          edit(
            fine.map((piece) => piece.number),
            { dropped: true },
          )}>Drop {fine.length === 1 ? 'it' : 'them'}</Button
      >
    {/if}
  </p>
{/if}
<Fold title="Its {part.parts.length + part.parts_more} parts" open={part.parts.length < 8}>
  {#each colours as colour (colour)}
    {@const numbers = where((piece) => piece.own_colour === colour)}
    <div class="flex items-center gap-2 text-sm">
      <input
        type="color"
        class="h-7 w-9 cursor-pointer border border-(--line)"
        aria-label="Colour of all {numbers.length} parts that are {colour}"
        value={part.parts.find((piece) => piece.own_colour === colour)?.colour}
        onchange={(event) => edit(numbers, { colour: event.currentTarget.value })}
      />
      <span class="flex-1">{numbers.length} of this colour</span>
    </div>
  {/each}
  {#each groups as group (group)}
    {@const numbers = where((piece) => piece.groups.includes(group))}
    {@const gone = part.parts.every((piece) => !piece.groups.includes(group) || piece.dropped)}
    <div class="flex items-center gap-2 text-sm">
      <span class="flex-1 truncate">Group “{group}”, {numbers.length}</span>
      <button class="cursor-pointer font-bold underline" onclick={() => edit(numbers, { dropped: !gone })}
        >{gone ? 'Take back' : 'Drop'}</button
      >
    </div>
  {/each}
  <ul class="m-0 grid list-none grid-cols-2 gap-1 p-0 text-sm">
    {#each shown as piece (piece.number)}
      <li class="flex items-center gap-1.5" class:gone={piece.dropped}>
        <input
          type="color"
          class="h-6 w-7 cursor-pointer border border-(--line)"
          aria-label="Colour of part {piece.number}"
          value={piece.colour}
          onchange={(event) => edit([piece.number], { colour: event.currentTarget.value })}
        />
        <span class="flex-1">{piece.number}{piece.too_fine ? ', fine' : ''}</span>
        <button
          class="cursor-pointer underline"
          aria-label="{piece.dropped ? 'Take back' : 'Drop'} part {piece.number}"
          onclick={() => edit([piece.number], { dropped: !piece.dropped })}
          >{piece.dropped ? 'Back' : 'Drop'}</button
        >
      </li>
    {/each}
  </ul>
  {#if part.parts.length > FEW}
    <button class="cursor-pointer self-start text-sm underline" onclick={() => (all = !all)}
      >{all ? 'Fewer' : `All ${part.parts.length}`}</button
    >
  {/if}
  {#if part.edits.length}
    <button
      class="cursor-pointer self-start text-sm font-bold underline"
      onclick={() => open.changePart(part.id, { edits: [] })}>As the file has it</button
    >
  {/if}
</Fold>

<style>
  .gone span {
    color: var(--faint);
    text-decoration: line-through;
  }
</style>
