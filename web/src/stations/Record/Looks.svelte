<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import type { RecordEntry } from '../../lib/api/client';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import TextField from '../../lib/ui/TextField.svelte';
  import { localDay, showDate } from '../../lib/units';
  import type { StageProps } from '../station';
  import { written } from './entry';
  import Photo from './Photo.svelte';

  const { open, job }: StageProps = $props();

  type When = 'week' | 'month' | 'year';
  type Entry = NonNullable<NonNullable<RecordEntry['looks']>[When]>;
  const TURNS: readonly (readonly [When, string])[] = [
    ['week', 'After a week'],
    ['month', 'After a month'],
    ['year', 'After a year'],
  ];
  const ASKED = [
    ['paint', 'Paint'],
    ['fibres', 'Fibres, ground'],
    ['edge', 'Edges'],
  ] as const;
  const WORDS = ['gone', 'worn', 'fair', 'good', 'as new'];
  const CHOICES = [
    ['', 'not said'] as const,
    ...WORDS.map((word, k) => [String(k + 1), `${k + 1}: ${word}`] as const),
  ];

  const looks = $derived(job.record.looks ?? {});
  const fresh = (): Entry => ({ on: localDay(new Date()), note: '', gone: false });
  function set(when: When, change: Partial<Entry>): void {
    void open.record(
      written(job, { looks: { ...looks, [when]: { ...(looks[when] ?? fresh()), ...change } } }),
    );
  }
  function forget(when: When): void {
    const rest = Object.fromEntries(Object.entries(looks).filter(([own]) => own !== when));
    void open.record(written(job, { looks: rest }));
  }
</script>

<section class="h-full overflow-y-auto p-4 pb-16" aria-label="How does it wear?">
  <h2 class="m-0 mb-2 text-base font-bold">How did it come out, and how does it wear?</h2>
  <div class="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-3">
    <div class="card flex flex-col gap-2 p-2">
      <strong>Finished</strong>
      <Photo {open} {job} when="finished" name="the finished print" />
    </div>
    {#each TURNS as [when, title] (when)}
      {@const look = looks[when]}
      <div class="card flex flex-col gap-2 p-2">
        <strong>{title}</strong>
        <Photo {open} {job} {when} name="the print {title.toLowerCase()}" />
        {#if look}
          <span class="text-sm text-(--faint)">Looked at {showDate(look.on)}</span>
          {#each ASKED as [key, label] (key)}
            <OneOf
              {label}
              value={look[key] ? String(look[key]) : ''}
              of={CHOICES}
              onchange={(grade) => set(when, { [key]: grade ? Number(grade) : null })}
            />
          {/each}
          <TextField
            label="Note"
            entry="look.note"
            name="{job.id}/look/{when}"
            value={look.note ?? ''}
            onchange={(note) => set(when, { note })}
          />
          <Checkbox
            checked={look.gone}
            onclick={(event: MouseEvent) => {
              // The tick shows what was kept, not what was clicked.
              event.preventDefault();
              set(when, { gone: !look.gone });
            }}>Not at hand any more</Checkbox
          >
          <button class="cursor-pointer self-start text-sm underline" onclick={() => forget(when)}
            >Take this look back</button
          >
        {:else}
          <button class="cursor-pointer self-start font-bold underline" onclick={() => set(when, {})}
            >Write down a look<span class="sr-only"> {title.toLowerCase()}</span></button
          >
        {/if}
      </div>
    {/each}
  </div>
</section>
