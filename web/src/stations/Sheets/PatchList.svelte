<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { SheetsJob } from './part';
  import type { PlacedPatch } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import Tick from '../../lib/ui/Tick.svelte';

  interface Props {
    open: OpenJob;
    job: SheetsJob;
  }
  const { open, job }: Props = $props();

  const sheets = $derived(job.sheets.sheets);
  // Each once, where it lies first: of many copies a patch is on several sheets.
  const patches = $derived(
    sheets
      .flatMap((sheet) => sheet.patches.map((patch) => ({ patch, sheet: sheet.number })))
      .filter(({ patch }, index, all) => all.findIndex((one) => one.patch.number === patch.number) === index),
  );
  const places = $derived<[string, string][]>([
    ['', 'Any sheet'],
    ...Array.from({ length: sheets.length + 1 }, (_, index): [string, string] => [
      String(index + 1),
      index < sheets.length ? `Sheet ${index + 1}` : 'A sheet of its own, new',
    ]),
  ]);
  const say = (
    patch: PlacedPatch,
    entries: Partial<{ sheet: number | null; alone: boolean; turns: boolean }>,
  ) =>
    void open.choosePatch(patch.number, {
      sheet: patch.chosen_sheet,
      alone: patch.alone,
      turns: patch.turns,
      ...entries,
    });
  const said = $derived(
    patches.some(({ patch }) => patch.chosen_sheet !== null || patch.alone || !patch.turns),
  );

  function together(id: number, on: boolean): void {
    void open.change(({ inputs }) => ({
      together: on ? [...inputs.together, id] : inputs.together.filter((one) => one !== id),
    }));
  }
</script>

<Fold title="Pieces of mask" open={said}>
  {#each patches as { patch, sheet } (patch.number)}
    <div class="grid grid-cols-[3.5rem_1fr] items-center gap-2">
      <strong class="font-(family-name:--font-stamp) text-lg">{patch.number}{patch.turned ? ' ↻' : ''}</strong
      >
      <div class="flex flex-col gap-1">
        <OneOf
          label="Move piece {patch.number} from sheet {sheet} to"
          value={patch.chosen_sheet === null ? '' : String(patch.chosen_sheet)}
          of={places}
          onchange={(to) => say(patch, { sheet: to ? Number(to) : null })}
        />
        <div class="flex flex-wrap gap-3">
          <Tick label="Own sheet" checked={patch.alone} onchange={(alone) => say(patch, { alone })} />
          <Tick label="May be turned" checked={patch.turns} onchange={(turns) => say(patch, { turns })} />
        </div>
      </div>
    </div>
  {/each}
  {#if said}
    <button class="cursor-pointer self-start text-sm font-bold underline" onclick={() => open.forgetPatches()}
      >Reset layout</button
    >
  {/if}
  {#if job.elements.length}
    <div role="group" aria-label="Keep together" class="flex flex-col gap-1">
      <p class="m-0 text-sm">Keep together (no seam between them):</p>
      {#each job.elements as element (element.id)}
        <Tick
          label={element.name}
          checked={job.inputs.together.includes(element.id)}
          onchange={(on) => together(element.id, on)}
        />
      {/each}
    </div>
  {/if}
</Fold>
