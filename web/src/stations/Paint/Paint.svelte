<script lang="ts">
  import type { Coating } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import Tick from '../../lib/ui/Tick.svelte';
  import type { PanelProps } from '../station';
  import CoatingRow from './CoatingRow.svelte';
  import Stack from './Stack.svelte';

  const { open, job, catalogue }: PanelProps = $props();

  const coatings = $derived(job.inputs.coatings);
  const set = (change: (now: Coating[]) => Coating[]) =>
    open.change(({ inputs }) => ({ coatings: change(inputs.coatings) }));

  /** What may be added: a role, with the first paint for this surface that serves as it. */
  const ADD = [
    ['base', 'A base under it'],
    ['edge-seal', 'A coat that seals the edges'],
    ['over-colour', 'A coat over the colour'],
    ['ground', 'A ground over the back'],
    ['seal', 'A seal'],
    ['finish', 'A finish'],
  ] as const;
  const serves = (paint: string, role: string) => (catalogue.roles[paint] ?? []).includes(role);
  const firstFor = (role: string) =>
    catalogue.paints.find((one) => serves(one.key, role) && one.suits.includes(job.inputs.surface));

  function add(role: Coating['role']): void {
    const paint = firstFor(role);
    if (paint)
      void set((now) => [...now, { role, paint: paint.key, colour: null, coats: null, where: null }]);
  }
</script>

<Stack coatings={job.coatings} seenThrough={job.inputs.seen_through} />
{#each coatings as coating, index (index)}
  <CoatingRow
    {coating}
    {catalogue}
    surface={job.inputs.surface}
    planned={job.coatings.find((one) => one.role === coating.role)}
    only={coating.role === 'colour' && coatings.filter((one) => one.role === 'colour').length === 1}
    onchange={(entries) => set((now) => now.map((one, at) => (at === index ? { ...one, ...entries } : one)))}
    onremove={() => set((now) => now.filter((_, at) => at !== index))}
  />
{/each}
<Fold title="Add a coating" open={false}>
  <div class="flex flex-wrap gap-2">
    {#each ADD as [role, name] (role)}
      {#if firstFor(role)}
        <button
          class="cursor-pointer rounded-lg border border-(--line) px-2 py-1 text-sm"
          onclick={() => add(role)}>{name}</button
        >
      {/if}
    {/each}
  </div>
  <Tick
    label="Seen through the blank, as glass painted on its back"
    checked={job.inputs.seen_through}
    onchange={(seen_through) => open.change({ seen_through })}
  />
</Fold>
