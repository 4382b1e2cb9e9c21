<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';

  interface Props {
    /** What is counted: "windows out". */
    name: string;
    counted: number | null;
    expected: number | null;
    /** How many the plan has, where the count itself says how many there are. */
    planned?: number | null;
    oncount: (count: number) => unknown;
  }
  const { name, counted, expected, planned = null, oncount }: Props = $props();

  const id = $props.id();
  const agrees = $derived(counted !== null && (expected === null || counted === expected));
  const said = $derived.by(() => {
    if (counted === null && expected !== null) return `${expected} should be there`;
    if (counted === null)
      return planned === null ? 'Enter how many' : `${planned} planned: enter how many you used`;
    if (expected === null) return `${counted} counted`;
    return agrees ? `${counted} of ${expected}` : `${counted} counted, ${expected} should be there`;
  });

  function accept(event: Event): void {
    const field = event.currentTarget as HTMLInputElement;
    if (field.value === '' || !field.reportValidity() || field.valueAsNumber === counted) return;
    oncount(field.valueAsNumber);
  }
</script>

<div class="flex items-end gap-2">
  <div class="w-28">
    <Label for={id} class="mb-1 text-sm text-(--ink) first-letter:uppercase">{name}</Label>
    <Input
      {id}
      type="number"
      size="sm"
      min={0}
      step={1}
      inputmode="numeric"
      value={counted ?? ''}
      onchange={accept}
    />
  </div>
  <p class="m-0 pb-1.5 text-sm" class:agrees class:off={counted !== null && !agrees} role="status">
    {agrees ? '✓ ' : ''}{said}
  </p>
</div>

<style>
  .agrees {
    color: var(--grass);
    font-weight: 700;
  }
  .off {
    color: var(--signal-ink);
    font-weight: 700;
  }
</style>
