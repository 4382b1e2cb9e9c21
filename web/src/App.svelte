<script lang="ts">
  import Router from 'svelte-spa-router';
  import { wrap } from 'svelte-spa-router/wrap';
  import Board from './board/Board.svelte';
  import Lost from './Lost.svelte';
  import { keepFocus } from './lib/keep-focus';
  import { settings } from './lib/settings.svelte';
  import WaitingCard from './lib/ui/WaitingCard.svelte';

  // The board is there at once; what a job needs comes with the first job that is opened.
  const job = wrap({ asyncComponent: () => import('./job/JobPage.svelte') });
  const routes = { '/': Board, '/job/:id': job, '/job/:id/:station': job, '*': Lost };

  $effect(() => {
    document.documentElement.classList.toggle('dark', settings.dark);
  });
</script>

<div class="contents" {@attach keepFocus}>
  <Router {routes} />
  <WaitingCard />
</div>
