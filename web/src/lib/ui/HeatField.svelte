<script lang="ts">
  import { settings } from '../settings.svelte';
  import { heatEntry, readHeat } from '../units';
  import NumberField from './NumberField.svelte';

  interface Props {
    /** Its unit is set behind it. */
    label: string;
    /** Degrees C, as everywhere behind the screen. */
    value: number | null;
    entry: string;
    otherwise?: number;
    onchange: (celsius: number | null) => unknown;
  }
  const { label, value, entry, otherwise, onchange }: Props = $props();
  const shown = (celsius: number): number => heatEntry(celsius, settings.unit);
</script>

<NumberField
  label="{label}, {settings.unit === 'in' ? '°F' : '°C'}"
  value={value === null ? null : shown(value)}
  {entry}
  otherwise={otherwise === undefined ? undefined : shown(otherwise)}
  scale={shown}
  onchange={(heat) => onchange(heat === null ? null : readHeat(heat, settings.unit))}
/>
