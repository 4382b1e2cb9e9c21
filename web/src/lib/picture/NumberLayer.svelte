<script lang="ts">
  import type { Piece } from '../api/client';
  import PieceMark from './PieceMark.svelte';
  import { spread } from './spread';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    pieces: Piece[];
    /** Numbers of the pieces that answered the roll-call that is on; null when none is. */
    present?: number[] | null;
    selected?: number | null;
    /** Whether those that have not answered are to be seen at once. */
    urgent?: boolean;
    onselect?: (number: number) => void;
  }
  const { ground, pieces, present = null, selected = null, urgent = false, onselect }: Props = $props();

  const APART = 23;
  /** More of the print than this share under numbers is a crowd: they thin out until one looks closer. */
  const CROWD = 0.2;
  const crowded = $derived.by(() => {
    const [x0, y0, x1, y1] = ground.picture.painted_box;
    return pieces.length * APART ** 2 > CROWD * ground.px(x1 - x0) * ground.px(y1 - y0);
  });
  const places = $derived(
    spread(
      pieces.map((piece) => ({ x: ground.ax(piece.anchor[0]), y: ground.px(piece.anchor[1]) })),
      APART,
    ),
  );
</script>

{#each pieces as piece, index (piece.number)}
  <line
    class="leader"
    x1={ground.ax(piece.anchor[0])}
    y1={ground.px(piece.anchor[1])}
    x2={places[index]?.x ?? 0}
    y2={places[index]?.y ?? 0}
    aria-hidden="true"
  />
{/each}
{#each pieces as piece, index (piece.number)}
  {#if urgent && present && !present.includes(piece.number)}
    <circle class="down" cx={places[index]?.x ?? 0} cy={places[index]?.y ?? 0} r="16" aria-hidden="true" />
  {/if}
  <PieceMark
    {piece}
    x={places[index]?.x ?? 0}
    y={places[index]?.y ?? 0}
    present={present ? present.includes(piece.number) : null}
    selected={piece.number === selected}
    small={crowded && piece.number !== selected && present === null}
    onselect={onselect ? () => onselect(piece.number) : undefined}
  />
{/each}

<style>
  .down {
    fill: none;
    stroke: var(--color-signal-500);
    stroke-width: 4;
    transform-box: fill-box;
    transform-origin: center;
    animation: down 1.2s ease-in-out infinite;
  }
  @keyframes down {
    50% {
      transform: scale(1.35);
      opacity: 0.35;
    }
  }
  @media (prefers-reduced-motion: reduce) {
    .down {
      animation: none;
    }
  }
  .leader {
    stroke: #22313a;
    stroke-width: 1.5;
  }
</style>
