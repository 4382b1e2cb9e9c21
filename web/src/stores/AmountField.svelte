<script lang="ts">
  import type { Held } from '../lib/api/client';
  import LengthField from '../lib/ui/LengthField.svelte';
  import NumberField from '../lib/ui/NumberField.svelte';

  interface Props {
    label: string;
    /** What it is counted in. */
    told: Held['unit'];
    value: number | null;
    entry: 'move.amount' | 'item.keep_at_least';
    onchange: (amount: number | null) => void;
  }
  const { label, told, value, entry, onchange }: Props = $props();
</script>

{#if told === 'mm'}
  <LengthField {label} {entry} {value} otherwise={0} {onchange} />
{:else}
  <NumberField
    label={told === 'pieces' ? label : `${label}, ${told}`}
    {entry}
    {value}
    otherwise={0}
    {onchange}
  />
{/if}
