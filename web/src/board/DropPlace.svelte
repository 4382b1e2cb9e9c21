<script lang="ts">
  import Upload from '@lucide/svelte/icons/upload';
  import Button from 'flowbite-svelte/Button.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import { ARTWORK_KINDS } from '../lib/artwork-kinds';
  import type { Choice, Start, StoredBlank } from '../lib/api/client';

  interface Props {
    surfaces: Choice[];
    blanks: StoredBlank[];
    busy: boolean;
    empty: boolean;
    onbegin: (start: Start) => void;
    onjobfile: (file: File) => void;
  }
  const { surfaces, blanks, busy, empty, onbegin, onjobfile }: Props = $props();

  let ground = $state('coir');
  let words = $state('');
  let section = $state<HTMLElement>();
  let over = $state(false);
  let field = $state<HTMLInputElement>();

  const OWN = 'own/';
  const items = $derived([
    ...blanks.map((blank) => ({ value: `${OWN}${blank.id}`, name: `${blank.name} (your own)` })),
    ...surfaces.map((choice) => ({ value: choice.key, name: choice.name })),
  ]);
  const on = (): Start =>
    ground.startsWith(OWN) ? { blank: Number(ground.slice(OWN.length)) } : { surface: ground };

  /** Put the cursor where words are written. */
  export function write(): void {
    section?.querySelector<HTMLInputElement>('input[type="text"]')?.focus();
  }

  function begin(event: Event): void {
    event.preventDefault();
    if (words.trim()) onbegin({ words, ...on() });
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
  class="flex min-h-72 flex-col items-center justify-center gap-3 rounded-xl border-3 border-dashed border-(--line) p-6 text-center"
  class:over
  class:col-span-full={empty}
  aria-label="New job"
  ondragover={(event) => {
    event.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={drop}
>
  {#if busy}
    <p class="flex items-center gap-3" role="status"><Spinner size="6" /> Reading the artwork</p>
  {:else}
    <Upload size={30} class="text-(--grass)" />
    <p class="m-0 text-lg font-bold">{empty ? 'The board is empty. ' : ''}A new job</p>
    <div class="w-full max-w-72 text-left">
      <Label for="new-ground" class="mb-1 text-sm text-(--ink)">It goes on</Label>
      <Select id="new-ground" size="sm" placeholder="" bind:value={ground} {items} />
    </div>
    <form class="flex w-full max-w-72 gap-2" onsubmit={begin}>
      <Input
        type="text"
        size="sm"
        aria-label="Words for a new job"
        placeholder="What shall it say?"
        bind:value={words}
      />
      <Button size="sm" type="submit" disabled={!words.trim()}>Begin</Button>
    </form>
    <p class="m-0 text-sm">
      or drop a drawing (SVG, DXF), a picture of one or a job file here,
      <button class="cursor-pointer font-bold underline" onclick={() => field?.click()}
        >or choose a file</button
      >
    </p>
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
