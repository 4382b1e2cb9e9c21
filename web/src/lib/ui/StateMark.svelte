<script lang="ts">
  import type { Station } from '../api/client';

  interface Props {
    state: Station['state'];
    /** How much of the work is done, 0 to 1: a ring that fills; null where there is none. */
    share?: number | null;
    size?: number;
  }
  const { state, share = null, size = 18 }: Props = $props();
  const WORDS = { stop: 'Needs fixing', warn: 'Worth a look', ready: 'Ready', done: 'Done' };
  const RING = 2 * Math.PI * 7;
  const words = $derived(
    state === 'ready' && share ? `${WORDS.ready}, ${Math.round(share * 100)} % done` : WORDS[state],
  );
</script>

<!-- Each state has its own outline and filling, so that it is told apart without its colour. -->
<span class="inline-flex shrink-0 {state}" role="img" aria-label={words} title={words}>
  <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden="true">
    {#if state === 'stop'}
      <rect x="1" y="1" width="18" height="18" rx="2" />
      <path class="cut" d="M6 6l8 8m0-8l-8 8" />
    {:else if state === 'warn'}
      <path d="M10 1l9.4 17.5H.6z" />
      <path class="cut" d="M10 7.5v5m0 2.6v.1" />
    {:else if state === 'done'}
      <circle cx="10" cy="10" r="9" />
      <path class="cut" d="M5.6 10.4l3 3 5.8-6.2" />
    {:else}
      <circle class="open" cx="10" cy="10" r="7" />
      {#if share}<circle
          class="part"
          cx="10"
          cy="10"
          r="7"
          stroke-dasharray="{share * RING} {RING}"
          transform="rotate(-90 10 10)"
        />{/if}
    {/if}
  </svg>
</span>

<style>
  .stop {
    fill: var(--fault);
  }
  .warn {
    fill: var(--signal);
  }
  .done {
    fill: var(--grass);
  }
  .cut {
    fill: none;
    stroke: var(--sheet);
    stroke-width: 2.4;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .open {
    fill: none;
    stroke: var(--line);
    stroke-width: 2;
  }
  .part {
    fill: none;
    stroke: var(--grass);
    stroke-width: 4;
  }
</style>
