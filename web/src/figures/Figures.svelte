<script lang="ts">
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { push } from 'svelte-spa-router';
  import * as api from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import type { Shortcut } from '../lib/shortcuts';
  import ProblemNote from '../lib/ui/ProblemNote.svelte';
  import TopBar from '../lib/ui/TopBar.svelte';
  import Figure from './Figure.svelte';

  let learning = $state.raw<api.Learning | null>(null);
  let problem = $state.raw<api.Problem | null>(null);

  async function act(what: Promise<api.Learning>): Promise<void> {
    try {
      [learning, problem] = [await what, null];
    } catch (error) {
      problem =
        error instanceof api.Problem
          ? error
          : new api.Problem('Your figures could not be loaded.', 'Try again.');
    }
  }
  const undo = () => void (learning?.can_undo && act(api.undoLearning(settings.unit)));
  const shortcuts: Shortcut[] = [
    { keys: 'B', about: 'Back to the board', run: () => void push('/') },
    { keys: 'Ctrl Z', about: 'Take the last choice back', run: undo },
  ];
  $effect(() => void act(api.getLearning(settings.unit)));
</script>

<svelte:head><title>Your figures - Dunestead</title></svelte:head>
<TopBar {shortcuts}><h1 class="m-0 truncate text-lg font-bold">Your figures</h1></TopBar>

<main class="mx-auto flex max-w-5xl flex-col gap-4 p-4">
  {#if problem}<ProblemNote {problem} onclose={() => (problem = null)} />{/if}
  <div class="flex flex-wrap items-start gap-3">
    <p class="m-0 max-w-3xl flex-1">
      What your finished jobs say, beside the table that Dunestead ships with. One job moves a figure part of
      the way, several that agree move it all the way, and a value far from the others hardly counts. Plans,
      prices and times go by the large figure.
    </p>
    <button class="underline disabled:opacity-50" disabled={!learning?.can_undo} onclick={undo}
      >Take the last choice back</button
    >
  </div>
  {#if learning}
    {#each learning.figures as figure (figure.key)}
      <Figure
        {figure}
        onchange={(change) => void act(api.setLearning({ key: figure.key, ...change }, settings.unit))}
      />
    {:else}
      <section class="card p-6">
        <h2 class="m-0 mb-1 text-lg font-bold">Nothing is learnt yet</h2>
        <p class="m-0">
          Tick steps off as you do them, and tick the record of a job off when it is done. From then on your
          own times and amounts stand here, and are reckoned with.
        </p>
        <p class="m-0 mt-2"><a class="font-bold underline" href="#/">Back to the board</a></p>
      </section>
    {/each}
  {:else if !problem}
    <p class="flex items-center gap-3 p-6" role="status"><Spinner size="6" /> Fetching your figures</p>
  {/if}
</main>
