<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import MainButton from '../lib/ui/MainButton.svelte';
  import type { Problem } from '../lib/api/client';
  import { useLimits } from '../lib/limits';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    open: OpenJob;
    early: { task: string; problem: Problem };
  }
  const { open, early }: Props = $props();

  const id = $props.id();
  const limits = useLimits();
  let reason = $state('');

  function keep(event: Event): void {
    event.preventDefault();
    if (reason.trim()) void open.done(early.task, true, reason);
  }
</script>

<form class="mt-2 flex flex-col gap-2 rounded-lg border-2 border-(--signal) p-2 text-sm" onsubmit={keep}>
  <p class="m-0" role="alert"><strong>{early.problem.what}</strong> {early.problem.fix}</p>
  <label class="font-bold" for="{id}-reason">Why do it anyway?</label>
  <input
    id="{id}-reason"
    class="rounded-lg border border-(--line) bg-(--sheet) p-2"
    maxlength={limits('log.reason')?.most}
    bind:value={reason}
  />
  <div class="flex gap-2">
    <MainButton size="xs" type="submit" disabled={!reason.trim()}>Done, with this reason</MainButton>
    <Button size="xs" color="alternative" onclick={() => (open.early = null)}>Not yet</Button>
  </div>
</form>
