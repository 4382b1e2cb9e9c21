<script lang="ts">
  import type { PaintRoom } from '../../lib/api/client';

  interface Props {
    section: PaintRoom['section'];
    seenThrough: boolean;
  }
  const { section, seenThrough }: Props = $props();

  const said = $derived(
    `From the eye down: ${section.map((layer) => (layer.number ? `${layer.number}, ${layer.name}` : layer.name)).join('; ')}`,
  );
</script>

{#if section.length > 2}
  <figure class="stack m-0 max-w-md" role="img" aria-label={said}>
    <span>{seenThrough ? 'The eye, looking through the blank' : 'The eye'}</span>
    <svg viewBox="0 0 40 20" class="mx-auto h-5" aria-hidden="true">
      <path class="eye" d="M4 11q16-15 32 0q-16 15-32 0zM20 6a5 5 0 1 0 .1 0z" fill-rule="evenodd" />
    </svg>
    {#each section as layer (layer.number ?? 0)}
      <span
        >{layer.number ? `${layer.number}  ${layer.name}` : layer.name}{layer.coats > 1
          ? `, ${layer.coats} coats`
          : ''}</span
      >
      <svg viewBox="0 0 100 10" preserveAspectRatio="none" class="h-full w-full" aria-hidden="true">
        {#each layer.spans as [from, to] (from)}
          <rect
            class={layer.kind}
            class:clear={!layer.colour}
            x={from * 100}
            y="0"
            width={(to - from) * 100}
            height="10"
            style:fill={layer.colour ?? undefined}
          />
        {/each}
      </svg>
    {/each}
  </figure>
{/if}

<style>
  .stack {
    display: grid;
    grid-template-columns: 1fr 1fr;
    align-items: center;
    column-gap: 0.6rem;
    font-size: 0.75rem;
    line-height: 0.95rem;
  }
  .stack > span {
    padding: 1px 0;
  }
  .stack > svg {
    min-height: 1.1rem;
  }
  .eye {
    fill: var(--ink);
  }
  rect {
    stroke: #1b2429;
    stroke-width: 1;
    vector-effect: non-scaling-stroke;
  }
  .clear {
    fill: #fbf8ef;
    stroke-dasharray: 3 2;
  }
</style>
