<script lang="ts">
  import type { WeedRegion } from '../../lib/api/client';
  import Pane, { type Look, type View } from '../../lib/picture/Pane.svelte';
  import { settings } from '../../lib/settings.svelte';
  import { table } from './table.svelte';

  interface Props {
    /** As it lies on the mat, or on the blank. */
    on: 'sheet' | 'blank';
    title: string;
    regions: WeedRegion[];
    /** What is shown, mm: left, top, width, height. */
    view: [number, number, number, number];
    outline?: string;
    colour: string;
    blank: string;
    onpull: (region: WeedRegion) => void;
    look: Look;
  }
  const { on, title, regions, view, outline, colour, blank, onpull, look }: Props = $props();

  const id = $props.id();
  const [MANY, SMALL] = [24, 0.68];
  const box = $derived({ x: view[0], y: view[1], w: view[2], h: view[3] });
  /** Many marks are small ones, so that the letters show between them. */
  const size = $derived(regions.length > MANY ? SMALL : 1);
  const isOut = (region: WeedRegion) => table.out.includes(region.id);
  const at = (region: WeedRegion) => (on === 'sheet' ? region.sheet_at : region.blank_at);
  const path = (region: WeedRegion) => (on === 'sheet' ? region.sheet_path : region.blank_path);
  const order = $derived([...regions].sort((a, b) => rank(a) - rank(b)));
  const rank = (region: WeedRegion) => (region.kind === 'frame' ? 0 : region.goes ? 1 : 2);
  const label = (region: WeedRegion): string => {
    const number =
      region.number === null ? '' : `${region.kind === 'keeper' ? 'Keeper' : 'Window'} ${region.number}, `;
    const state = isOut(region) ? 'out' : table.rehearsing ? 'in its place' : region.goes ? 'goes' : 'stays';
    return `${number}${region.name}: ${state}`;
  };

  function onkeydown(event: KeyboardEvent, region: WeedRegion): void {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      onpull(region);
    }
  }
</script>

<figure class="m-0 flex min-h-0 min-w-0 flex-1 flex-col">
  <figcaption class="px-1 pb-1 text-sm font-bold">{title}</figcaption>
  <div class="relative min-h-0 flex-1">
    <Pane label={title} {box} unit={settings.unit} {...look}>
      {#snippet children({ scale, left, top }: View)}
        <!-- Marks keep their size on the screen, whatever the scale. -->
        {@const px = 1 / scale}
        <defs>
          <pattern
            id="{id}-goes"
            width={7 * px}
            height={7 * px}
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width={7 * px} height={7 * px} fill="#fbf8ef" /><path
              d="M0 0V{7 * px}"
              stroke="#c2571a"
              stroke-width={2.2 * px}
            />
          </pattern>
        </defs>
        <g transform="translate({left} {top}) scale({scale})">
          {#if outline}<path class="ground" d={outline} fill={blank} />{:else}
            <rect class="mat" x={view[0]} y={view[1]} width={view[2]} height={view[3]} rx={4 * px} />
          {/if}
          {#each order as region (region.id)}
            <path
              class="part {region.kind}"
              class:chosen={region.id === table.chosen}
              class:out={isOut(region)}
              d={path(region)}
              fill-rule="evenodd"
              fill={isOut(region)
                ? 'transparent'
                : region.goes && !table.rehearsing
                  ? `url(#${id}-goes)`
                  : colour}
              stroke-width={(region.id === table.chosen ? 4 : region.kind === 'keeper' ? 2 : 1) * px}
              role="button"
              tabindex={on === 'sheet' && region.id === table.chosen ? 0 : -1}
              aria-label={label(region)}
              onclick={() => onpull(region)}
              onkeydown={(event) => onkeydown(event, region)}
            />
          {/each}
          {#each regions as region (region.id)}
            {@const [x, y] = at(region)}
            {#if region.number !== null && !isOut(region) && (!table.rehearsing || region.id === table.chosen)}
              <g
                class="mark"
                transform="translate({x} {y}) scale({px * (region.id === table.chosen ? 1.25 : size)})"
                aria-hidden="true"
              >
                {#if region.kind === 'keeper'}<circle r="9.5" />{:else}<rect
                    x="-10"
                    y="-8.5"
                    width="20"
                    height="17"
                    rx="2"
                  />{/if}
                <text text-anchor="middle" dominant-baseline="central">{region.number}</text>
              </g>
            {/if}
            {#if on === 'sheet' && !table.rehearsing}
              {#each region.sheet_weak as [wx, wy], index (index)}
                <path
                  class="weak"
                  transform="translate({wx} {wy}) scale({px})"
                  d="M0-9L8 5H-8Z"
                  aria-hidden="true"
                />
              {/each}
              {#if region.sheet_start && region.id === table.chosen}
                <circle
                  class="start"
                  cx={region.sheet_start[0]}
                  cy={region.sheet_start[1]}
                  r={6 * px}
                  stroke-width={3 * px}
                />
              {/if}
            {/if}
          {/each}
        </g>
      {/snippet}
    </Pane>
  </div>
</figure>

<style>
  .mat {
    fill: var(--ground-line);
    fill-opacity: 0.5;
  }
  .ground {
    stroke: rgb(0 0 0 / 0.35);
    stroke-width: 1;
    vector-effect: non-scaling-stroke;
  }
  .part {
    cursor: pointer;
    stroke: #2b312d;
    outline: none;
  }
  .out {
    stroke-dasharray: 3 3;
  }
  .chosen,
  .part:focus-visible {
    stroke: var(--color-signal-500);
  }
  .mark {
    pointer-events: none;
  }
  .mark circle,
  .mark rect {
    fill: #fbf8ef;
    stroke: #22313a;
    stroke-width: 1.5;
  }
  .mark text {
    fill: #1b2429;
    font-size: 12px;
    font-weight: 700;
  }
  .weak {
    fill: #fbf8ef;
    stroke: #a3261a;
    stroke-width: 2;
    pointer-events: none;
  }
  .start {
    fill: none;
    stroke: var(--color-signal-500);
    pointer-events: none;
  }
</style>
