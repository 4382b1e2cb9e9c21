<script lang="ts">
  import Upload from '@lucide/svelte/icons/upload';
  import Button from 'flowbite-svelte/Button.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import type { Choice } from '../lib/api/client';

  interface Props {
    surfaces: Choice[];
    busy: boolean;
    empty: boolean;
    onfile: (file: File, surface: string) => void;
  }
  const { surfaces, busy, empty, onfile }: Props = $props();

  let surface = $state('coir');
  let over = $state(false);
  let field = $state<HTMLInputElement>();

  /** Open the file chooser. */
  export function choose(): void {
    field?.click();
  }

  function take(files: FileList | null | undefined): void {
    const file = files?.[0];
    if (file) onfile(file, surface);
    if (field) field.value = '';
  }

  function drop(event: DragEvent): void {
    event.preventDefault();
    over = false;
    take(event.dataTransfer?.files);
  }
</script>

<section
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
    <p class="m-0 text-lg font-bold">{empty ? 'The board is empty. ' : ''}Drop an SVG here for a new job</p>
    <div class="w-full max-w-60 text-left">
      <Label for="new-surface" class="mb-1 text-sm text-(--ink)">It goes on</Label>
      <Select
        id="new-surface"
        size="sm"
        placeholder=""
        bind:value={surface}
        items={surfaces.map((choice) => ({ value: choice.key, name: choice.name }))}
      />
    </div>
    <Button onclick={choose}>Choose a file</Button>
  {/if}
  <input
    bind:this={field}
    class="sr-only"
    type="file"
    accept=".svg,.svgz,image/svg+xml"
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
