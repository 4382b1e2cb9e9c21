<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import { session } from './lib/session.svelte';
  import MainButton from './lib/ui/MainButton.svelte';

  interface Props {
    /** Of an invitation that was opened on this device; empty without one. */
    invitation: string;
  }
  const { invitation }: Props = $props();

  const id = $props.id();
  let passphrase = $state('');
  let by = $state('');
  let busy = $state(false);
  /** The key did not open: then only the passphrase does. */
  let spent = $state(false);
  const byKey = $derived(invitation !== '' && !spent);

  async function enter(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    const isIn = await (byKey ? session.useKey(invitation, by) : session.signIn(passphrase, by));
    [busy, passphrase] = [false, ''];
    if (isIn && invitation) location.hash = '#/';
    if (!isIn && byKey) spent = true;
  }
</script>

<svelte:head><title>Sign in - Dunestead</title></svelte:head>

<main class="mx-auto mt-[12vh] flex max-w-md flex-col gap-4 p-4">
  <p class="stamp m-0 flex items-center gap-3 text-3xl text-(--grass)">
    <img src="/mark.svg" alt="" class="h-10 w-10" />Dunestead
  </p>
  <form class="card flex flex-col gap-4 p-5" onsubmit={enter}>
    <h1 class="m-0 text-xl font-bold">Sign in to the workshop</h1>
    {#if byKey}
      <p class="m-0 text-sm">This device was invited. Say who you are, and you are in.</p>
    {:else}
      <div>
        <Label for="{id}-words" class="mb-1 text-sm text-(--ink)">Passphrase</Label>
        <Input
          id="{id}-words"
          type="password"
          autocomplete="current-password"
          maxlength={500}
          required
          bind:value={passphrase}
        />
      </div>
    {/if}
    <div>
      <Label for="{id}-by" class="mb-1 text-sm text-(--ink)">Your first name (for the log, optional)</Label>
      <Input id="{id}-by" autocomplete="given-name" maxlength={40} bind:value={by} />
    </div>
    {#if session.problem}<p class="m-0 font-bold text-(--fault)" role="alert">{session.problem}</p>{/if}
    <MainButton type="submit" disabled={busy}>{busy ? 'One moment' : 'Sign in'}</MainButton>
  </form>
  <p class="m-0 text-sm text-(--faint)">
    Whoever keeps the workshop’s computer has chosen the passphrase, and can invite this device by a picture
    to scan: <em>Settings</em>, <em>Other devices</em>.
  </p>
</main>
