<script lang="ts">
  import { settings } from '../../lib/settings.svelte';
  import { showLength } from '../../lib/units';

  interface Props {
    /** All in mm: as it is, from where it holds on the surface, and up to where it stays within the margins. */
    width: number;
    smallest: number;
    largest: number;
    onchange: (mm: number) => void;
  }
  const { width, smallest, largest, onchange }: Props = $props();

  const id = $props.id();
  let dragged = $state<number | null>(null);
  const shown = $derived(dragged ?? width);
  const end = $derived(Math.max(largest * 1.15, width, Math.min(smallest * 1.1, largest * 3)));
  const share = (mm: number) => `${Math.min(100, Math.max(0, (mm / end) * 100))}%`;
  const verdict = $derived(
    shown < smallest
      ? 'too fine for this surface'
      : shown > largest + 0.05
        ? 'over the margins'
        : 'holds, and fits',
  );

  function settle(event: Event): void {
    dragged = null;
    onchange((event.currentTarget as HTMLInputElement).valueAsNumber);
  }
</script>

<div>
  <label for={id} class="mb-1 block text-sm">
    Width of the design: <strong>{showLength(shown, settings.unit)}</strong>, {verdict}
  </label>
  <div class="rail" aria-hidden="true">
    <span class="fine" style:width={share(smallest)}></span>
    <span class="over" style:left={share(largest)}></span>
  </div>
  <input
    {id}
    class="w-full"
    type="range"
    min={Math.max(1, Math.round(end / 40))}
    max={Math.round(end)}
    step="1"
    value={shown}
    oninput={(event) => (dragged = event.currentTarget.valueAsNumber)}
    onchange={settle}
  />
  <p class="m-0 flex justify-between text-sm text-(--faint)">
    <span>{smallest > 0 ? `too fine below ${showLength(smallest, settings.unit)}` : 'nothing limits it'}</span
    >
    <span>margins at {showLength(largest, settings.unit)}</span>
  </p>
</div>

<style>
  .rail {
    position: relative;
    height: 12px;
    overflow: hidden;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: color-mix(in srgb, var(--grass) 35%, var(--sheet));
  }
  .rail span {
    position: absolute;
    top: 0;
    bottom: 0;
  }
  .fine {
    left: 0;
    background: repeating-linear-gradient(45deg, var(--signal) 0 3px, var(--sheet) 3px 8px);
  }
  .over {
    right: 0;
    background: repeating-linear-gradient(-45deg, var(--fault) 0 2px, var(--sheet) 2px 9px);
  }
  input {
    accent-color: var(--grass);
  }
</style>
