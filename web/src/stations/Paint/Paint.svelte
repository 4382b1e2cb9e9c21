<script lang="ts">
  import type { Coating, JobChange } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import Tick from '../../lib/ui/Tick.svelte';
  import type { PanelProps } from '../station';
  import { booth } from './booth.svelte';
  import CoatingRow from './CoatingRow.svelte';
  import Stack from './Stack.svelte';
  import Technique from './Technique.svelte';
  import Weather from './Weather.svelte';
  import WhichPaint from './WhichPaint.svelte';

  const { open, job, catalogue }: PanelProps = $props();

  $effect(() => void booth.fetch(job));
  const room = $derived(booth.room);
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
  const WANTED = [
    ['solid', 'Solid'],
    ['worn', 'A little worn'],
    ['washed', 'Washed out'],
  ] as const;
  const LOADS = [
    ['heavy', 'Few heavy coats, worked in (usual: fills the fibres)'],
    ['light', 'More light coats (less runs under the mask)'],
  ] as const;
  const FIRST = [
    ['usual', 'As usual: the keepers where paint is wet, else the sheet'],
    ['keepers', 'The keepers, with tweezers'],
    ['sheet', 'The sheet, then what it left'],
  ] as const;
  const serves = (paint: string, role: string) => (catalogue.roles[paint] ?? []).includes(role);
  const firstFor = (role: string) =>
    catalogue.paints.find((one) => serves(one.key, role) && one.suits.includes(job.inputs.surface));

  function add(role: Coating['role'], usual?: string | null): void {
    const paint = usual ?? firstFor(role)?.key;
    if (paint) void set((now) => [...now, { role, paint, colour: null, coats: null, where: null, mix: [] }]);
  }
  const alike = (coating: Coating) =>
    coatings.filter((one) => one.role === coating.role && one.where === coating.where).length > 1;
  const choose = (paint: string) =>
    set((now) => now.map((one) => (one.role === 'colour' ? { ...one, paint } : one)));
  const planned = (coating: Coating) =>
    job.coatings.find(
      (one) => one.role === coating.role && (!coating.colour || one.colour === coating.colour),
    ) ?? job.coatings.find((one) => one.role === coating.role);
  const schools = $derived((room?.schools ?? []).filter((one) => one.allowed));
  const peelWhen = $derived(
    job.inputs.peel_when ?? schools.find((one) => one.usual)?.when ?? schools[0]?.when ?? 'wet',
  );
  const proposed = $derived(
    (room?.offers ?? [])
      .filter((offer) => firstFor(offer.role))
      .map((offer) => ADD.find(([role]) => role === offer.role)?.[1].toLowerCase() ?? offer.role)
      .join(', '),
  );
  const school = $derived(schools.find((one) => one.when === peelWhen));
  const named = (of: readonly (readonly [string, string])[], key: string) =>
    of.find(([one]) => one === key)?.[1] ?? key;
  const useName = $derived(room?.uses.find((one) => one.key === room.use)?.name ?? '');
</script>

{#if booth.problem}<p class="m-0 font-bold" role="alert">{booth.problem}</p>{/if}
{#each room?.doubts ?? [] as doubt (doubt)}<p class="m-0 text-sm font-bold">{doubt}</p>{/each}
{#each coatings as coating, index (index)}
  <CoatingRow
    {coating}
    {catalogue}
    surface={job.inputs.surface}
    planned={planned(coating)}
    only={coating.role === 'colour' && coatings.filter((one) => one.role === 'colour').length === 1}
    onchange={(entries) => set((now) => now.map((one, at) => (at === index ? { ...one, ...entries } : one)))}
    onmove={alike(coating) || coatings.length > 1 ? (by) => open.moveCoating(index, by) : undefined}
    onremove={() => set((now) => now.filter((_, at) => at !== index))}
  />
{/each}
{#if room}
  <Fold title="Look and use" value={[named(WANTED, room.wanted), useName].join(', ').toLowerCase()}>
    <div class="grid grid-cols-2 gap-3">
      <OneOf
        label="The print should look"
        value={room.wanted}
        of={WANTED}
        onchange={(wanted) => open.change({ wanted })}
      />
      <OneOf
        label="It will be used"
        value={room.use}
        of={room.uses.map(({ key, name }) => [key, name] as const)}
        onchange={(use) => open.change({ use: use as JobChange['use'] })}
      />
    </div>
    {#if room.load}
      <OneOf label="By brush" value={room.load} of={LOADS} onchange={(load) => open.change({ load })} />
    {/if}
    {#if room.warm_air !== null}
      <Tick
        label="Warm air between the coats"
        checked={room.warm_air}
        onchange={(warm_air) => open.change({ warm_air })}
      />
    {/if}
    {#if room.base_at_touch !== null}
      <Tick
        label="Lay the mask once the base is dry to the touch: sooner, and tape may lift it"
        checked={room.base_at_touch}
        onchange={(base_at_touch) => open.change({ base_at_touch })}
      />
    {/if}
  </Fold>
  <Fold title="Peel" value={(school?.name ?? '').toLowerCase()}>
    <div class="grid grid-cols-2 gap-3">
      <OneOf
        label="Peel the mask"
        value={peelWhen}
        of={schools.map((one) => [one.when, `${one.name}${one.usual ? ' (usual here)' : ''}`] as const)}
        onchange={(when) =>
          open.change({ peel_when: schools.find((one) => one.usual)?.when === when ? null : when })}
      />
      <OneOf
        label="What comes off first"
        value={job.inputs.peel_first ?? 'usual'}
        of={FIRST}
        onchange={(first) => open.change({ peel_first: first === 'usual' ? null : first })}
      />
    </div>
    <p class="m-0 mt-1 text-sm text-(--faint)">{school?.why ?? ''}</p>
  </Fold>
  {#if room.groups}<p class="m-0 text-sm">{room.groups}</p>{/if}
  <Technique technique={room.technique} />
  <Weather {open} {job} />
  <WhichPaint
    choices={room.choices}
    used={coatings.filter((one) => one.role === 'colour').map((one) => one.paint)}
    onchoose={choose}
  />
{/if}
{#if room && room.section.length > 2}
  <Fold title="Coats, cut through">
    <Stack section={room.section} seenThrough={room.seen_through} />
  </Fold>
{/if}
<Fold title="Add a coating" value={proposed ? `proposed: ${proposed}` : ''}>
  {#each room?.offers ?? [] as offer (offer.role)}
    {#if firstFor(offer.role)}
      <p class="m-0 mb-2 text-sm">
        {offer.why}
        <button class="cursor-pointer font-bold underline" onclick={() => add(offer.role, offer.paint)}
          >Add {ADD.find(([role]) => role === offer.role)?.[1].toLowerCase() ?? 'it'}</button
        >
      </p>
    {/if}
  {/each}
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
</Fold>
