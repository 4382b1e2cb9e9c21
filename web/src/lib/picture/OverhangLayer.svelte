<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();
</script>

{#if ground.picture.overhang}
  <g transform={ground.carry}>
    <path class="overhang" d={ground.picture.overhang} fill-rule="evenodd" />
  </g>
{/if}

<style>
  .overhang {
    fill: rgb(27 36 41 / 0.22);
    stroke: var(--ink);
    stroke-width: 1;
    stroke-dasharray: 3 3;
    vector-effect: non-scaling-stroke;
  }
</style>
