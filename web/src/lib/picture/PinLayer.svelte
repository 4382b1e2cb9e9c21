<script lang="ts">
  import type { Ground } from './layers';
  import { spread } from './spread';

  interface Props {
    ground: Ground;
    /** The only kind that is shown. */
    only?: string | null;
  }
  const { ground, only = null }: Props = $props();

  const LONG = 16;
  const APART = 17;
  const pins = $derived(
    (ground.mask?.pins ?? [])
      .filter((pin) => !only || pin.holds === only)
      .map((pin) => {
        const [x, y] = [ground.ax(pin.at[0]), ground.px(pin.at[1])];
        const dx = (ground.turned ? -1 : 1) * pin.lean[0];
        return { ...pin, x, y, headX: x + LONG * dx, headY: y + LONG * pin.lean[1] };
      }),
  );
  const places = $derived(
    spread(
      pins.map(({ headX, headY }) => ({ x: headX, y: headY })),
      APART,
    ),
  );
</script>

{#each pins as pin (pin.number)}
  <g class="pin {pin.holds}" aria-hidden="true">
    <path class="halo" d="M{pin.x} {pin.y}L{pin.headX} {pin.headY}" />
    <path class="shaft" d="M{pin.x} {pin.y}L{pin.headX} {pin.headY}" />
    <circle class="point" cx={pin.x} cy={pin.y} r="2" />
  </g>
{/each}
{#each pins as pin, index (pin.number)}
  <circle class="head" cx={places[index]?.x} cy={places[index]?.y} r="8.5" aria-hidden="true" />
  <text
    class="label"
    x={places[index]?.x}
    y={places[index]?.y}
    text-anchor="middle"
    dominant-baseline="central">{pin.number}</text
  >
{/each}

<style>
  .halo {
    stroke: #fbf8ef;
    stroke-width: 5;
  }
  .shaft {
    stroke: #1b2429;
    stroke-width: 2;
  }
  .point {
    fill: #1b2429;
  }
  .head {
    fill: #fbf8ef;
    stroke: #1b2429;
    stroke-width: 1.5;
  }
  .label {
    fill: #1b2429;
    font-weight: 700;
    font-size: 12px;
  }
</style>
