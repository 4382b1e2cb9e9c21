<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();
</script>

{#if ground.picture.margin}
  <g transform={ground.carry}>
    <path class="margin" d={ground.picture.margin} />
    <path class="margin light" d={ground.picture.margin} />
  </g>
{/if}

<style>
  /* Dark and light dashes in turn, seen on pale blanks and on dark ones. */
  .margin {
    fill: none;
    stroke: rgb(0 0 0 / 0.55);
    stroke-dasharray: 4 4;
    vector-effect: non-scaling-stroke;
  }
  .margin.light {
    stroke: rgb(255 255 255 / 0.6);
    stroke-dashoffset: 4;
  }
</style>
