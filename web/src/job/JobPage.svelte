<script lang="ts">
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import ZoomIn from '@lucide/svelte/icons/zoom-in';
  import ZoomOut from '@lucide/svelte/icons/zoom-out';
  import Button from 'flowbite-svelte/Button.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { untrack } from 'svelte';
  import { SvelteMap } from 'svelte/reactivity';
  import { push } from 'svelte-spa-router';
  import type { Catalogue, Job, Next, Station } from '../lib/api/client';
  import { getCatalogue } from '../lib/api/client';
  import { shareLimits } from '../lib/limits';
  import { layer } from '../lib/picture/layers';
  import Picture from '../lib/picture/Picture.svelte';
  import PrintLayer from '../lib/picture/PrintLayer.svelte';
  import SpotLayer from '../lib/picture/SpotLayer.svelte';
  import { settings } from '../lib/settings.svelte';
  import type { Shortcut } from '../lib/shortcuts';
  import Fold from '../lib/ui/Fold.svelte';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';
  import TopBar from '../lib/ui/TopBar.svelte';
  import { isRoom, STATIONS } from '../stations';
  import { taskShown } from '../stations/station';
  import Clocks from './Clocks.svelte';
  import CopyChooser from './CopyChooser.svelte';
  import Mending from './Mending.svelte';
  import Lead from './Lead.svelte';
  import FromStore from './FromStore.svelte';
  import { OpenJob } from './open-job.svelte';
  import Reckoning from './Reckoning.svelte';
  import StationPath from './StationPath.svelte';
  import TaskList from './TaskList.svelte';

  interface Props {
    params: { id: string; station?: string };
  }
  const { params }: Props = $props();

  // By its number, not by the address: another station of the same job is the same page.
  const id = $derived(Number(params.id));
  const open = $derived(new OpenJob(id));
  const code = $derived(isRoom(params.station) ? params.station : 'blank');
  const view = $derived(STATIONS[code]);
  const station = $derived(open.job?.stations.find((candidate) => candidate.code === code));
  let catalogue = $state.raw<Catalogue | null>(null);
  shareLimits(() => catalogue?.limits);
  let panel = $state<HTMLElement>();
  const WORKING = new Set(['weed', 'tack', 'paint', 'peel', 'cure']);
  let lifeSize = $state(false);
  let showPrint = $state(false);
  const CLOSER = 1.5;
  const CLOSEST = 12;
  /** The blank and the sheets on the mat are looked at each as closely as the maker left them. */
  const zooms = new SvelteMap<string, number>();
  const zoom = $derived(zooms.get(looked()) ?? 1);
  function zoomTo(to: number): void {
    zooms.set(looked(), Math.min(Math.max(to, 1), CLOSEST));
  }
  const nearer = (by: number) => zoomTo(zoom * by);

  $effect(() => {
    // Asked anew for another job, station or unit only, not for what asking itself changes.
    const [asked, into] = [open, code, settings.unit];
    untrack(() => void asked.enter(into));
  });
  function askCatalogue(): void {
    getCatalogue(settings.unit).then(
      (found) => (catalogue = found),
      () => undefined,
    );
  }
  $effect(askCatalogue);

  const layers = $derived.by(() => {
    if (!open.seen) return [];
    const own = showPrint ? [layer(PrintLayer, {})] : view.layers(open, open.seen);
    return [...own, layer(SpotLayer, { at: open.spot })];
  });
  const focus = $derived(open.seen?.pieces.find((piece) => piece.number === open.selected)?.anchor ?? null);
  const stage = $derived(view.stage?.isOn() && !showPrint ? view.stage : null);
  /** Where something is worked on, the work stands first and what was chosen for it below. */
  const works = $derived(WORKING.has(code) && !!station?.tasks.length);
  // The mask that is worked on here next is the one shown.
  const due = $derived(station?.tasks.find((task) => !task.done_at));
  $effect(() => {
    if (due?.mask) open.mask = due.mask;
  });
  function looked(): string {
    return stage ? code : 'blank';
  }
  const look = $derived({ lifeSize, lifePx: settings.pxPerMm, zoom, onzoom: zoomTo });
  const canTickHere = $derived(open.job?.next?.station === code && !!open.job.next.task);

  const codes = Object.keys(STATIONS);
  const go = (to: string) => void push(`/job/${params.id}/${to}`);
  /** Go where the next task is done, and show the copy it is about. */
  function goTo(to: Next): void {
    const copy = to.task?.copy_no;
    if (copy && copy !== open.copy) void open.turnTo(copy);
    if (to.station !== code) go(to.station);
  }
  /** Tick off the next step; when it was the last of its station, the way goes on to where the next one is done. */
  async function tickNext(): Promise<void> {
    await open.doNext();
    const next = open.job?.next;
    if (!open.early && next?.task && next.station !== code) goTo(next);
  }
  const shortcuts = $derived<Shortcut[]>([
    { keys: 'B', about: 'Back to the board', run: () => void push('/') },
    { keys: 'X', about: 'Tick off the next step', run: () => void (canTickHere && tickNext()) },
    {
      keys: 'G',
      about: 'Go to the next step',
      run: () => go(open.job?.next?.station ?? code),
    },
    { keys: 'Ctrl Z', about: 'Undo', run: () => void open.undo() },
    { keys: 'Ctrl Shift Z', about: 'Redo', run: () => void open.redo() },
    { keys: 'P', about: 'Show the print, or the work', run: () => (showPrint = !showPrint) },
    { keys: 'L', about: 'Life size, or all of it', run: () => (lifeSize = !lifeSize) },
    { keys: '+', about: 'Zoom in', run: () => nearer(CLOSER) },
    { keys: '-', about: 'Zoom out', run: () => nearer(1 / CLOSER) },
    ...(view.keys?.(open) ?? []),
    ...codes.map((to, index) => ({
      keys: String((index + 1) % 10),
      about: 'The ten stations, in their order',
      shown: index === 0 ? '1 to 9, 0' : null,
      run: () => go(to),
    })),
  ]);
