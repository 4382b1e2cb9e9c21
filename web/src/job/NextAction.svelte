<script lang="ts">
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import Button from 'flowbite-svelte/Button.svelte';
  import { push } from 'svelte-spa-router';
  import type { Next } from '../lib/api/client';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    open: OpenJob;
    next: Next | null | undefined;
    station: string;
  }
  const { open, next, station }: Props = $props();
  const copies = $derived(open.job?.copies ?? 1);

  /** Go where it is done, and show the copy it is about. */
  function go(to: Next): void {
    const copy = to.task?.copy_no;
    if (copy && copy !== open.copy) void open.turnTo(copy);
    if (to.station !== station) void push(`/job/${open.id}/${to.station}`);
  }
  const isShown = (id: string) =>
    open.job?.stations.some((one) => one.code === station && one.tasks.some((task) => task.id === id)) ??
    false;
  const isHere = $derived(
    next?.station === station && (!next.task?.copy_no || copies === 1 || isShown(next.task.id)),
  );
</script>

<footer class="no-print border-t border-(--line) bg-(--sheet) p-3">
  {#if !next}
    <p class="m-0 font-bold">Everything is done. Put the job away from the board when you like.</p>
  {:else}
    <p class="m-0 mb-2 text-sm text-(--faint)">
      {next.kind === 'decide' ? 'To be decided first' : 'Next thing to do'}{next.task?.copy_no && copies > 1
        ? `, copy ${next.task.copy_no} of ${copies}`
        : ''}
    </p>
    <p class="m-0 mb-2 font-bold">{next.task?.title ?? next.verdict}</p>
    {#if isHere && next.task}
      {@const task = next.task}
      <Button class="w-full" disabled={open.busy > 0} onclick={() => open.done(task.id, true)}
        >Done (X)</Button
      >
    {:else if next.station !== station || next.task}
      <Button class="w-full" onclick={() => go(next)}>
        Go to {next.station}&nbsp;<ArrowRight size={16} />
      </Button>
    {/if}
  {/if}
</footer>
