<script lang="ts">
  import type { Happened, RecordEntry } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import { withOne } from '../../lib/entries';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import { showMinutes } from '../../lib/units';

  interface Props {
    happened: Happened;
    record: RecordEntry;
    onchange: (change: Partial<RecordEntry>) => void;
  }
  const { happened, record, onchange }: Props = $props();

  const spells = $derived(happened.spells.filter((one) => one.station !== 'record'));
</script>

<section aria-label="Paint that went on">
  <h3 class="m-0 mb-1 text-base font-bold">Paint that went on</h3>
  {#each happened.poured as paint (paint.paint)}
    <div class="mb-1 grid grid-cols-[1fr_9rem] items-end gap-3">
      <span class="self-center"
        >{paint.name}<br /><span class="text-sm text-(--faint)"
          >{paint.planned_ml.toFixed(0)} ml reckoned, all copies together</span
        ></span
      >
      <NumberField
        label="ml used"
        entry="record.used_ml"
        value={paint.used_ml}
        otherwise={Math.round(paint.planned_ml)}
        onchange={(ml) => onchange({ used_ml: withOne(record.used_ml, paint.paint, ml) })}
      />
    </div>
  {/each}
</section>

<section aria-label="Minutes by hand">
  <h3 class="m-0 mb-1 text-base font-bold">Minutes by hand</h3>
  {#if spells.length}
    <table class="w-full text-sm">
      <thead>
        <tr class="text-left">
          <th scope="col" class="py-1">Station</th>
          <th scope="col">By your ticks</th>
          <th scope="col">Reckoned for these</th>
          <th scope="col" class="w-28">Your own count</th>
        </tr>
      </thead>
      <tbody>
        {#each spells as spell (spell.station)}
          <tr class="border-t border-(--line)">
            <th scope="row" class="py-1 text-left">{spell.name}</th>
            <td>
              {#if spell.timed}
                <strong>{showMinutes(spell.taken)}</strong>
                <span class="text-(--faint)">{spell.timed} of {spell.steps} steps</span>
              {:else}<span class="text-(--faint)">not known</span>{/if}
            </td>
            <td>{spell.timed ? showMinutes(spell.planned) : ''}</td>
            <td>
              <div class="bare">
                <NumberField
                  label="Minutes at {spell.name}, your own count"
                  entry="record.minutes"
                  value={record.minutes?.[spell.station] ?? null}
                  otherwise={0}
                  onchange={(minutes) =>
                    onchange({ minutes: withOne(record.minutes, spell.station, minutes) })}
                />
              </div>
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
    <div class="mt-2">
      <Fold title="Step by step">
        <table class="w-full text-sm">
          <thead>
            <tr class="text-left"
              ><th scope="col">Done at one stretch</th><th scope="col" class="pr-2">Took</th><th scope="col"
                >Reckoned</th
              ></tr
            >
          </thead>
          <tbody>
            {#each happened.steps as step, index (index)}
              <tr class="border-t border-(--line) align-top">
                <td class="py-1 pr-2"
                  >{step.titles.join('; ')}{#if step.why}<br /><span class="text-(--faint)">{step.why}</span
                    >{/if}</td
                >
                <td class="py-1 pr-2 whitespace-nowrap"
                  >{step.taken === null ? '' : showMinutes(step.taken)}</td
                >
                <td class="py-1 whitespace-nowrap">{showMinutes(step.planned)}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </Fold>
    </div>
    <p class="m-0 mt-1 text-sm text-(--faint)">
      {happened.untimed} What you count yourself goes before what ticks tell.
    </p>
  {:else}
    <p class="m-0 text-sm text-(--faint)">
      Nothing was ticked off yet. Tick steps as you do them, and the times are known by themselves.
    </p>
  {/if}
</section>

<style>
  /* The column is named above: the label is for those who hear the page. */
  .bare :global(label) {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
</style>
