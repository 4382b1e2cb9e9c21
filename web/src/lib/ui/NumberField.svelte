<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';

  interface Props {
    label: string;
    value: number | null;
    min: number;
    max: number;
    step?: number;
    otherwise?: number;
    onchange: (value: number | null) => void;
  }
  const { label, value, min, max, step = 1, otherwise, onchange }: Props = $props();

  const id = $props.id();

  function accept(event: Event): void {
    const field = event.currentTarget as HTMLInputElement;
    if (field.value === '') {
      if (otherwise !== undefined) onchange(null);
      else field.value = String(value);
    } else if (field.reportValidity()) onchange(field.valueAsNumber);
  }
</script>

<div>
  <Label for={id} class="mb-1 text-sm text-(--ink)">{label}</Label>
  <Input
    {id}
    type="number"
    size="sm"
    {min}
    {max}
    {step}
    value={value ?? ''}
    placeholder={otherwise === undefined ? '' : String(otherwise)}
    onchange={accept}
  />
</div>
