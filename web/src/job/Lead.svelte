<script lang="ts">
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import Download from '@lucide/svelte/icons/download';
  import { push } from 'svelte-spa-router';
  import type { Catalogue, Job, Next, Onward, Station } from '../lib/api/client';
  import { isNew } from '../lib/arrivals';
  import { settings } from '../lib/settings.svelte';
  import { deliveryOf, fetchFile } from '../lib/files.svelte';
  import Delivered from '../lib/ui/Delivered.svelte';
  import MainButton from '../lib/ui/MainButton.svelte';
  import Explained from '../lib/ui/Explained.svelte';
  import Guide from '../lib/ui/Guide.svelte';
  import StateMark from '../lib/ui/StateMark.svelte';
  import type { OpenJob } from './open-job.svelte';
  import AskKit from './AskKit.svelte';
  import Reason from './Reason.svelte';
  import Waiting from './Waiting.svelte';

  interface Props {
    open: OpenJob;
    job: Job;
    station: Station;
    /** The verdict on what is in the hand, while something is; else the station's own. */
    standing: Pick<Station, 'state' | 'verdict'>;
    catalogue: Catalogue | null;
    /** Tick off the next step. */
    ontick: () => void;
    /** Go where the next task is done. */
    ongo: (to: Next) => void;
  }
  const { open, job, station, standing, catalogue, ontick, ongo }: Props = $props();

  let guide = $state(false);
  let header = $state<HTMLElement>();
  $effect(() => {
    // Nothing is read of the page here but what it shows: once, for a job that was just begun.
    if (header && isNew(job.id)) header.querySelector<HTMLElement>('button.deed')?.focus();
  });
  const at = $derived(job.stations.findIndex((one) => one.code === station.code));
  const before = $derived(job.stations[at - 1]);
  const after = $derived(job.stations[at + 1]);
  const onward = $derived(station.onward);
  const packet = $derived(`/api/jobs/${job.id}/sheets.zip?unit=${settings.unit}`);
  const next = $derived(job.next);
  const copies = $derived(job.copies);
  const nameOf = (code: string) => job.stations.find((one) => one.code === code)?.name ?? code;
  const go = (code: string) => void push(`/job/${job.id}/${code}`);

  async function act(deed: Onward): Promise<void> {
    if (deed.deed === 'measured') {
      await open.changeBlank((blank) => ({
        measured_width: blank.measured_width ?? blank.width,
        measured_height: blank.measured_height ?? blank.height,
      }));
    } else if (deed.deed === 'size' && deed.times) {
      const { times } = deed;
      await open.changeBlank((blank) => ({ width: blank.width * times, height: blank.height * times }));
      // What was laid out on the wrong size is laid out anew.
      await open.fit();
    } else if (deed.deed === 'width' && deed.width !== null) {
      await open.change({ design_width: deed.width });
    } else if (deed.deed === 'fates' && deed.fate) {
      await open.decide(deed.numbers, deed.fate);
    } else if (deed.deed === 'help') open.help++;
    if (deed.deed === 'go') go(deed.station);
    else if (deed.deed !== 'help') leadOn();
  }

  /** Once what a station asked is decided, and nothing there wants a second look, the next one follows. */
  function leadOn(): void {
    const now = open.job?.stations.find((one) => one.code === station.code);
    const calm = now?.state !== 'stop' && now?.state !== 'warn';
    if (calm && now?.onward?.deed === 'go') go(now.onward.station);
  }

  /** The version of the job whose files were taken along. */
  let taken = $state<number | null>(null);
  async function takeFiles(): Promise<void> {
    const version = job.version;
    await fetchFile(packet);
    if (!deliveryOf(packet)?.problem) taken = version;
  }

  /** To the map of what is counted: tick what is there, or write the number. */
  function toCount(task: string): void {
    const at = document.querySelector<HTMLElement>(
      `[data-task="${task}"] :is(input[type="number"], .number)`,
    );
    at?.scrollIntoView({ block: 'center' });
    at?.focus();
  }

  const isHere = $derived(
    next?.station === station.code &&
      (!next.task?.copy_no || copies === 1 || station.tasks.some((task) => task.id === next.task?.id)),
  );
</script>

<header
  bind:this={header}
  class="lead flex flex-col gap-2 border-b border-(--line) bg-(--sheet) px-4 pt-3 pb-2"
