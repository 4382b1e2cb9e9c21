<script lang="ts">
  import type { Bridge, BridgeMove } from '../api/client';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    /** The piece whose bridges they are. */
    piece: number | null;
    hand: Bridge | null;
    ongrip: (held: boolean) => void;
    ondrag: (move: BridgeMove) => void;
    onput: (move: BridgeMove) => void;
  }
  const { ground, piece, hand, ongrip, ondrag, onput }: Props = $props();

  const STILL_PX = 3;
  let held = $state<{ bridge: Bridge; x: number; y: number; at: [number, number] | null } | null>(null);
  const scale = $derived(ground.scale);
  const px = $derived(ground.px);
  const bridges = $derived((ground.mask?.bridges ?? []).filter((bridge) => bridge.piece === piece));

  function take(event: PointerEvent, bridge: Bridge): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    held = { bridge, x: event.clientX, y: event.clientY, at: null };
    ongrip(true);
  }

  function drag(event: PointerEvent): void {
    if (!held) return;
    const [across, down] = [event.clientX - held.x, event.clientY - held.y];
    if (!held.at && Math.hypot(across, down) < STILL_PX) return;
    const [x, y] = held.bridge.start;
    held = { ...held, at: [x + across / scale, y + down / scale] };
    if (held.at) ondrag({ piece: held.bridge.piece, index: held.bridge.index, at: held.at, slide: 0 });
  }

  function release(): void {
    const grip = held;
    held = null;
    if (grip?.at) onput({ piece: grip.bridge.piece, index: grip.bridge.index, at: grip.at, slide: 0 });
    else ongrip(false);
  }

  function cancel(): void {
    held = null;
    ongrip(false);
  }
  const seen = (bridge: Bridge) => (held && hand && held.bridge.index === bridge.index ? hand : bridge);
</script>

<!-- The rows beside the picture are the way by keyboard; handles take a pointer. -->
{#each bridges as bridge (bridge.index)}
  {@const now = seen(bridge)}
  <g
    class="handle"
    class:held={held?.bridge.index === bridge.index}
    role="button"
    tabindex="-1"
    aria-label="Bridge {bridge.index + 1} of piece {bridge.piece}"
    onpointerdown={(event) => take(event, bridge)}
    onpointermove={drag}
    onpointerup={release}
    onpointercancel={cancel}
  >
    <path d="M{px(now.start[0])} {px(now.start[1])}L{px(now.end[0])} {px(now.end[1])}" />
    <circle cx={px(now.start[0])} cy={px(now.start[1])} r="7" />
  </g>
{/each}

<style>
  .handle {
    cursor: grab;
    outline: none;
    touch-action: none;
  }
  .held {
    cursor: grabbing;
  }
  path {
    stroke: var(--color-signal-500);
    stroke-width: 3;
  }
  circle {
    fill: #fbf8ef;
    stroke: var(--color-signal-500);
    stroke-width: 3;
  }
  .held circle {
    fill: var(--color-signal-300);
  }
</style>
