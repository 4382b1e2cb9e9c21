<script lang="ts">
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import type { PanelProps } from '..';

  const { open, job, catalogue }: PanelProps = $props();
</script>

<ChoiceField
  label="Paint"
  value={job.inputs.paint}
  choices={catalogue.paints}
  surface={job.inputs.surface}
  onchange={(paint) => open.change({ paint })}
/>
<NumberField
  label="Coats"
  value={job.inputs.coats ?? null}
  otherwise={job.in_force.coats}
  min={1}
  max={12}
  onchange={(coats) => open.change({ coats })}
/>
