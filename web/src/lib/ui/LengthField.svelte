<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { beyond, useLimits } from '../limits';
  import { settings } from '../settings.svelte';
  import { isBare, lengthEntry, readLength, readPair } from '../units';
  import { Typed } from './typed.svelte';
  import WhichUnit from './WhichUnit.svelte';

  interface Props {
    label: string;
    /** mm; null where the catalogue's figure is in force. */
    value: number | null;
    /** The entry whose limits hold, such as `blank.rim`. */
    entry: string;
    /** Shown while there is no value of the maker's own. */
    otherwise?: number;
    onchange: (mm: number | null) => unknown;
    /** Takes both sides where two lengths are typed at once, such as 30x18. */
    onpair?: (across: number, down: number) => unknown;
  }
  const { label, value, entry, otherwise, onchange, onpair }: Props = $props();

  const NO_LENGTH = $derived(
    onpair
      ? 'Enter a length, such as 400, 40cm or 15 1/2in, or both sides: 60x40cm.'
      : 'Enter a length, such as 400, 40cm or 15 1/2in.',
  );
  const id = $props.id();
  const kept = $derived(value === null ? '' : lengthEntry(value, settings.unit));
  const typed = new Typed(() => kept);
  const limits = useLimits();
  let wrong = $state('');
  let field = $state<HTMLInputElement>();
  /** A bare number was typed, and nobody has said in which unit. */
  let asks = $state(false);

  /** Say what is wrong with what stands there, if anything; return the length, null for the catalogue's. */
  function judge(): number | null {
    const text = typed.shown.trim();
    const empty = !text && otherwise !== undefined;
    const mm = empty ? null : readLength(text, settings.unit);
    const fault = mm === null ? NO_LENGTH : beyond(mm, limits(entry), settings.unit);
    wrong = typed.waits && !empty ? fault : '';
    // A form it stands in is not sent with the value it had before.
    field?.setCustomValidity(wrong);
    return mm;
  }

  function type(text: string): void {
    typed.type(text);
    // What was wrong is cleared while it is mended: nothing moves away under a click.
    if (wrong) judge();
  }

  function accept(): void {
    asks = !settings.unitChosen && typed.waits && isBare(typed.shown);
    if (asks) return;
    const pair = onpair && typed.waits ? readPair(typed.shown, settings.unit) : null;
    if (onpair && pair && pair.every((mm) => !beyond(mm, limits(entry), settings.unit))) {
      wrong = '';
      field?.setCustomValidity('');
      return void typed.leave(onpair(...pair));
    }
    const mm = judge();
    if (!wrong) void typed.leave(typed.waits ? onchange(mm) : undefined);
  }
</script>

<div>
  <Label for={id} class="mb-1 text-sm text-(--ink)"
    >{label} <span class="text-(--faint)">({settings.unit})</span></Label
  >
  <Input
    {id}
    bind:elementRef={field}
    size="sm"
    inputmode="decimal"
    value={typed.shown}
    placeholder={otherwise === undefined ? '' : lengthEntry(otherwise, settings.unit)}
    aria-invalid={wrong !== ''}
    aria-describedby={wrong ? `${id}-wrong` : undefined}
    onfocus={typed.hold}
    oninput={(event: Event) => type((event.currentTarget as HTMLInputElement).value)}
    onblur={accept}
    onkeydown={(event: KeyboardEvent) => event.key === 'Enter' && accept()}
  />
  {#if asks}<WhichUnit text={typed.shown} onchosen={accept} />{/if}
  {#if wrong}<p id="{id}-wrong" class="mt-1 text-sm text-(--fault)">
      {wrong}
    </p>{/if}
</div>
