<script lang="ts">
  import Upload from '@lucide/svelte/icons/upload';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { getFacesFor } from '../lib/api/client';
  import { ARTWORK_KINDS } from '../lib/artwork-kinds';
  import type { Choice, FaceRow, Recipe, Start, StoredBlank } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import MainButton from '../lib/ui/MainButton.svelte';
  import OneOf from '../lib/ui/OneOf.svelte';
  import WhichUnit from '../lib/ui/WhichUnit.svelte';
  import { isBare, readPair } from '../lib/units';

  interface Props {
    surfaces: Choice[];
    blanks: StoredBlank[];
    faces: FaceRow[];
    recipes: Recipe[];
    busy: boolean;
    onbegin: (start: Start) => void;
    onjobfile: (file: File) => void;
  }
  const { surfaces, blanks, faces, recipes, busy, onbegin, onjobfile }: Props = $props();

  const id = $props.id();
  const OWN = 'own/';
  const HALF_WORDS = 'dunestead.new-words';
  const HALF_SIZE = 'dunestead.new-size';
  const EXAMPLE = { mm: '600 x 400', cm: '60 x 40', in: '24 x 16' };
  let ground = $state('coir');
  // What is half typed survives a reload.
  let words = $state(sessionStorage.getItem(HALF_WORDS) ?? '');
  let face = $state('');
  let size = $state(sessionStorage.getItem(HALF_SIZE) ?? '');
  $effect(() => {
    sessionStorage.setItem(HALF_WORDS, words);
    sessionStorage.setItem(HALF_SIZE, size);
  });
  /** A size was typed, and nobody has said in which unit. */
  const asksUnit = $derived(!settings.unitChosen && isBare(size));
  let section = $state<HTMLElement>();
  let over = $state(false);
  let field = $state<HTMLInputElement>();

  const grounds = $derived([
    ...blanks.map((blank): [string, string] => [`${OWN}${blank.id}`, `${blank.name} (your own)`]),
    ...surfaces.map((choice): [string, string] => [choice.key, choice.name]),
  ]);
  const surface = $derived(
    blanks.find((blank) => ground === `${OWN}${blank.id}`)?.surface ?? (ground.startsWith(OWN) ? '' : ground),
  );
  /** What worked on this surface before. */
  const fitting = $derived(recipes.filter((one) => one.surface === surface));
  let recipe = $state('');
  const chosen = $derived(fitting.some((one) => String(one.id) === recipe) ? recipe : '');
  const isOwn = $derived(ground.startsWith(OWN));
  const sides = $derived(size.trim() ? readPair(size, settings.unit) : undefined);
  const wrong = $derived(
    sides === null ? `Enter both sides in ${settings.unit}, such as ${EXAMPLE[settings.unit]}.` : '',
  );

  /** Keys of the letterings that have all letters of the words; null while that is not known. */
  let able = $state.raw<string[] | null>(null);
  const REST_MS = 300;
  $effect(() => {
    const text = words.trim();
    const timer = setTimeout(() => {
      getFacesFor(text).then(
        (keys) => {
          if (text !== words.trim()) return;
          able = keys;
          if (face && !keys.includes(face)) face = '';
        },
        () => (able = null),
      );
    }, REST_MS);
    return () => clearTimeout(timer);
  });
  const offered = $derived(faces.filter((one) => !able || able.includes(one.key)));

  const canStart = $derived(!!words.trim() && !wrong && !asksUnit && able?.length !== 0);

  const on = (): Start => ({
    ...(isOwn
      ? { blank: Number(ground.slice(OWN.length)) }
      : { surface: ground, ...(sides ? { size: sides } : {}) }),
    ...(face ? { face } : {}),
    ...(chosen ? { recipe: Number(chosen) } : {}),
  });

  /** Forget what was typed: a job was begun with it. */
  export function forget(): void {
    [words, size] = ['', ''];
  }

  /** Put the cursor where words are written. */
  export function write(): void {
    section?.querySelector<HTMLInputElement>('input[type="text"]')?.focus();
  }

  function begin(event: Event): void {
    event.preventDefault();
    if (!canStart) return;
    onbegin({ words, ...on() });
  }

  function take(files: FileList | null | undefined): void {
    const file = files?.[0];
    if (file && /\.(zip|json)$/i.test(file.name)) onjobfile(file);
    else if (file) onbegin({ artwork: file, ...on() });
    if (field) field.value = '';
  }

  function drop(event: DragEvent): void {
    event.preventDefault();
    over = false;
    take(event.dataTransfer?.files);
  }
