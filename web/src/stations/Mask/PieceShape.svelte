<script lang="ts">
  import type { Piece } from '../../lib/api/client';

  interface Props {
    piece: Piece;
    /** px a mm, the same for all pieces of a tray. */
    scale: number;
    /** Side of the square it is drawn in, px. */
    room: number;
  }
  const { piece, scale, room }: Props = $props();

  const x = $derived((piece.box[0] + piece.box[2]) / 2 - room / scale / 2);
  const y = $derived((piece.box[1] + piece.box[3]) / 2 - room / scale / 2);
</script>

<svg
  class="shrink-0"
  width={room}
  height={room}
  viewBox="{x} {y} {room / scale} {room / scale}"
  aria-hidden="true"
>
  <path class:gone={!piece.is_here} d={piece.path} fill-rule="evenodd" />
</svg>

<style>
  path {
    fill: var(--mask);
    stroke: var(--ink);
    stroke-width: 1;
    vector-effect: non-scaling-stroke;
  }
  .gone {
    fill: none;
    stroke-dasharray: 3 3;
  }
</style>
