<script lang="ts">
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import type { PanelProps } from '../station';

  const { open, job, catalogue }: PanelProps = $props();
</script>

{#if job.picture.masks.some((mask) => mask.placements.length)}
  <ChoiceField
    label="Hot plate"
    value={job.inputs.press}
    choices={catalogue.presses}
    onchange={(press) => open.change({ press })}
  />
{/if}
