<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import * as api from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import TextField from '../../lib/ui/TextField.svelte';
  import { showMinutes } from '../../lib/units';

  interface Props {
    open: OpenJob;
    catalogue: api.Catalogue;
    /** The paint to start from. */
    like: api.PlannedCoating | undefined;
    onchanged: () => void;
  }
  const { open, catalogue, like, onchanged }: Props = $props();

  const FLOWS = [
    ['runny', 'Runny'],
    ['usual', 'As usual'],
    ['thick', 'Thick'],
  ] as const;
  const TIMES = [
    ['next_coat', 'Next coat after, min'],
    ['touch', 'Touch-dry, min'],
    ['handle', 'Handled, min'],
    ['use', 'Used, min'],
  ] as const;
  let workshop = $state.raw<api.Workshop | null>(null);
  let problem = $state('');
  /** What the maker has changed of it; the rest is as the paint it is like. */
  let own = $state<Partial<api.OwnPaint>>({});
  /** The paint that is being changed; null where the form is for a new one. */
  let changing = $state<number | null>(null);
  const shipped = $derived(catalogue.paints.filter((one) => !one.key.startsWith('own-')));
  const likeness = $derived(
    own.like ?? (like && !like.paint.startsWith('own-') ? like.paint : (shipped[0]?.key ?? '')),
  );
  /** What the table says of the paint it is like, in no weather of any job. */
  const figure = (name: string): number | null =>
    catalogue.figures.find((one) => one.table === 'paint' && one.key === likeness && one.name === name)
      ?.value ?? null;
  const start = $derived<api.OwnPaint>({
    name: '',
    like: likeness,
    cover: figure('cover') ?? 1,
    coats_low: 1,
    coats_high: like?.coats ?? 1,
    next_coat: figure('next_coat') ?? 0,
    touch: figure('touch') ?? 0,
    handle: figure('handle') ?? 0,
    use: figure('use') ?? 0,
    wash: figure('wash'),
    flow: 'usual',
    notes: '',
  });
  const paint = $derived({ ...start, ...own });

  $effect(() => {
    api.getWorkshop().then(
      (found) => (workshop = found),
      () => undefined,
    );
  });
  async function act(what: Promise<api.Workshop>): Promise<void> {
    try {
      [workshop, problem] = [await what, ''];
      [own, changing] = [{}, null];
      onchanged();
      await open.load();
    } catch (error) {
      problem = error instanceof api.Problem ? error.message : 'It could not be saved.';
    }
  }
  function change(kept: api.Workshop['paints'][number]): void {
    const { id, ...rest } = kept;
    [own, changing, problem] = [rest, id, ''];
    document.getElementById('own-paint-form')?.scrollIntoView({ block: 'nearest' });
  }
  function keep(): void {
    const body = { ...paint, name: paint.name.trim() };
    void act(changing === null ? api.addPaint(body) : api.changePaint(changing, body));
  }
</script>

<Fold title="Own paints">
  {#each workshop?.paints ?? [] as kept (kept.id)}
    <p class="m-0 mb-2 text-sm">
      <strong>{kept.name}</strong>, {kept.cover} m² a litre, next coat after {showMinutes(kept.next_coat)}
      {#if kept.notes}: {kept.notes}{/if}
      <button
        class="ml-2 cursor-pointer underline"
        aria-label="Change {kept.name}"
        onclick={() => change(kept)}>Change</button
      >
      <button
        class="ml-2 cursor-pointer underline"
        aria-label="Remove {kept.name}"
        onclick={() => act(api.dropRecord('paints', kept.id))}>Remove</button
      >
    </p>
  {/each}
  <div id="own-paint-form" class="flex flex-col gap-2">
    {#if changing !== null}
      <p class="m-0 text-sm font-bold" role="status">You are changing {paint.name}.</p>
    {/if}
    <TextField
      label="Name on the tin"
      entry="paint-own.name"
      name="own-paint"
      value={paint.name}
      onchange={(name) => (own = { ...own, name })}
    />
    <OneOf
      label="It behaves like"
      value={paint.like}
      of={shipped.map((one) => [one.key, one.name] as const)}
      onchange={(key) => (own = { ...own, like: key })}
    />
    <div class="grid grid-cols-2 gap-2">
      <NumberField
        label="Covers, m² a litre"
        entry="paint-own.cover"
        value={paint.cover}
        onchange={(cover) => cover !== null && (own = { ...own, cover })}
      />
      <OneOf
        label="It is"
        value={paint.flow ?? 'usual'}
        of={FLOWS}
        onchange={(flow) => (own = { ...own, flow })}
      />
      {#each TIMES as [name, label] (name)}
        <NumberField
          {label}
          entry="paint-own.{name}"
          value={paint[name]}
          onchange={(minutes) => minutes !== null && (own = { ...own, [name]: minutes })}
        />
      {/each}
    </div>
    <TextField
      label="How did it turn out?"
      entry="paint-own.notes"
      name="own-paint/notes"
      rows={2}
      value={paint.notes ?? ''}
      onchange={(notes) => (own = { ...own, notes })}
    />
    <div class="flex gap-2">
      <Button color="alternative" size="sm" onclick={keep}
        >{changing === null ? 'Keep this paint' : 'Keep the change'}</Button
      >
      {#if changing !== null}
        <Button color="alternative" size="sm" onclick={() => ([own, changing] = [{}, null])}>Cancel</Button>
      {/if}
    </div>
    {#if problem}<p class="m-0 text-sm font-bold" role="alert">{problem}</p>{/if}
  </div>
</Fold>
