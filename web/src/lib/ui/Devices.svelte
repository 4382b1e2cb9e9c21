<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { Invitation } from '../api/client';
  import { invite, Problem } from '../api/client';
  import { session } from '../session.svelte';

  let shown = $state.raw<Invitation | null>(null);
  let problem = $state('');

  async function show(): Promise<void> {
    try {
      [shown, problem] = [await invite(), ''];
    } catch (error) {
      problem = error instanceof Problem ? error.message : 'That could not be done.';
    }
  }
</script>

<section aria-labelledby="devices-head" class="flex flex-col items-start gap-2">
  <h3 id="devices-head" class="m-0 font-bold">Other devices</h3>
  {#if session.state?.guarded}
    <p class="m-0 text-sm">
      {session.state.by ? `You are signed in as ${session.state.by}.` : 'You are signed in.'} A tablet in the same
      network comes in by scanning a picture; it works once, for a few minutes.
    </p>
    {#if shown}
      <!-- Made by the workshop itself, of an address alone. -->
      <img class="h-48 w-48" alt="Scan with the tablet’s camera: {shown.address}" src={shown.picture} />
      <p class="m-0 text-sm break-all" role="status">
        Or open <strong>{shown.address}</strong> there, within {shown.minutes} minutes.
      </p>
    {/if}
    <div class="flex flex-wrap gap-2">
      <Button color="alternative" size="sm" onclick={show}
        >{shown ? 'Show a new one' : 'Invite a tablet'}</Button
      >
      <Button color="alternative" size="sm" onclick={() => session.signOut(false)}>Sign out</Button>
      <Button color="alternative" size="sm" onclick={() => session.signOut(true)}>Sign out everywhere</Button>
    </div>
  {:else}
    <p class="m-0 text-sm">
      The workshop listens to this machine alone. To open it on a tablet, set a passphrase with
      <code>dunestead passphrase</code>, then start it with <code>dunestead serve --host 0.0.0.0</code>.
    </p>
  {/if}
  {#if problem}<p class="m-0 text-sm font-bold" role="alert">{problem}</p>{/if}
</section>
