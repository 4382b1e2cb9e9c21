<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { CutFault, CutRun } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import type { CutterWatch } from './cutter.svelte';
  import { several } from './words';

  interface Props {
    watch: CutterWatch;
    jobId: number;
    fault: CutFault | '';
    onfault: (fault: CutFault | '') => void;
  }
  const { watch, jobId, fault, onfault }: Props = $props();
  const FAULTS = [
    ['', 'None'],
    ['slip', 'The sheet slips'],
    ['blunt', 'The blade goes blunt'],
    ['link-lost', 'The link is lost'],
  ] as const;
  const STATES: Record<CutRun['state'], string> = {
    waiting: 'waiting',
    loaded: 'loaded, ready to cut',
    cutting: 'cutting',
    paused: 'paused',
    stopped: 'stopped',
    fault: 'in trouble',
    done: 'done',
  };
  const TROUBLE: Record<string, string> = {
    slip: 'The sheet slipped while cutting.',
    blunt: 'The blade went blunt; from here on it did not cut through.',
    'link-lost': 'The link to the cutter is lost.',
    'shut-down': 'Dunestead was closed while cutting.',
    'off-reach': 'This sheet reaches further than the cutter.',
    'not-through': 'It was not cut through.',
    'into-backing': 'It was cut into the backing.',
    tears: 'The material tore.',
  };
  const CAN_START = ['loaded', 'paused', 'fault'];
</script>

<Fold title="Cutter runs" open={watch.runs.length > 0}>
  <OneOf label="Practise with a fault" value={fault} of={FAULTS} onchange={onfault} />
  {#if watch.problem}<p class="m-0 font-bold text-(--fault)" role="alert">{watch.problem.message}</p>{/if}
  {#each watch.runs as run (run.number)}
    <div class="card flex flex-col gap-1 p-2 text-sm" aria-label="Run {run.number}" role="group">
      <p class="m-0 font-bold">
        Sheet {run.sheet}{run.job === jobId ? '' : ' of another job'}: {STATES[run.state]}{run.state ===
        'stopped'
          ? ` at ${Math.round(run.share * 100)} %`
          : ''}
      </p>
      <progress
        class="h-3 w-full accent-(--grass)"
        value={run.share}
        max="1"
        aria-label="How far sheet {run.sheet} is">{Math.round(run.share * 100)} %</progress
      >
      <p class="m-0 text-(--faint)">
        {run.settings} on {run.cutter}{run.state === 'cutting' || run.state === 'paused'
          ? `; knife at ${run.at[0].toFixed(0)}, ${run.at[1].toFixed(0)} mm`
          : ''}
      </p>
      {#if run.trouble}
        <p class="m-0 font-bold text-(--fault)" role="alert">{TROUBLE[run.trouble] ?? run.trouble}</p>
        <p class="m-0">{run.remedy}</p>
      {/if}
      {#if run.freed !== null}
        <p class="m-0 text-(--grass)">
          Came free: {several(run.mask_parts ?? 0, 'part')} of mask, {several(run.windows ?? 0, 'window')}.
        </p>
      {/if}
      {#each run.problems.slice(0, 2) as problem, index (index)}<p class="m-0 text-(--fault)">
          {problem}
        </p>{/each}
      <div class="flex flex-wrap gap-2">
        {#if CAN_START.includes(run.state) && run.trouble !== 'off-reach'}
          <Button size="xs" onclick={() => watch.steer(run.number, 'start')}
            >{run.state === 'loaded' ? 'Cut' : run.trouble === 'blunt' ? 'Cut again' : 'Go on'}</Button
          >
        {/if}
        {#if run.state === 'cutting'}
          <Button color="alternative" size="xs" onclick={() => watch.steer(run.number, 'pause')}>Pause</Button
          >
        {/if}
        {#if ['cutting', 'paused', 'fault', 'loaded'].includes(run.state)}
          <Button color="alternative" size="xs" onclick={() => watch.steer(run.number, 'stop')}>Stop</Button>
        {/if}
        {#if run.state === 'done' || run.state === 'stopped' || run.trouble === 'off-reach'}
          <Button color="alternative" size="xs" onclick={() => watch.clear(run.number)}>Clear</Button>
        {/if}
      </div>
    </div>
  {:else}
    <p class="m-0 text-sm text-(--faint)">The cutter is idle. Send it a sheet.</p>
  {/each}
</Fold>
