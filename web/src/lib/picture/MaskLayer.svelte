<script lang="ts">
  import type { Bridge, Piece } from '../api/client';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    pieces: Piece[];
    /** How much of the mask is peeled back from the left, 0 to 1: what lies under it is seen there. */
    peeled?: number;
    /** A bridge in the hand takes the place of this one. */
    hand?: Bridge | null;
  }
  const { ground, pieces, peeled = 0, hand = null }: Props = $props();

  const id = $props.id();
  const far = 1e5;
  const mask = $derived(ground.mask);
  const edge = $derived(mask ? mask.box[0] + peeled * (mask.box[2] - mask.box[0]) : 0);
  const bridges = $derived(
    (mask?.bridges ?? []).filter((bridge) => bridge.piece !== hand?.piece || bridge.index !== hand.index),
  );
</script>

{#if mask}
  <g class:turned={ground.turned} transform={ground.carry}>
    {#if peeled > 0}
      <clipPath id="{id}-left"><rect x={edge} y={-far} width={2 * far} height={2 * far} /></clipPath>
    {/if}
    <g clip-path={peeled > 0 ? `url(#${id}-left)` : undefined} fill={ground.picture.mask_colour}>
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
      <path class="lip" d="M{edge} {mask.box[1]}V{Math.max(mask.box[3], ground.picture.height)}" />
    {/if}
  </g>
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
