<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';
  import type { Choice } from '../api/client';

  interface Props {
    label: string;
    value: string;
    choices: Choice[];
    /** Choices that do not suit this surface are offered last, and say so. */
    surface?: string;
    onchange: (key: string) => void;
  }
  const { label, value, choices, surface, onchange }: Props = $props();

  const id = $props.id();
  const suits = (choice: Choice) => !surface || choice.suits.includes(surface);
  const items = $derived(
    [...choices]
      .sort((a, b) => Number(suits(b)) - Number(suits(a)))
      .map((choice) => ({
        value: choice.key,
        name: suits(choice) ? choice.name : `${choice.name} (not for this)`,
      })),
  );
  const about = $derived(choices.find((choice) => choice.key === value)?.about ?? '');
</script>

<div>
  <Label for={id} class="mb-1 text-sm text-(--ink)">{label}</Label>
  <Select
    {id}
    size="sm"
    {items}
    {value}
    placeholder=""
    aria-describedby="{id}-about"
    onchange={(event: Event) => onchange((event.currentTarget as HTMLSelectElement).value)}
  />
  <p id="{id}-about" class="mt-1 text-sm text-(--faint)">{about}</p>
</div>
