<script lang="ts">
  import type { WeakPlace } from '../api/client';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    places: WeakPlace[];
    /** Key of the one that is looked at. */
    lookedAt: string | null;
  }
  const { ground, places, lookedAt }: Props = $props();

  const px = $derived(ground.px);
  const here = $derived(places.filter((place) => place.mask === ground.mask?.number));
  const line = (place: WeakPlace) =>
    place.path.map(([x, y], index) => `${index ? 'L' : 'M'}${px(x)} ${px(y)}`).join('');
  /** An arrowhead at a tongue's tip, pointing the way to dab. */
  function head(place: WeakPlace): string {
    if (!place.tip || !place.toward) return '';
    const [x, y] = [px(place.tip[0]), px(place.tip[1])];
    const [ux, uy] = place.toward;
    const back = (along: number, aside: number) =>
      `${x - ux * along - uy * aside} ${y - uy * along + ux * aside}`;
    return `M${x} ${y}L${back(11, 6)}L${back(11, -6)}Z`;
  }
</script>

{#each here as place (place.key)}
  <g class="weak {place.kind} {place.severity}" class:lookedat={place.key === lookedAt}>
    <title>{place.message}</title>
    <path class="under" d={line(place)} />
    <path class="way" d={line(place)} />
    {#if place.kind === 'tongue'}
      <path class="head" d={head(place)} />
    {:else}
      <path class="pinch" d="M{px(place.at[0]) - 7} {px(place.at[1]) - 7}l14 14m0-14l-14 14" />
    {/if}
  </g>
{/each}

<style>
  .weak {
    pointer-events: none;
  }
  .way,
  .pinch {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 2.5;
  }
  .under {
    fill: none;
    stroke: #fbf8ef;
    stroke-width: 5;
    opacity: 0.8;
  }
  .head {
    fill: var(--color-signal-500);
    stroke: #fbf8ef;
    stroke-width: 1;
  }
  .stop .way,
  .stop .pinch {
    stroke: var(--color-red-600);
  }
  .stop .head {
    fill: var(--color-red-600);
  }
  .note .way,
  .note .pinch {
    stroke: #35424a;
    stroke-dasharray: 2 3;
  }
  .note .head {
    fill: #35424a;
  }
  .lookedat .way,
  .lookedat .pinch {
    stroke-width: 5;
  }
</style>
