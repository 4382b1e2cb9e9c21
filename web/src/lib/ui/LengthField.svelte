<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { settings } from '../settings.svelte';
  import { lengthEntry, readLength } from '../units';

  interface Props {
    label: string;
    /** mm; null where the catalogue's figure is in force. */
    value: number | null;
    /** Shown while there is no value of the maker's own. */
    otherwise?: number;
    onchange: (mm: number | null) => void;
  }
  const { label, value, otherwise, onchange }: Props = $props();

  const id = $props.id();
  const shown = $derived(value === null ? '' : lengthEntry(value, settings.unit));
  let text = $derived(shown);
  let wrong = $state(false);

  function accept(): void {
    if (text.trim() === shown) return;
    if (!text.trim() && otherwise !== undefined) return onchange(null);
    const mm = readLength(text, settings.unit);
    wrong = mm === null;
    if (mm !== null) onchange(mm);
  }
</script>

<div>
  <Label for={id} class="mb-1 text-sm text-(--ink)"
    >{label} <span class="text-(--faint)">({settings.unit})</span></Label
  >
  <Input
    {id}
    size="sm"
    inputmode="decimal"
    bind:value={text}
    placeholder={otherwise === undefined ? '' : lengthEntry(otherwise, settings.unit)}
    aria-invalid={wrong}
    aria-describedby={wrong ? `${id}-wrong` : undefined}
    onblur={accept}
    onkeydown={(event: KeyboardEvent) => event.key === 'Enter' && accept()}
  />
  {#if wrong}<p id="{id}-wrong" class="mt-1 text-sm text-(--fault)">
      Not a length. Write 400, 40cm or 15 1/2in.
    </p>{/if}
</div>
