<script lang="ts">
  import type { PanelProps } from '../station';
  import { way } from './way.svelte';

  const { open, job }: PanelProps = $props();

  $effect(() => void way.fetch(job));
  const mine = $derived(way.room?.masks.find((one) => one.number === open.mask));
</script>

{#if mine}
  <p class="m-0 text-sm"><strong>Which way.</strong> {mine.summary}</p>
  {#if mine.weak.length}
    <p class="m-0 text-sm">Triangles: where it tears easily. Hold the blank down beside them.</p>
  {/if}
{/if}