</script>

<svelte:head
  ><title>{open.job ? `${open.job.inputs.name} - ${station?.name}` : 'Job'} - Dunestead</title></svelte:head
>

{#snippet work(job: Job, station: Station)}
  <div class="flex min-w-0 flex-col gap-1.5 empty:hidden">
    {#if job.copies > 1 && station.tasks.length}
      <CopyChooser {open} copy={job.copy_no} copies={job.copies} />
    {/if}
    <Clocks
      clocks={job.clocks.filter((clock) => clock.station === code)}
      copies={job.copies}
      ondried={open.dried}
    />
    {#if station.tasks.length}
      <TaskList
        {open}
        tasks={station.tasks}
        pieces={job.pieces}
        shown={view.byTask ? taskShown(open, job, code)?.id : null}
        onshow={view.byTask ? open.show : undefined}
      />
    {/if}
  </div>
{/snippet}

<div class="flex h-dvh flex-col print:h-auto" aria-busy={open.busy > 0}>
  <TopBar {shortcuts} onskip={() => panel?.focus()}>
    {#if open.job}
      <h1 class="m-0 truncate text-lg font-bold">{open.job.inputs.name}</h1>
      <div class="ml-auto flex shrink-0 items-center gap-1 sm:gap-2">
        {#if open.busy}<Spinner size="5" />{/if}
        <Button
          color="alternative"
          size="xs"
          disabled={!open.job.history.undo}
          title={open.job.history.undo ?? ''}
          aria-label={open.job.history.undo ? `Undo: ${open.job.history.undo}` : 'Nothing to undo'}
          onclick={open.undo}><Undo2 size={16} /></Button
        >
        <Button
          color="alternative"
          size="xs"
          disabled={!open.job.history.redo}
          title={open.job.history.redo ?? ''}
          aria-label={open.job.history.redo ? `Redo: ${open.job.history.redo}` : 'Nothing to redo'}
          onclick={open.redo}><Redo2 size={16} /></Button
        >
      </div>
    {/if}
  </TopBar>

  {#if open.lost}
    <p
      class="m-0 flex flex-wrap items-center gap-3 border-b-2 border-(--fault) bg-(--sheet) px-4 py-2"
      role="alert"
    >
      <span
        ><strong>{open.job ? 'Not saved yet.' : 'Not loaded yet.'}</strong> Dunestead does not answer; trying again
        every two seconds. Check that it is still running.</span
      >
      <button class="cursor-pointer font-bold underline" onclick={open.giveUp}>Stop trying</button>
    </p>
  {/if}
  {#if open.problem && open.job}
    <div class="p-3"><ProblemNote problem={open.problem} onclose={() => (open.problem = null)} /></div>
  {/if}

  {#if open.seen && station}
    {@const job = open.seen}
    {@const standing = view.inHand?.(open) ?? station}
    <div
      class="grid min-h-0 flex-1 grid-cols-1 overflow-auto lg:grid-cols-[13rem_minmax(0,1fr)_24rem] lg:overflow-hidden"
    >
      <div class="border-(--line) bg-(--sheet) lg:overflow-y-auto lg:border-r">
        <StationPath jobId={job.id} stations={job.stations} current={code} />
      </div>

      <main class="contents">
        <section class="relative flex min-w-0 flex-col lg:overflow-hidden" aria-label="Picture">
          <div
            class="min-h-72 shrink-0 overflow-hidden lg:h-auto lg:min-h-0 lg:flex-1 lg:shrink {stage?.tall
              ? 'h-[46vh] max-md:h-[40rem]'
              : 'h-[46vh]'}"
          >
            {#if stage}
              <stage.Stage {open} {job} {look} />
            {:else}
              <Picture
                picture={job.picture}
                unit={settings.unit}
                {layers}
                room={showPrint ? 'print' : view.room}
                back={view.back && !showPrint}
                {...look}
                mask={open.mask}
                {focus}
              />
            {/if}
          </div>
          <!-- Where there is little room they stand under the picture, else on its foot. -->
          <div
            class="no-print flex flex-wrap items-end justify-between gap-2 border-t border-(--line) p-2 *:pointer-events-auto lg:pointer-events-none lg:absolute lg:inset-x-3 lg:bottom-3 lg:border-0 lg:p-0"
          >
            <div class="flex flex-col items-start gap-2">
              {#if job.picture.masks.length > 1 && !stage}
                <div class="flex gap-1" role="group" aria-label="Which mask is shown">
                  {#each job.picture.masks as mask (mask.number)}
                    <Button
                      color="alternative"
                      size="xs"
                      class="bg-(--sheet) {open.mask === mask.number ? 'font-bold underline' : ''}"
                      aria-pressed={open.mask === mask.number}
                      onclick={() => (open.mask = mask.number)}>{mask.number}. {mask.name}</Button
                    >
                  {/each}
                </div>
              {/if}
              {#if view.Tools}<view.Tools print={showPrint} />{/if}
            </div>
            <div class="ml-auto flex gap-2">
              {#if !lifeSize}
                <Button
                  color="alternative"
                  size="xs"
                  class="bg-(--sheet)"
                  aria-label="Zoom out"
                  disabled={zoom <= 1}
                  onclick={() => nearer(1 / CLOSER)}><ZoomOut size={16} /></Button
                >
                <Button
                  color="alternative"
                  size="xs"
                  class="bg-(--sheet)"
                  aria-label="Zoom in"
                  disabled={zoom >= CLOSEST}
                  onclick={() => nearer(CLOSER)}><ZoomIn size={16} /></Button
                >
              {/if}
              <Button
                color="alternative"
                size="xs"
                class="bg-(--sheet)"
                aria-pressed={showPrint}
                onclick={() => (showPrint = !showPrint)}
              >
                {showPrint ? 'Show the work' : 'Show the print'}
              </Button>
              <Button
                color="alternative"
                size="xs"
                class="bg-(--sheet)"
                aria-pressed={lifeSize}
                onclick={() => (lifeSize = !lifeSize)}
              >
                {lifeSize ? 'Fit' : 'Life size'}
              </Button>
            </div>
          </div>
        </section>
      </main>

      <aside
        bind:this={panel}
        tabindex="-1"
        class="flex min-h-0 flex-col border-(--line) lg:border-l"
        aria-label={station.name}
      >
        <Lead {open} {job} {station} {standing} {catalogue} ontick={() => void tickNext()} ongo={goTo} />
        <div class="relative flex flex-1 flex-col gap-2.5 overflow-y-auto p-4">
          {#if station.earlier.length}
            <section class="card border-(--signal) px-3 pb-1" aria-label="What went wrong before">
              <Fold title="What went wrong before" value={String(station.earlier.length)}>
                <ul class="m-0 pl-5 text-sm">
                  {#each station.earlier as said (said)}<li>{said}</li>{/each}
                </ul>
              </Fold>
            </section>
          {/if}
          {#if works}{@render work(job, station)}{/if}
          {#if view.Panel && catalogue}<view.Panel {open} {job} {catalogue} onrecords={askCatalogue} />{/if}
          {#if !works}{@render work(job, station)}{/if}
          {#if view.Records && catalogue}
            <view.Records {open} {job} {catalogue} onrecords={askCatalogue} />
          {/if}
          <div class="flex flex-col">
            <FromStore {open} {job} station={code} />
            <Reckoning rows={station.rows} learnt={station.learnt} open={code === 'record'} />
          </div>
          <p class="m-0 text-sm text-(--faint)">{job.label_first}</p>
        </div>
      </aside>
    </div>
  {:else if !open.problem}
    <main>
      <h1 class="sr-only">A job</h1>
      <p class="flex items-center gap-3 p-8" role="status"><Spinner size="6" /> Loading the job</p>
    </main>
  {:else}
    <main>
      <Mending id={Number(params.id)} unshown={open.problem} onmended={() => open.load()} />
      <p class="px-8"><a class="font-bold underline" href="#/">Back to the board</a></p>
    </main>
  {/if}
</div>