>
  <p class="m-0 hidden font-bold print:block">{job.inputs.name}</p>
  <div class="flex items-center gap-3">
    <h2 class="stamp m-0 text-2xl">{station.name}</h2>
    <button
      class="no-print ml-auto order-last cursor-pointer rounded-sm border-2 border-(--line) px-2 text-sm font-bold"
      aria-label="What is this station for?"
      title="What is this station for?"
      onclick={() => (guide = true)}>i</button
    >
    {#if station.tasks_all}
      <span class="no-print text-sm text-(--faint)">{station.tasks_done} of {station.tasks_all} done</span>
    {/if}
  </div>
  <p class="m-0 flex items-start gap-2" aria-live="polite">
    <StateMark state={standing.state} /> <span><Explained text={standing.verdict} /></span>
  </p>
  <div class="no-print flex flex-col gap-2" role="group" aria-label="What comes next">
    {#if onward}
      {#if onward.prompt !== standing.verdict && onward.deed !== 'go' && onward.deed !== 'files'}<p
          class="m-0 text-sm"
        >
          <Explained text={onward.prompt} />
        </p>{/if}
      {#if onward.deed === 'files'}
        {@const delivery = deliveryOf(packet)}
        {#if next?.task && taken === job.version}
          {@const to = next}
          <!-- The files are taken along: the work comes next. -->
          <MainButton class="w-full" onclick={() => ongo(to)}
            >Start the work&nbsp;<ArrowRight size={16} /></MainButton
          >
          <p class="m-0 text-sm">
            <span class="text-(--faint)">Next:</span> <strong>{next.task.title}</strong>
          </p>
        {:else}
          <MainButton class="w-full" disabled={delivery?.busy} onclick={takeFiles}>
            <Download size={16} />&nbsp;{onward.label}
          </MainButton>
          {#if next?.task}
            {@const to = next}
            <button class="cursor-pointer text-left text-sm underline" onclick={() => ongo(to)}
              >Then start the work</button
            >
          {/if}
        {/if}
        <Delivered href={packet} />
      {:else if onward.deed === 'kit'}
        {#if catalogue}<AskKit {open} {job} {catalogue} label={onward.label} />{/if}
      {:else}
        <MainButton class="w-full" disabled={open.busy > 0} onclick={() => act(onward)}>
          {onward.label}{#if onward.deed === 'go'}&nbsp;<ArrowRight size={16} />{/if}
        </MainButton>
        {#if onward.deed === 'size'}
          <button
            class="cursor-pointer self-start text-sm underline"
            onclick={() => act({ ...onward, deed: 'measured' })}
            >Yes, it is that {onward.times && onward.times > 1 ? 'small' : 'large'}</button
          >
        {/if}
      {/if}
    {:else if !next}
      <p class="m-0 font-bold">Everything is done. You can put this job away on the board.</p>
    {:else}
      <p class="m-0 text-sm">
        <span class="text-(--faint)"
          >{next.kind === 'decide' ? 'Decide first' : 'Next'}{next.task?.copy_no && copies > 1
            ? `, copy ${next.task.copy_no} of ${copies}`
            : ''}:</span
        >
        <strong>{next.task?.title ?? next.verdict}</strong>
      </p>
      {#if isHere && next.task}
        {@const task = next.task}
        {#if task.state === 'waiting' && task.opens}
          <Waiting {open} job={job.inputs.name} {task} opens={task.opens} />
        {:else}
          <MainButton class="w-full" disabled={open.busy > 0} onclick={ontick}
            >{task.call?.all_here ?? 'Done'} (X)</MainButton
          >
          {#if task.call?.all_here}
            <button class="cursor-pointer self-start text-sm underline" onclick={() => toCount(task.id)}
              >Something is missing</button
            >
          {/if}
        {/if}
      {:else if next.station !== station.code || next.task}
        <MainButton class="w-full" onclick={() => ongo(next)}>
          Go to {nameOf(next.station)}&nbsp;<ArrowRight size={16} />
        </MainButton>
      {/if}
    {/if}
    <!-- Whatever the button says: the list asks of every other step. -->
    {#if open.early && open.early.task === next?.task?.id}<Reason {open} early={open.early} />{/if}
    <nav class="flex justify-between text-sm" aria-label="Station before and after">
      {#if before}
        <a class="inline-flex items-center gap-1 underline" href="#/job/{job.id}/{before.code}"
          ><ArrowLeft size={14} />{before.name}</a
        >
      {:else}<span></span>{/if}
      {#if after}
        <a class="inline-flex items-center gap-1 underline" href="#/job/{job.id}/{after.code}"
          >{after.name}<ArrowRight size={14} /></a
        >
      {/if}
    </nav>
  </div>
</header>
<Guide bind:open={guide} station={station.code} />
