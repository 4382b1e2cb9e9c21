<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    at: [number, number] | null;
  }
  const { ground, at }: Props = $props();

  const px = $derived(ground.px);
</script>

{#if at}
  <path
    class="spot"
    d="M{px(at[0]) - 22} {px(at[1])}h14m16 0h14M{px(at[0])} {px(at[1]) - 22}v14m0 16v14"
    aria-hidden="true"
  />
{/if}

<style>
  .spot {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 4;
    pointer-events: none;
  }
</style>
