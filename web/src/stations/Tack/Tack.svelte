<script lang="ts">
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import type { PanelProps } from '../station';
  import LayByTape from './LayByTape.svelte';
  import OwnPlate from './OwnPlate.svelte';

  const { open, job, catalogue, onrecords }: PanelProps = $props();
</script>

<LayByTape {open} {job} />
{#if job.picture.masks.some((mask) => mask.passes.length)}
  <ChoiceField
    label="Hot plate"
    value={job.inputs.press}
    choices={catalogue.presses}
    onchange={(press) => open.change({ press })}
  />
  <OwnPlate {open} onchanged={onrecords} />
{/if}
{#if job.picture.masks.some((mask) => mask.covers.length)}
  <ChoiceField
    label="Cover it with"
    value={job.inputs.cover_paper}
    choices={catalogue.covers}
    onchange={(cover_paper) => open.change({ cover_paper })}
  />
{/if}
