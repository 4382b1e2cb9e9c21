<script lang="ts">
  import type { PeelRoom } from '../api/client';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    way: PeelRoom['masks'][number];
  }
  const { ground, way }: Props = $props();

  const HEAD = 18;
  const from = $derived([ground.ax(way.begins[0]), ground.px(way.begins[1])] as const);
  const to = $derived([ground.ax(way.ends[0]), ground.px(way.ends[1])] as const);
  const angle = $derived((Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI);
</script>

<g class="way" role="img" aria-label={way.summary}>
  <path class="halo" d="M{from[0]} {from[1]}L{to[0]} {to[1]}" />
  <path d="M{from[0]} {from[1]}L{to[0]} {to[1]}" />
  <path
    class="head"
    d="M0 0L{-HEAD} {-HEAD / 2}V{HEAD / 2}z"
    transform="translate({to[0]} {to[1]}) rotate({angle})"
  />
  <circle cx={from[0]} cy={from[1]} r="9" />
</g>
{#each way.weak as [x, y] (`${x} ${y}`)}
  <path
    class="weak"
    d="M0-9 8 6H-8z"
    transform="translate({ground.ax(x)} {ground.px(y)})"
    aria-hidden="true"
  />
{/each}

<style>
  .way path {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 4;
    stroke-dasharray: 16 8;
  }
  .way .halo {
    stroke: #fbf8ef;
    stroke-width: 8;
    stroke-dasharray: none;
    opacity: 0.7;
  }
  .way .head,
  .way circle {
    fill: var(--color-signal-500);
    stroke: #fbf8ef;
    stroke-width: 2;
    stroke-dasharray: none;
  }
  .weak {
    fill: #fbf8ef;
    stroke: #1b2429;
    stroke-width: 2;
  }
</style>
