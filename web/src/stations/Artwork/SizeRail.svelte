<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { Rail } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import { showLength } from '../../lib/units';
  import { breakpoints, MOST_SPOTS, restAt, saying, spotsIn, stepOf, stepped, zones } from './rail';

  interface Props {
    rail: Rail;
    /** While it is dragged. */
    onpeek: (mm: number) => void;
    /** When it is let go. */
    onchange: (mm: number) => void;
    onfit: () => void;
    /** Where on the picture the measure behind a breakpoint is, while it is pointed at. */
    onspot: (at: [number, number] | null) => void;
  }
  const { rail, onpeek, onchange, onfit, onspot }: Props = $props();

  const id = $props.id();
  const SNAP_SHARE = 0.012;
  let dragged = $state<number | null>(null);
  /** The rail stays as it was while it is dragged, or its ends would run away from the hand. */
  let held = $state.raw<Rail | null>(null);
  const still = $derived(held ?? rail);
  const shown = $derived(dragged ?? rail.width);
  const points = $derived(breakpoints(still, (mm) => showLength(mm, settings.unit)));
  const share = (mm: number) =>
    `${Math.min(100, Math.max(0, ((mm - still.low) / (still.high - still.low)) * 100))}%`;

  function peek(event: Event): void {
    held ??= rail;
    const at = (event.currentTarget as HTMLInputElement).valueAsNumber;
    const whole = Math.round(at / step) * step;
    dragged = restAt(fine ? at : whole, points, (still.high - still.low) * SNAP_SHARE);
    onpeek(dragged);
  }

  /** Alt is held down: finer steps. */
  let fine = $state(false);
  const step = $derived(stepOf(settings.unit, fine));
  const KEYS: Record<string, number> = {
    ArrowRight: 1,
    ArrowUp: 1,
    ArrowLeft: -1,
    ArrowDown: -1,
    PageUp: 10,
    PageDown: -10,
  };

  function keyed(event: KeyboardEvent): void {
    const steps = KEYS[event.key];
    if (!steps) return;
    event.preventDefault();
    event.stopPropagation();
    const to = stepped(shown, steps, stepOf(settings.unit, event.altKey));
    onchange(Math.min(Math.max(to, still.low), still.high));
  }

  function settle(event: Event): void {
    const at = dragged ?? (event.currentTarget as HTMLInputElement).valueAsNumber;
    [dragged, held] = [null, null];
    onchange(at);
  }
</script>

<section aria-label="Size rail">
  {#if still.spots.length}
    <p class="m-0 text-sm">
      No size that fits mends {still.spots.length === 1 ? 'this spot' : `these ${still.spots.length} spots`};
      the rail shows what holds without {still.spots.length === 1 ? 'it' : 'them'}:
    </p>
    <p class="m-0 mb-2 flex flex-wrap gap-1">
      {#each spotsIn(still, (mm) => showLength(mm, settings.unit)) as spot, index (index)}
        <button
          class="cursor-help rounded-full border border-(--fault) px-2 py-0.5 text-xs"
          onpointerenter={() => onspot(spot.at)}
          onpointerleave={() => onspot(null)}
          onfocus={() => onspot(spot.at)}
          onblur={() => onspot(null)}>{spot.about}</button
        >
      {/each}
      {#if still.spots.length > MOST_SPOTS}
        <span class="self-center text-xs">and {still.spots.length - MOST_SPOTS} more</span>
      {/if}
    </p>
  {/if}
  {#if rail.fixed}
    <p class="m-0 text-sm">The frame follows the blank; there is nothing to size.</p>
  {:else}
    <label for={id} class="mb-1 block text-sm">
      Width of the design: <strong>{showLength(shown, settings.unit)}</strong>, {saying(still, shown)}
    </label>
    <div class="rail" aria-hidden="true">
      {#each zones(still) as zone (zone.kind + zone.from)}
        <span
          class="zone {zone.kind}"
          style:left={share(zone.from)}
          style:width="calc({share(zone.to)} - {share(zone.from)})"
          >{#if zone.sheets}<b>{zone.sheets}</b>{/if}</span
        >
      {/each}
      {#each points as point (point.key)}
        <i style:left={share(point.width)} class={point.kind}></i>
      {/each}
    </div>
    <input
      {id}
      class="m-0 w-full"
      type="range"
      min={still.low}
      max={still.high}
      step="0.1"
      value={shown}
      list="{id}-points"
      aria-valuetext="{showLength(shown, settings.unit)}, {saying(still, shown)}"
      title="Arrow keys step {showLength(stepOf(settings.unit, false), settings.unit)}, with Alt {showLength(
        stepOf(settings.unit, true),
        settings.unit,
      )}"
      onkeydown={keyed}
      onpointermove={(event) => (fine = event.altKey)}
      oninput={peek}
      onchange={settle}
    />
    <datalist id="{id}-points">
      {#each points as point (point.key)}<option value={point.width}></option>{/each}
    </datalist>
    <ul class="m-0 mt-1 flex list-none flex-wrap gap-1.5 p-0" aria-label="Sizes at which something changes">
      {#each points as point (point.key)}
        <li>
          <button
            class="point {point.kind}"
            title={point.about}
            onmouseenter={() => onspot(point.at ?? null)}
            onmouseleave={() => onspot(null)}
            onfocus={() => onspot(point.at ?? null)}
            onblur={() => onspot(null)}
            onclick={() => onchange(point.width)}
          >
            {point.short}
          </button>
        </li>
      {/each}
    </ul>
    <div class="mt-2 grid grid-cols-[1fr_auto] items-end gap-3">
      <LengthField
        label="Width of the design"
        entry="drawn.width"
        value={rail.width}
        onchange={(mm) => mm && onchange(mm)}
      />
      <Button color="alternative" size="sm" onclick={onfit}>Fill the blank</Button>
    </div>
  {/if}
</section>

<style>
  .rail {
    /* Its zones mean something by their colours and stripes: these stay where a system sets colours. */
    forced-color-adjust: none;
    position: relative;
    height: 20px;
    overflow: hidden;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--sheet);
  }
  .zone {
    position: absolute;
    top: 0;
    bottom: 0;
    border-right: 1px solid var(--sheet);
    font-size: 12px;
    line-height: 18px;
    text-align: center;
    color: var(--ink);
  }
  .fine {
    background: repeating-linear-gradient(45deg, var(--signal) 0 3px, var(--sheet) 3px 8px);
  }
  .holds {
    background: color-mix(in srgb, var(--grass) 34%, var(--sheet));
  }
  .holds:nth-child(even) {
    background: color-mix(in srgb, var(--grass) 20%, var(--sheet));
  }
  .tight {
    background: repeating-linear-gradient(90deg, var(--line) 0 2px, var(--sheet) 2px 7px);
  }
  .over {
    background: repeating-linear-gradient(-45deg, var(--fault) 0 2px, var(--sheet) 2px 9px);
  }
  .rail i {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2px;
    margin-left: -1px;
    background: var(--ink);
  }
  input {
    accent-color: var(--grass);
  }
  .point {
    cursor: pointer;
    border: 1px solid var(--line);
    border-radius: 999px;
    padding: 0.05rem 0.6rem;
    font-size: 0.8rem;
  }
  .point:hover {
    border-color: var(--ink);
  }
  .point.least {
    border-style: dashed;
    border-color: var(--signal-ink);
  }
  .point.sheets {
    border-color: var(--grass);
  }
</style>
