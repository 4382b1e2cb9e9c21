<script lang="ts">
  import { settings, UNIT_NAMES, UNITS } from '../settings.svelte';
  import Backups from './Backups.svelte';
  import Devices from './Devices.svelte';
  import Dialog from './Dialog.svelte';
  import Tick from './Tick.svelte';

  interface Props {
    open: boolean;
  }
  let { open = $bindable() }: Props = $props();

  /** The long side of a bank card, mm. */
  const CARD = 85.6;
  const id = $props.id();
</script>

<Dialog bind:open title="Settings" size="lg">
  <fieldset class="m-0 border-0 p-0">
    <legend class="mb-1 font-bold">Lengths in</legend>
    <div class="flex gap-4">
      {#each UNITS as unit (unit)}
        <label class="flex items-center gap-2">
          <input
            type="radio"
            name="{id}-unit"
            value={unit}
            checked={settings.unit === unit}
            onchange={() => settings.setUnit(unit)}
          />
          {UNIT_NAMES[unit]}
        </label>
      {/each}
    </div>
  </fieldset>
  <Tick label="Dark screen" checked={settings.dark} onchange={() => settings.switchLight()} />
  <Tick
    label="Single letters are shortcuts"
    checked={settings.letters}
    onchange={(on) => settings.setLetters(on)}
  />
  <div>
    <label class="mb-1 block font-bold" for="{id}-card">Life size</label>
    <p class="m-0 mb-2 text-sm">
      Hold a bank card against the bar and move the slide until both are equally long. “Life size” on a
      picture is then true to this screen.
    </p>
    <div class="bar" style:width="{CARD * settings.pxPerMm}px" aria-hidden="true"></div>
    <input
      id="{id}-card"
      class="mt-2 w-full"
      type="range"
      min="2"
      max="8"
      step="0.01"
      value={settings.pxPerMm}
      aria-valuetext="{settings.pxPerMm.toFixed(2)} pixels to a millimetre"
      oninput={(event) => settings.setPxPerMm(event.currentTarget.valueAsNumber)}
    />
  </div>
  {#if open}
    <Devices />
    <Backups />
  {/if}
</Dialog>

<style>
  .bar {
    max-width: 100%;
    height: 2rem;
    border: 2px solid var(--ink);
    border-radius: 0.25rem;
    background: var(--mat);
  }
</style>
