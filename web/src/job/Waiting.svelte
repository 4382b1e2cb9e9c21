<script lang="ts">
  import Bell from '@lucide/svelte/icons/bell';
  import { untrack } from 'svelte';
  import type { Task } from '../lib/api/client';
  import { clocks } from '../lib/clocks.svelte';
  import MainButton from '../lib/ui/MainButton.svelte';
  import { showMinutes, showMoment, showSoon } from '../lib/units';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    open: OpenJob;
    job: string;
    task: Task;
    /** When it may be done, as the workshop keeps it. */
    opens: string;
  }
  const { open, job, task, opens }: Props = $props();

  const at = $derived(Date.parse(opens));
  let now = $state(Date.now());
  const key = $derived(`${open.id} ${task.id}`);
  const asked = $derived(clocks.isAsked(key));

  $effect(() => {
    const tick = setInterval(() => (now = Date.now()), 1000);
    return () => clearInterval(tick);
  });
  // Once its time has come, the step can be done: the workshop is asked, not this window's clock.
  const AGAIN_MS = 5000;
  const isOver = $derived(now >= at);
  $effect(() => {
    if (!isOver) return;
    // Asked for what is over alone, not for what asking itself changes; again where the clocks are not quite one.
    const ask = () => untrack(() => void open.load());
    ask();
    const again = setInterval(ask, AGAIN_MS);
    return () => clearInterval(again);
  });
</script>

<!-- Nothing is to be done now: no button offers it as if there were. -->
<div class="rounded-lg border-2 border-(--line) px-3 py-1 text-center" role="timer" aria-live="off">
  <p class="stamp m-0 text-3xl">{showMinutes(Math.max((at - now) / 60_000, 0))}</p>
  <p class="m-0 text-sm">Not before <strong>{showMoment(opens)}</strong></p>
</div>
{#if asked}
  <p class="m-0 text-sm" role="status">
    You will be told at {showSoon(opens)}, as long as Dunestead stays open.
    <button class="cursor-pointer underline" onclick={() => clocks.untell(key)}>Do not tell me</button>
  </p>
{:else}
  <MainButton class="w-full" onclick={() => clocks.tellAt({ key, at, title: `${job}: ${task.title}` })}
    ><Bell size={16} />&nbsp;Tell me at {showSoon(opens)}</MainButton
  >
{/if}
<button
  class="cursor-pointer self-start text-sm underline"
  disabled={open.busy > 0}
  onclick={() => open.done(task.id, true)}>It is done already (X)</button
>
