<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { useLimits } from '../limits';
  import { Typed } from './typed.svelte';

  interface Props {
    label: string;
    value: number | null;
    /** The entry whose limits hold, such as `repeat.across`. */
    entry: string;
    otherwise?: number;
    /** From the unit of the limits to that of the field, where they differ. */
    scale?: (limit: number) => number;
    onchange: (value: number | null) => unknown;
  }
  const { label, value, entry, otherwise, scale = (limit) => limit, onchange }: Props = $props();

  const id = $props.id();
  const limits = useLimits();
  const limit = $derived(limits(entry));
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
    min={limit && scale(limit.least)}
    max={limit && scale(limit.most)}
    step={limit?.step ?? 1}
    value={typed.shown}
    placeholder={otherwise === undefined ? '' : String(otherwise)}
    onfocus={typed.hold}
    oninput={(event: Event) => typed.type((event.currentTarget as HTMLInputElement).value)}
    onchange={accept}
    onblur={() => void (typed.waits || typed.leave())}
  />
</div>
