<script lang="ts">
  import type { PaintRoom } from '../../lib/api/client';

  interface Props {
    section: PaintRoom['section'];
    seenThrough: boolean;
  }
  const { section, seenThrough }: Props = $props();

  const WIDTH = 330;
  /** Names stand left of the section. */
  const NAMES = 150;
  const across = (share: number) => NAMES + share * (WIDTH - NAMES - 1);
  const HIGH = 15;
  const BLANK = 26;
  const TOP = 26;
  const deep = (kind: string) => (kind === 'blank' ? BLANK : HIGH);
  /** Each layer with the height it begins at. */
  const layers = $derived.by(() => {
    let y = TOP;
    return section.map((layer) => {
      const placed = { ...layer, y, high: deep(layer.kind) };
      y += placed.high;
      return placed;
    });
  });
  const tall = $derived(TOP + section.reduce((sum, layer) => sum + deep(layer.kind), 0) + 4);
  const said = $derived(
    `From the eye down: ${section.map((layer) => (layer.number ? `${layer.number}, ${layer.name}` : layer.name)).join('; ')}`,
  );
</script>

{#if section.length > 2}
  <figure class="m-0">
    <svg viewBox="0 0 {WIDTH} {tall}" class="w-full max-w-md" role="img" aria-label={said}>
      <path
        class="eye"
        transform="translate({NAMES + (WIDTH - NAMES) / 2 - 36})"
        d="M20 12q16-15 32 0q-16 15-32 0zM36 7a5 5 0 1 0 .1 0z"
        fill-rule="evenodd"
      />
      <text x="0" y="16">{seenThrough ? 'the eye, looking through the blank' : 'the eye'}</text>
      {#each layers as layer (layer.number ?? 0)}
        {#each layer.spans as [from, to] (from)}
          <rect
            class={layer.kind}
            class:clear={!layer.colour}
            x={across(from)}
            y={layer.y}
            width={across(to) - across(from)}
            height={layer.high - 1}
            style:fill={layer.colour ?? undefined}
          />
        {/each}
        <text x="0" y={layer.y + layer.high / 2 + 3.5}
          >{layer.number ? `${layer.number}  ${layer.name}` : layer.name}{layer.coats > 1
            ? `, ${layer.coats} coats`
            : ''}</text
        >
      {/each}
    </svg>
  </figure>
{/if}

<style>
  .eye {
    fill: var(--ink);
  }
  text {
    font-size: 10px;
    fill: var(--ink);
  }
  rect {
    stroke: #1b2429;
    stroke-width: 0.6;
  }
  .clear {
    fill: #fbf8ef;
    stroke-dasharray: 3 2;
  }
</style>
