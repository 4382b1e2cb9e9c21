<script lang="ts">
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import Button from 'flowbite-svelte/Button.svelte';
  import { push } from 'svelte-spa-router';
  import type { Step } from '../lib/api/client';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    open: OpenJob;
    step: Step | null | undefined;
    station: string;
  }
  const { open, step, station }: Props = $props();
</script>

<footer class="no-print border-t border-(--line) bg-(--sheet) p-3">
  {#if !step}
    <p class="m-0 font-bold">Everything is done. Put the job away from the board when you like.</p>
  {:else}
    <p class="m-0 mb-2 text-sm text-(--faint)">Next thing to do</p>
    <p class="m-0 mb-2 font-bold">{step.title}</p>
    {#if step.station === station}
      <Button class="w-full" disabled={open.busy > 0} onclick={() => open.tick(step.code, true)}
        >Done (X)</Button
      >
    {:else}
      <Button class="w-full" onclick={() => push(`/job/${open.id}/${step.station}`)}>
        Go to {step.station}&nbsp;<ArrowRight size={16} />
      </Button>
    {/if}
  {/if}
</footer>
