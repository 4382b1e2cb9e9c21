<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import CircleDot from '@lucide/svelte/icons/circle-dot';
  import OctagonX from '@lucide/svelte/icons/octagon-x';
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
  import type { Station } from '../api/client';

  interface Props {
    state: Station['state'];
    size?: number;
  }
  const { state, size = 18 }: Props = $props();
  const words = { stop: 'Must be seen to', warn: 'Have a look', ready: 'Ready', done: 'Done' };
</script>

<span class="inline-flex shrink-0 {state}" role="img" aria-label={words[state]} title={words[state]}>
  {#if state === 'stop'}<OctagonX {size} />
  {:else if state === 'warn'}<TriangleAlert {size} />
  {:else if state === 'done'}<Check {size} />
  {:else}<CircleDot {size} />{/if}
</span>

<style>
  .stop {
    color: var(--fault);
  }
  .warn {
    color: var(--signal);
  }
  .ready {
    color: var(--faint);
  }
  .done {
    color: var(--grass);
  }
</style>