</script>

<section
  bind:this={section}
  class="rounded-sm border-2 border-dashed border-(--line) p-4"
  class:over
  aria-labelledby="{id}-title"
  ondragover={(event) => {
    event.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={drop}
>
  <h2 id="{id}-title" class="stamp m-0 mb-2 text-xl">New job</h2>
  {#if busy}
    <p class="m-0 flex items-center gap-3 py-6" role="status"><Spinner size="6" /> Reading the artwork</p>
  {:else}
    <form
      class="grid grid-cols-1 items-start gap-3 sm:grid-cols-2 lg:grid-cols-[1.4fr_1.1fr_0.9fr_1fr_auto]"
      onsubmit={begin}
    >
      <div>
        <Label for="{id}-words" class="mb-1 text-sm text-(--ink)">What should it say?</Label>
        <Input id="{id}-words" type="text" size="sm" placeholder="MIND THE STEP" bind:value={words} />
      </div>
      <OneOf label="On what" value={ground} of={grounds} onchange={(key) => (ground = key)} />
      <div>
        <Label for="{id}-size" class="mb-1 text-sm text-(--ink)"
          >Size <span class="text-(--faint)"
            >({settings.unitChosen ? `${settings.unit}, ` : ''}if you know it)</span
          ></Label
        >
        <Input
          id="{id}-size"
          size="sm"
          inputmode="decimal"
          disabled={isOwn}
          placeholder={EXAMPLE[settings.unit]}
          aria-invalid={wrong !== ''}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          bind:value={size}
        />
        {#if asksUnit}<WhichUnit text={size} onchosen={() => undefined} />
        {:else if wrong}<p id="{id}-wrong" class="m-0 mt-1 text-sm text-(--fault)">{wrong}</p>{/if}
      </div>
      <OneOf
        label="Lettering"
        value={face}
        of={[['', 'Usual, chunky'], ...offered.map((one): [string, string] => [one.key, one.name])]}
        onchange={(key) => (face = key)}
      />
      <MainButton class="lg:mt-6" size="sm" type="submit" disabled={!canStart}
        >Start with these words</MainButton
      >
    </form>
    {#if able?.length === 0}
      <p class="m-0 mt-2 text-sm" role="status">
        No lettering that comes with Dunestead has all of these letters. Chinese and Japanese need your own
        font: draw the words in it and drop the drawing here.
      </p>
    {/if}
    <div class="mt-3 flex flex-wrap items-end justify-between gap-3">
      <p class="m-0 flex flex-wrap items-center gap-2 text-sm">
        <Upload size={16} aria-hidden="true" />
        Or drop a drawing (SVG, DXF), a photo of one or a saved job here,
        <button class="cursor-pointer font-bold underline" onclick={() => field?.click()}
          >or choose a file</button
        >
      </p>
      {#if fitting.length}
        <div class="w-full sm:w-80">
          <OneOf
            label="Start from a recipe"
            value={chosen}
            of={[['', 'None'], ...fitting.map((one): [string, string] => [String(one.id), one.name])]}
            onchange={(key) => (recipe = key)}
          />
        </div>
      {/if}
    </div>
  {/if}
  <input
    bind:this={field}
    class="sr-only"
    type="file"
    accept="{ARTWORK_KINDS},.json,.zip"
    tabindex="-1"
    aria-label="Artwork file"
    onchange={(event) => take(event.currentTarget.files)}
  />
</section>

<style>
  .over {
    border-color: var(--signal);
    background: var(--sheet);
  }
</style>
