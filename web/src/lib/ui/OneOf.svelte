<script lang="ts" generics="Key extends string">
  import Label from 'flowbite-svelte/Label.svelte';
  import Select from 'flowbite-svelte/Select.svelte';

  interface Props {
    label: string;
    value: Key;
    of: readonly (readonly [Key, string])[];
    onchange: (key: Key) => void;
  }
  const { label, value, of, onchange }: Props = $props();

  const id = $props.id();
</script>

<div>
  <Label for={id} class="mb-1 text-sm text-(--ink)">{label}</Label>
  <Select
    {id}
    size="sm"
    items={of.map(([key, name]) => ({ value: key, name }))}
    {value}
    placeholder=""
    onchange={(event: Event) => onchange((event.currentTarget as HTMLSelectElement).value as Key)}
  />
</div>
