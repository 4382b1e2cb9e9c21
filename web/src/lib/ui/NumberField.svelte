<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { Typed } from './typed.svelte';

  interface Props {
    label: string;
    value: number | null;
    /** None where the workshop alone knows it. */
    min: number | undefined;
    max: number | undefined;
    step?: number;
    otherwise?: number;
    onchange: (value: number | null) => unknown;
  }
  const { label, value, min, max, step = 1, otherwise, onchange }: Props = $props();

  const id = $props.id();
  const typed = new Typed(() => (value === null ? '' : String(value)));

  function accept(event: Event): void {
    const field = event.currentTarget as HTMLInputElement;
    if (!typed.waits) return void typed.leave();
    if (field.value === '' && !field.validity.badInput) {
      if (otherwise === undefined) typed.drop();
      else void typed.leave(onchange(null));
    } else if (field.reportValidity()) void typed.leave(onchange(field.valueAsNumber));
    else typed.drop();
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
    value={typed.shown}
    placeholder={otherwise === undefined ? '' : String(otherwise)}
    onfocus={typed.hold}
    oninput={(event: Event) => typed.type((event.currentTarget as HTMLInputElement).value)}
    onchange={accept}
    onblur={() => void (typed.waits || typed.leave())}
  />
</div>
