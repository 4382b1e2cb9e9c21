<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { Learnt, LearntChange } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import { showDate, showFigure } from '../lib/units';
  import Dots from './Dots.svelte';

  interface Props {
    figure: Learnt;
    onchange: (change: Omit<LearntChange, 'key'>) => void;
  }
  const { figure, onchange }: Props = $props();

  const out = $derived(figure.values.filter((one) => one.left_out).map((one) => one.job));
  function leave(job: number, isOut: boolean): void {
    onchange({ left_out: isOut ? [...out, job] : out.filter((one) => one !== job) });
  }
</script>

<article class="card p-4" aria-label={figure.about}>
  <div class="flex flex-wrap items-start gap-x-5 gap-y-2">
    <p class="stamp m-0 w-32 text-2xl normal-case">{showFigure(figure.value, figure.unit, settings.unit)}</p>
    <div class="min-w-64 flex-1">
      <h2 class="m-0 text-base font-bold">{figure.about}</h2>
      <p class="m-0">{figure.said}</p>
    </div>
    <button class="cursor-pointer underline" onclick={() => onchange({ to_table: !figure.is_to_table })}
      >{figure.is_to_table ? 'Use my own figure' : 'Use the usual figure'}</button
    >
  </div>
  <div class="grid items-start gap-x-5 lg:grid-cols-[1fr_1fr]">
    <Dots {figure} />
    <details class="lg:mt-3">
      <summary class="cursor-pointer text-sm underline"
        >{figure.values.length === 1
          ? 'The value behind it'
          : `The ${figure.values.length} values behind it`}</summary
      >
      <table class="mt-1 w-full text-sm">
        <thead>
          <tr class="text-left"
            ><th scope="col">Job</th><th scope="col">Closed</th><th scope="col">Value</th><th scope="col"
              >Counts</th
            ></tr
          >
        </thead>
        <tbody>
          {#each figure.values as value (`${value.job} ${value.by}`)}
            <tr class="border-t border-(--line)">
              <td class="py-1"
                ><a class="underline" href="#/job/{value.job}/record">{value.name}</a>{#if value.by}, {value.by}{/if}</td
              >
              <td>{showDate(value.on)}</td>
              <td>{showFigure(value.value, figure.unit, settings.unit)}</td>
              <td>
                <Checkbox
                  checked={!value.left_out}
                  aria-label="Counts: {value.name}"
                  onclick={(event: MouseEvent) => {
                    // The tick shows what was kept, not what was clicked.
                    event.preventDefault();
                    leave(value.job, !value.left_out);
                  }}>{value.left_out ? 'left out' : 'yes'}</Checkbox
                >
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </details>
  </div>
</article>
