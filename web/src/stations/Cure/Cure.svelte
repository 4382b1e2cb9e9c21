<script lang="ts">
  import NumberField from '../../lib/ui/NumberField.svelte';
  import type { PanelProps } from '..';

  const { open, job }: PanelProps = $props();
  const room = $derived(job.inputs.room);
</script>

<div class="grid grid-cols-2 gap-3">
  <NumberField
    label="Room, °C"
    value={room.temperature}
    min={-20}
    max={60}
    onchange={(temperature) =>
      temperature !== null && open.change(({ inputs }) => ({ room: { ...inputs.room, temperature } }))}
  />
  <NumberField
    label="Humidity, %"
    value={room.humidity}
    min={0}
    max={100}
    onchange={(humidity) =>
      humidity !== null && open.change(({ inputs }) => ({ room: { ...inputs.room, humidity } }))}
  />
</div>
