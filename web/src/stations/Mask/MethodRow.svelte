<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import { type MethodChange, Problem, tryMethod } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import { showLength, showMinutes } from '../../lib/units';
  import type { MaskJob } from './part';

  interface Props {
    open: OpenJob;
    job: MaskJob;
    method: MaskJob['mask']['methods'][number];
    inForce: boolean;
  }
  const { open, job, method, inForce }: Props = $props();

  let change = $state.raw<MethodChange | null>(null);
  let asked = $state(0);
  let problem = $state('');
  const KEEPERS: Record<string, string> = {
    mat: 'on the cutting mat',
    tape: 'on the tape',
    carrier: 'on the carrier',
    dish: 'in the dish',
    none: 'all bridged',
  };
  // What was tried on another version of the job no longer holds.
  $effect(() => {
    if (asked !== job.version) change = null;
  });

  async function ask(): Promise<void> {
    [asked, problem] = [job.version, ''];
    try {
      change = await tryMethod(open.id, method.key);
    } catch (error) {
      problem = error instanceof Problem ? error.message : 'It could not be tried out.';
    }
  }
  const money = (cost: number | null): string => (cost === null ? '' : cost.toFixed(2));
  /** Each figure that hangs on the method, now and then. */
  const rows = $derived.by((): [string, string, string][] => {
    if (!change) return [];
    const { now, then } = change;
    const said = (of: MethodChange['now']): [string, string][] => [
      ['Cut from', of.material],
      ['Sheets', `${of.sheets}${of.mirrored ? ', mirrored' : ''}`],
      ['Seams', String(of.seams)],
      ['Border', showLength(of.border, settings.unit)],
      ['Pieces', `${KEEPERS[of.keepers] ?? of.keepers}${of.placed ? `, ${of.placed} placed` : ''}`],
      ['Rests, pins', `${of.rests}, ${of.pins}`],
      ['Hands, a copy', showMinutes(of.minutes)],
      ['Cost, a copy', money(of.cost)],
    ];
    const later = said(then);
    return said(now).map(([name, value], k) => [name, value, later[k]?.[1] ?? '']);
  });
</script>

<li>
  <p class="m-0">
    <strong>{method.name}</strong>{#if method.allowed}: {method.score} of 100{/if}{inForce ? ', in use' : ''}
  </p>
  {#if method.allowed}
    <ul class="m-0 list-none p-0 text-(--faint)">
      {#each method.parts as part (part.why)}
        <li>{part.points > 0 ? '+' : '−'}{Math.abs(part.points)} {part.why}</li>
      {/each}
    </ul>
  {:else}
    <p class="m-0 text-(--faint)">{method.why.join(' ')}</p>
  {/if}
  {#if !inForce}
    <p class="m-0 flex flex-wrap gap-3">
      <button class="cursor-pointer underline" onclick={ask}>What would change?</button>
      {#if method.allowed || change}
        <button class="cursor-pointer font-bold underline" onclick={() => open.takeMethod(method.key)}
          >Use it</button
        >
      {/if}
    </p>
  {/if}
  {#if problem}<p class="m-0 text-(--fault)" role="alert">{problem}</p>{/if}
  {#if rows.length}
    <table class="mt-1 w-full text-left">
      <thead><tr><th></th><th scope="col">Now</th><th scope="col">With it</th></tr></thead>
      <tbody>
        {#each rows as [name, now, then] (name)}
          <tr>
            <th scope="row" class="pr-2 font-normal text-(--faint)">{name}</th>
            <td class="pr-2">{now}</td>
            <td class:font-bold={now !== then}>{then}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</li>
