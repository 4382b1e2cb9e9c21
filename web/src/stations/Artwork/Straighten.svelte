<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { Tracing } from '../../lib/api/client';
  import Dialog from '../../lib/ui/Dialog.svelte';
  import MainButton from '../../lib/ui/MainButton.svelte';

  type Corners = NonNullable<Tracing['corners']>;
  interface Props {
    /** Of the picture. */
    address: string;
    corners: Corners | null;
    ondone: (corners: Corners | null) => void;
    onclose: () => void;
  }
  const { address, corners, ondone, onclose }: Props = $props();

  const NAMES = ['Top left', 'Top right', 'Bottom right', 'Bottom left'];
  const STEP = 0.005;
  const WHOLE: Corners = [
    [0.05, 0.05],
    [0.95, 0.05],
    [0.95, 0.95],
    [0.05, 0.95],
  ];
  let shown = $state(true);
  // svelte-ignore state_referenced_locally
  let places = $state<[number, number][]>((corners ?? WHOLE).map(([x, y]) => [x, y]));
  let held = $state<number | null>(null);
  let frame = $state<SVGSVGElement>();
  let shape = $state(4 / 3);
  const WIDE = 1000;
  const high = $derived(WIDE / shape);

  const within = (value: number) => Math.min(1, Math.max(0, value));

  function drag(event: PointerEvent): void {
    if (held === null || !frame) return;
    // The picture may stand narrower than its element, so the way back goes through its own transform.
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(frame.getScreenCTM()?.inverse());
    places[held] = [within(at.x / WIDE), within(at.y / high)];
  }

  function press(event: KeyboardEvent, index: number): void {
    const step = event.shiftKey ? STEP * 6 : STEP;
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const move = moves[event.key];
    const place = places[index];
    if (!move || !place) return;
    event.preventDefault();
    places[index] = [within(place[0] + move[0]), within(place[1] + move[1])];
  }
</script>

<Dialog bind:open={shown} title="Straighten: put the marks on the sheet’s corners" size="xl" {onclose}>
  <svg
    bind:this={frame}
    class="block max-h-[62vh] w-full touch-none"
    viewBox="0 0 {WIDE} {high}"
    role="group"
    aria-label="The picture with four corners"
    onpointermove={drag}
    onpointerup={() => (held = null)}
  >
    <image href={address} width={WIDE} height={high} preserveAspectRatio="none" />
    <polygon
      points={places.map(([x, y]) => `${x * WIDE},${y * high}`).join(' ')}
      fill="rgb(194 87 26 / 0.12)"
      stroke="#c2571a"
      stroke-width="3"
    />
    {#each places as [x, y], index (index)}
      <circle
        cx={x * WIDE}
        cy={y * high}
        r="16"
        role="slider"
        tabindex="0"
        aria-label="{NAMES[index]} corner"
        aria-valuenow={Math.round(x * 100)}
        aria-valuetext="{Math.round(x * 100)} % across, {Math.round(y * 100)} % down"
        onpointerdown={() => (held = index)}
        onkeydown={(event) => press(event, index)}
      />
    {/each}
  </svg>
  <img
    class="sr-only"
    src={address}
    alt=""
    onload={(event) => {
      const image = event.currentTarget as HTMLImageElement;
      shape = image.naturalWidth / image.naturalHeight;
    }}
  />
  <div class="flex flex-wrap gap-3">
    <MainButton size="sm" onclick={() => ondone(places as Corners)}>Straighten</MainButton>
    <Button color="alternative" size="sm" onclick={() => ondone(null)}>Use the whole picture</Button>
    <p class="m-0 self-center text-sm text-(--faint)">Drag the corners, or step them with the arrow keys.</p>
  </div>
</Dialog>

<style>
  circle {
    cursor: grab;
    fill: rgb(251 248 239 / 0.8);
    stroke: #c2571a;
    stroke-width: 5;
  }
  circle:focus-visible {
    outline: none;
    fill: #eea46f;
    stroke: #1b2429;
  }
</style>
