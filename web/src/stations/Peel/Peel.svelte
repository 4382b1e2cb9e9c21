<script lang="ts">
  import Fold from '../../lib/ui/Fold.svelte';
  import { inTwo } from '../../lib/units';
  import type { PanelProps } from '../station';
  import { way } from './way.svelte';

  const { open, job }: PanelProps = $props();

  $effect(() => void way.fetch(job));
  const mine = $derived(way.room?.masks.find((one) => one.number === open.mask));
  const [first, rest] = $derived(inTwo(mine?.summary ?? ''));
</script>

{#if mine}
  <p class="m-0 text-sm">{first}</p>
  {#if rest || mine.weak.length}
    <Fold title="Take care on the way">
      {#if rest}<p class="m-0 text-sm">{rest}</p>{/if}
      {#if mine.weak.length}
        <p class="m-0 text-sm">Triangles: where it tears easily. Hold the blank down beside them.</p>
      {/if}
    </Fold>
  {/if}
{/if}
