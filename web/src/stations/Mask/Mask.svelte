<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import { FATES } from '../../lib/picture/fates';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import type { PanelProps } from '..';
  import PieceRow from './PieceRow.svelte';

  const { open, job, catalogue }: PanelProps = $props();
</script>

<ChoiceField
  label="Mask material"
  value={job.inputs.material}
  choices={catalogue.materials}
  surface={job.inputs.surface}
  onchange={(material) => open.change({ material })}
/>
<div class="grid grid-cols-2 gap-3">
  <LengthField
    label="Border"
    value={job.inputs.border ?? null}
    otherwise={job.in_force.border}
    onchange={(border) => open.change({ border })}
  />
  <LengthField
    label="Width of bridges"
    value={job.inputs.bridge_width ?? null}
    otherwise={job.in_force.bridge_width}
    onchange={(bridge_width) => open.change({ bridge_width })}
  />
</div>

{#if job.pieces.length}
  <section aria-label="Loose pieces">
    <h3 class="m-0 mb-2 font-bold">All {job.pieces.length} loose pieces at once</h3>
    <div class="mb-3 flex gap-2">
      {#each FATES as entry (entry.fate)}
        <Button
          color="alternative"
          size="xs"
          class="flex-1"
          title={entry.about}
          disabled={open.busy > 0}
          onclick={() => open.decide(null, entry.fate)}>{entry.verb}</Button
        >
      {/each}
    </div>
    <ul class="m-0 flex list-none flex-col gap-1 p-0">
      {#each job.pieces as piece (piece.number)}
        <PieceRow
          {piece}
          selected={open.selected === piece.number}
          onselect={() => (open.selected = piece.number)}
          ondecide={(fate) => open.decide([piece.number], fate)}
        />
      {/each}
    </ul>
  </section>
{/if}
