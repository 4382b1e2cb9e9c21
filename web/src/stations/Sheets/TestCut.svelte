<script lang="ts">
  import FileLink from '../../lib/ui/FileLink.svelte';
  import { localDay, showDate } from '../../lib/units';
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { SheetsJob } from './part';
  import type { Advice, Sheets, Try } from '../../lib/api/client';
  import { addTestCut, adviseTestCut, changeTestCut, Problem } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';

  interface Props {
    open: OpenJob;
    job: SheetsJob;
    material: string;
    cutter: string;
  }
  const { open, job, material, cutter }: Props = $props();

  type Settings = Sheets['settings'];
  type Blade = 'fresh' | 'used' | 'worn';
  const BLADES = [
    ['fresh', 'Fresh'],
    ['used', 'Used a little'],
    ['worn', 'Worn'],
  ] as const;
  const ANSWERS = [
    ['not-through', 'Not through'],
    ['clean', 'Clean'],
    ['into-backing', 'Into the backing'],
    ['tears', 'Tears'],
  ] as const;
  const answerWords = Object.fromEntries(ANSWERS);
  const inWords = (s: Settings) =>
    `${s.force} g, ${s.passes} ${s.passes === 1 ? 'pass' : 'passes'}, ${s.speed} mm/s`;

  let blade = $state<Blade>('used');
  let tries = $state.raw<Try[]>([]);
  let advice = $state.raw<Advice | null>(null);
  let cut = $state<number | null>(null);
  const settings = $derived(job.sheets.settings);
  const past = $derived(
    (open.workshop?.test_cuts ?? []).filter(
      (one) => one.material === job.inputs.material && one.cutter === job.inputs.cutter,
    ),
  );

  async function attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      if (error instanceof Problem) open.problem = error;
    }
  }

  const begin = () =>
    attempt(async () => {
      [tries, cut] = [[], null];
      advice = await adviseTestCut(job.inputs.material, job.inputs.cutter, []);
    });

  /** Every answer is kept at once, as one more try of the same test cut. */
  const answer = (came: Try['answer']) =>
    attempt(async () => {
      if (!advice) return;
      const next: Try[] = [...tries, { settings: advice.settings, answer: came }];
      const kept = {
        name: `${material} on ${cutter}`.slice(0, 120),
        material: job.inputs.material,
        cutter: job.inputs.cutter,
        blade,
        on: localDay(new Date()),
        tries: next,
        notes: '',
      };
      const number = cut;
      const before = new Set(open.workshop?.test_cuts.map((one) => one.id));
      const done = await open.keepRecord(() =>
        number === null ? addTestCut(kept) : changeTestCut(number, kept),
      );
      if (!done) return;
      cut ??= open.workshop?.test_cuts.find((one) => !before.has(one.id))?.id ?? null;
      tries = next;
      advice = await adviseTestCut(job.inputs.material, job.inputs.cutter, next);
    });

  const set = (entries: Partial<Settings>) =>
    void open.change((now) => ({ cut: { ...(now.inputs.cut ?? settings), ...entries } }));
</script>

<Fold title="Test cut" value={inWords(settings)} open={advice !== null}>
  <p class="m-0 text-sm"><strong>{inWords(settings)}</strong> {job.sheets.settings_why}</p>
  <div class="grid grid-cols-3 gap-2">
    <NumberField
      label="Force, g"
      entry="cut.force"
      value={settings.force}
      onchange={(force) => force && set({ force })}
    />
    <NumberField
      label="Passes"
      entry="cut.passes"
      value={settings.passes}
      onchange={(passes) => passes && set({ passes })}
    />
    <NumberField
      label="Speed, mm/s"
      entry="cut.speed"
      value={settings.speed}
      onchange={(speed) => speed && set({ speed })}
    />
  </div>
  {#if job.inputs.cut}
    <button
      class="cursor-pointer self-start text-sm font-bold underline"
      onclick={() => open.change({ cut: null })}>Use the last test cut's settings</button
    >
  {/if}
  {#if advice}
    <div class="card flex flex-col gap-2 p-2" role="group" aria-label="Test cut">
      <OneOf label="The blade is" value={blade} of={BLADES} onchange={(to) => (blade = to)} />
      {#each tries as tried, index (index)}
        <p class="m-0 text-sm text-(--faint)">
          {index + 1}. {inWords(tried.settings)}: {answerWords[tried.answer]?.toLowerCase()}
        </p>
      {/each}
      <p class="m-0 text-sm" aria-live="polite">
        {advice.is_found ? 'Found:' : 'Cut the pattern at'} <strong>{inWords(advice.settings)}</strong>.
        {advice.why}
      </p>
      {#if !advice.is_found}
        <p class="m-0 flex flex-wrap gap-2 text-sm">
          <FileLink href="/api/workshop/test-pattern.svg">The pattern, SVG</FileLink>
          <FileLink href="/api/workshop/test-pattern.hpgl">HP-GL</FileLink>
          <span class="text-(--faint)"
            >The simulated cutter gives: {answerWords[advice.simulated]?.toLowerCase()}.</span
          >
        </p>
        <div class="flex flex-wrap gap-2" role="group" aria-label="What happened">
          {#each ANSWERS as [key, name] (key)}
            <Button color="alternative" size="xs" disabled={open.busy > 0} onclick={() => answer(key)}
              >{name}</Button
            >
          {/each}
        </div>
      {/if}
    </div>
  {/if}
  <Button color="alternative" size="sm" onclick={begin}
    >{advice ? 'Start another test cut' : 'Do a test cut'}</Button
  >
  {#if past.length}
    <ul class="m-0 flex list-none flex-col gap-1 p-0 text-sm" aria-label="Test cuts before">
      {#each past as one (one.id)}
        <li class="text-(--faint)">
          {showDate(one.on)}, {one.blade} blade, {one.tries?.length ?? 0} tries: {one.found
            ? inWords(one.found)
            : 'nothing clean yet'}
        </li>
      {/each}
    </ul>
  {/if}
</Fold>
