<script lang="ts">
  import type { Sheets } from '../../lib/api/client';

  interface Props {
    stages: Sheets['stages'];
  }
  const { stages }: Props = $props();

  // A flag on a leaning mast: like nothing that reads the same in a mirror.
  const FLAG = 'M0 20L3.2 0h3.2l-1.2 3.6h9.8l-3.4 4.4 2.8 4.4H4l-.8 7.6z';
  const LAYER = 15;
  const WIDTH = 108;
  const TOP = 34;
  const TOOLS = {
    knife: 'M50 8l8 0 0 12 -8 10z',
    iron: 'M34 26h44c0-14-12-18-24-18h-6v5h8c6 0 9 3 10 6H42c-5 0-8 3-8 7z',
    hand: 'M44 26v-12c0-4 4-4 4 0v-5c0-4 4-4 4 0v-1c0-4 4-4 4 0v2c0-4 4-3 4 0v12l-5 6h-7z',
    eye: 'M34 18q20-18 40 0q-20 18-40 0zM54 12a6 6 0 1 0 .1 0z',
  } as const;
  const deep = $derived(TOP * 2 + LAYER * Math.max(...stages.map((stage) => stage.layers.length)));
</script>

<figure class="m-0" aria-label="The stack in section, and how it reads at every step">
  <div class="grid grid-cols-3 gap-1">
    {#each stages as stage (stage.name)}
      {@const floor = TOP + LAYER * stage.layers.length}
      <div class="card flex flex-col items-center p-1 text-center text-xs">
        <strong>{stage.name}</strong>
        <svg
          viewBox="0 0 {WIDTH} {deep}"
          class="w-full"
          role="img"
          aria-label="{stage.layers.map((layer) => layer.name).join(' over ')}; seen {stage.from_below
            ? 'from below'
            : 'from above'} it is {stage.mirrored ? 'mirrored' : 'not mirrored'}"
        >
          <g
            class="tool {stage.tool}"
            transform={stage.from_below ? `translate(0 ${floor + TOP + 2}) scale(1 -1)` : undefined}
          >
            <path d={TOOLS[stage.tool]} fill-rule="evenodd" />
          </g>
          <path
            class="flag"
            d={FLAG}
            transform="translate({stage.mirrored ? 30 : 8} {stage.from_below
              ? floor + 8
              : 8}) scale({stage.mirrored ? -1 : 1} 1)"
          />
          {#each stage.layers as layer, index (index)}
            <rect class={layer.role} x="2" y={TOP + LAYER * index} width={WIDTH - 4} height={LAYER - 1} />
            <text x={WIDTH / 2} y={TOP + LAYER * index + 11}>{layer.name}</text>
          {/each}
        </svg>
        <strong>{stage.mirrored ? 'mirrored' : 'not mirrored'}</strong>
        <span class="text-(--faint)">{stage.about}</span>
      </div>
    {/each}
  </div>
</figure>

<style>
  .flag,
  .tool path {
    fill: var(--grass);
  }
  .tool path {
    fill: var(--ink);
  }
  rect {
    stroke: var(--ink);
    stroke-width: 0.5;
    fill: #f4f1e8;
  }
  .glue {
    fill: #e3b78f;
  }
  .carrier,
  .backing {
    fill: #d9e2e6;
  }
  .mat {
    fill: #b7c6a0;
  }
  .blank {
    fill: #c9a46f;
  }
  text {
    font-size: 13px;
    text-anchor: middle;
    fill: #1b2429;
  }
</style>
