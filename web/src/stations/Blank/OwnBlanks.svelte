<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Job, StoredBlank } from '../../lib/api/client';
  import { dropBlank, getBlanks, keepBlank, Problem } from '../../lib/api/client';
  import { useLimits } from '../../lib/limits';
  import { settings } from '../../lib/settings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import { showLength } from '../../lib/units';

  const limits = useLimits();

  interface Props {
    open: OpenJob;
    job: Job;
  }
  const { open, job }: Props = $props();

  let blanks = $state.raw<StoredBlank[] | null>(null);
  let name = $state('');

  async function attempt(work: () => Promise<{ blanks: StoredBlank[] }>): Promise<void> {
    try {
      blanks = (await work()).blanks;
    } catch (error) {
      if (error instanceof Problem) open.problem = error;
    }
  }

  $effect(() => void attempt(getBlanks));

  async function keep(event: Event): Promise<void> {
    event.preventDefault();
    const called = name;
    await attempt(async () => {
      // A change of the blank that is still on its way belongs to it.
      await open.settled();
      return keepBlank(job.id, called);
    });
    name = '';
  }
</script>

<Fold title="Your own blanks">
  {#if blanks?.length}
    <ul class="m-0 flex list-none flex-col gap-1 p-0 text-sm">
      {#each blanks as kept (kept.id)}
        <li class="flex items-center gap-2">
          <span class="min-w-0 flex-1">
            <strong>{kept.name}</strong>
            <span class="block text-(--faint)"
              >{kept.surface_name}, {showLength(kept.width, settings.unit)} by {showLength(
                kept.height,
                settings.unit,
              )}</span
            >
          </span>
          <button
            class="cursor-pointer font-bold underline"
            aria-label="Take “{kept.name}” for this job"
            onclick={() => open.takeBlank(kept.id)}>Take</button
          >
          <button
            class="cursor-pointer underline"
            aria-label="Forget “{kept.name}”"
            onclick={() => attempt(() => dropBlank(kept.id))}>Forget</button
          >
        </li>
      {/each}
    </ul>
  {:else if blanks}
    <p class="m-0 text-sm text-(--faint)">None saved yet.</p>
  {/if}
  <form class="flex gap-2" onsubmit={keep}>
    <Input
      size="sm"
      aria-label="Name for this blank"
      placeholder="Save this blank as"
      maxlength={limits('kept.name')?.most}
      bind:value={name}
    />
    <Button size="sm" color="alternative" type="submit" disabled={!name.trim()}>Keep</Button>
  </form>
</Fold>
