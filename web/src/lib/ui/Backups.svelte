<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { Backups } from '../api/client';
  import { getBackups, makeBackup, Problem, restoreBackup } from '../api/client';
  import { showBytes, showMoment } from '../units';

  let kept = $state.raw<Backups | null>(null);
  let problem = $state('');
  let busy = $state(false);
  let all = $state(false);
  /** The backup the maker wants to go back to, until that is confirmed. */
  let chosen = $state<string | null>(null);
  const FEW = 5;
  const shown = $derived(all ? (kept?.backups ?? []) : (kept?.backups ?? []).slice(0, FEW));

  const WHYS: Record<string, string> = {
    day: 'of the day',
    hand: 'made by you',
    'before-restore': 'before going back',
  };
  const whyOf = (why: string) => WHYS[why] ?? 'before an update';

  async function act(what: Promise<Backups>): Promise<boolean> {
    busy = true;
    try {
      [kept, problem] = [await what, ''];
      return true;
    } catch (error) {
      problem = error instanceof Problem ? error.message : 'That could not be done.';
      return false;
    } finally {
      busy = false;
    }
  }
  $effect(() => void act(getBackups()));

  async function goBack(name: string): Promise<void> {
    // Everything on the page is of the workshop as it was.
    if (await act(restoreBackup(name))) location.reload();
  }
</script>

<section aria-labelledby="backups-head" class="flex flex-col gap-2">
  <h3 id="backups-head" class="m-0 font-bold">Your workshop’s data</h3>
  {#if kept}
    <p class="m-0 text-sm">
      It lies in <code class="break-all">{kept.folder}</code>: {showBytes(kept.size)}, with {showBytes(
        kept.free,
      )} free on the disk. A backup is made every day you work; the last 14 days and one a month are kept. Download
      one now and then to keep it elsewhere.
    </p>
    <ul class="m-0 flex list-none flex-col gap-1.5 p-0 text-sm" aria-label="Backups">
      {#each shown as backup (backup.name)}
        {@const named = `${showMoment(backup.made_at)}, ${whyOf(backup.why)}`}
        <li>
          <div class="flex flex-wrap items-center gap-x-3">
            <span class="flex-1">{named} <span class="text-(--faint)">({showBytes(backup.size)})</span></span>
            <a class="font-bold underline" href="/api/backups/{backup.name}" download>Download</a>
            <button
              class="cursor-pointer underline"
              aria-label="Go back to {named}"
              aria-expanded={chosen === backup.name}
              onclick={() => (chosen = chosen === backup.name ? null : backup.name)}>Go back to it</button
            >
          </div>
          {#if chosen === backup.name}
            <div class="mt-1 rounded-sm border-2 border-(--signal) p-2">
              <p class="m-0 mb-1">
                The whole workshop becomes what it was then. What is there now is kept as a backup, so you can
                come back.
              </p>
              <Button color="alternative" size="xs" disabled={busy} onclick={() => goBack(backup.name)}
                >Yes, go back</Button
              >
            </div>
          {/if}
        </li>
      {:else}
        <li>There is no backup yet.</li>
      {/each}
    </ul>
    {#if kept.backups.length > FEW}
      <button class="cursor-pointer self-start text-sm underline" onclick={() => (all = !all)}
        >{all ? 'Fewer' : `All ${kept.backups.length}`}</button
      >
    {/if}
  {/if}
  {#if problem}<p class="m-0 text-sm font-bold" role="alert">{problem}</p>{/if}
  <Button color="alternative" size="sm" class="self-start" disabled={busy} onclick={() => act(makeBackup())}
    >Make a backup now</Button
  >
</section>
