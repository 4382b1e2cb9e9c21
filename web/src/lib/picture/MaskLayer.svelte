<script lang="ts">
  import type { Bridge, Mask, Piece } from '../api/client';

  interface Props {
    mask: Mask;
    pieces: Piece[];
    /** As the material comes. */
    colour: string;
    /** Height of the picture's ground, and how far from the left the mask is peeled back, mm. */
    peeled: number;
    high: number;
    /** A bridge in the hand takes the place of this one. */
    hand: Bridge | null;
  }
  const { mask, pieces, colour, peeled, high, hand }: Props = $props();

  const id = $props.id();
  const far = 1e5;
  const bridges = $derived(
    mask.bridges.filter((bridge) => bridge.piece !== hand?.piece || bridge.index !== hand.index),
  );
</script>

{#if peeled > 0}
  <clipPath id="{id}-left"><rect x={peeled} y={-far} width={2 * far} height={2 * far} /></clipPath>
{/if}
<g clip-path={peeled > 0 ? `url(#${id}-left)` : undefined} fill={colour}>
  {#if mask.frame}<path class="sheet" d={mask.frame} fill-rule="evenodd" />{/if}
  {#each pieces as piece (piece.number)}
    {#if piece.is_kept && piece.mask === mask.number}
      <path class="sheet keeper" d={piece.path} fill-rule="evenodd" />
    {/if}
  {/each}
  {#each bridges as bridge (bridge.path)}<path fill="url(#tie)" d={bridge.path} />{/each}
  {#if hand}<path class="hand" d={hand.path} />{/if}
</g>
{#if peeled > 0}
  <path class="lip" d="M{peeled} {mask.box[1]}V{Math.max(mask.box[3], high)}" />
{/if}

<style>
  .sheet {
    fill-opacity: 0.94;
    stroke: #2b312d;
    stroke-width: 0.75;
    vector-effect: non-scaling-stroke;
  }
  .keeper {
    fill-opacity: 1;
    stroke-width: 1.5;
  }
  .hand {
    fill: var(--color-signal-500);
  }
  .lip {
    fill: none;
    stroke: #1b2429;
    stroke-width: 3;
    vector-effect: non-scaling-stroke;
  }
</style>
