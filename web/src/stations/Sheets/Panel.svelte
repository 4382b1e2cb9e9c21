<script lang="ts">
  import Fetching from '../../lib/ui/Fetching.svelte';
  import type { PanelProps } from '../station';
  import Sheets from './Sheets.svelte';
  import { hasSheets } from './part';

  const { job, ...rest }: PanelProps = $props();
</script>

{#if hasSheets(job)}<Sheets {job} {...rest} />{:else}<Fetching />{/if}
