<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { outside, useLimits } from '../limits';
  import { readNumber } from '../units';
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
  const limit = $derived.by(() => {
    const found = limits(entry);
    return found && { ...found, least: scale(found.least), most: scale(found.most) };
  });
  const typed = new Typed(() => (value === null ? '' : String(value)));
  let wrong = $state('');
  let field = $state<HTMLInputElement>();

  /** Say what is wrong with what stands there, if anything; return the number, null for the catalogue's. */
  function judge(): number | null {
    const text = typed.shown.trim();
    const isEmpty = !text && otherwise !== undefined;
    const number = isEmpty ? null : readNumber(text);
    wrong = typed.waits && !isEmpty ? outside(number, limit) : '';
    // A form it stands in is not sent with the value it had before.
    field?.setCustomValidity(wrong);
    return number;
  }

  function type(text: string): void {
    typed.type(text);
    // What was wrong is cleared while it is mended: nothing moves away under a click.
    if (wrong) judge();
  }

  function accept(): void {
    const number = judge();
    if (!wrong) void typed.leave(typed.waits ? onchange(number) : undefined);
  }

  function keyed(event: KeyboardEvent): void {
    const by = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (event.key === 'Enter') accept();
    if (!by || !limit) return;
    event.preventDefault();
    const from = readNumber(typed.shown) ?? otherwise ?? limit.least;
    const to = Math.min(Math.max(from + by * limit.step, limit.least), limit.most);
    type(String(Number(to.toFixed(6))));
  }
</script>

<div>
  <Label for={id} class="mb-1 text-sm text-(--ink)">{label}</Label>
  <Input
    {id}
    bind:elementRef={field}
    size="sm"
    role="spinbutton"
    inputmode="decimal"
    autocomplete="off"
    aria-valuenow={readNumber(typed.shown) ?? undefined}
    aria-valuemin={limit?.least}
    aria-valuemax={limit?.most}
    value={typed.shown}
    placeholder={otherwise === undefined ? '' : String(otherwise)}
    aria-invalid={wrong !== ''}
    aria-describedby={wrong ? `${id}-wrong` : undefined}
    onfocus={typed.hold}
    oninput={(event: Event) => type((event.currentTarget as HTMLInputElement).value)}
    onblur={accept}
    onkeydown={keyed}
  />
  {#if wrong}<p id="{id}-wrong" class="mt-1 text-sm text-(--fault)">{wrong}</p>{/if}
</div>
