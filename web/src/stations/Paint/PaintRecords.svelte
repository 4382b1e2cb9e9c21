<script lang="ts">
  import type { PanelProps } from '../station';
  import OwnPaint from './OwnPaint.svelte';
  import Swatches from './Swatches.svelte';

  const { open, job, catalogue, onrecords }: PanelProps = $props();
  const main = $derived(job.coatings.find((one) => one.role === 'colour'));
</script>

{#if main}
  <Swatches
    {open}
    {job}
    paint={{ key: main.paint, name: main.paint_name, colour: main.colour, coats: main.coats }}
  />
{/if}
<OwnPaint {open} {catalogue} like={main} onchanged={onrecords} />
