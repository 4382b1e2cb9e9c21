<script lang="ts">
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import type { PanelProps } from '../station';
  import LayByTape from './LayByTape.svelte';

  const { open, job, catalogue }: PanelProps = $props();
</script>

<LayByTape {open} {job} />
{#if job.picture.masks.some((mask) => mask.placements.length)}
  <ChoiceField
    label="Hot plate"
    value={job.inputs.press}
    choices={catalogue.presses}
    onchange={(press) => open.change({ press })}
  />
{/if}
