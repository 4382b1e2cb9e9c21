<script lang="ts">
  import Fetching from '../../lib/ui/Fetching.svelte';
  import type { PanelProps } from '../station';
  import Mask from './Mask.svelte';
  import { hasMask } from './part';

  const { job, ...rest }: PanelProps = $props();
</script>

{#if hasMask(job)}<Mask {job} {...rest} />{:else}<Fetching />{/if}
