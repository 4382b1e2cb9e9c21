<script lang="ts">
  import Router from 'svelte-spa-router';
  import { wrap } from 'svelte-spa-router/wrap';
  import Board from './board/Board.svelte';
  import SignIn from './SignIn.svelte';
  import Lost from './Lost.svelte';
  import { keepFocus } from './lib/keep-focus';
  import { onSignedOut } from './lib/api/client';
  import { session } from './lib/session.svelte';
  import { settings } from './lib/settings.svelte';
  import WaitingCard from './lib/ui/WaitingCard.svelte';

  // The board is there at once; what a job needs comes with the first job that is opened.
  const job = wrap({ asyncComponent: () => import('./job/JobPage.svelte') });
  const figures = wrap({ asyncComponent: () => import('./figures/Figures.svelte') });
  const routes = {
    '/': Board,
    '/job/:id': job,
    '/job/:id/:station': job,
    '/figures': figures,
    '/stores': wrap({ asyncComponent: () => import('./stores/StoresPage.svelte') }),
    '/recipes': wrap({ asyncComponent: () => import('./recipes/RecipesPage.svelte') }),
    '/year': wrap({ asyncComponent: () => import('./year/YearPage.svelte') }),
    '/price/:id': wrap({ asyncComponent: () => import('./price/Price.svelte') }),
    '*': Lost,
  };

  // Nothing of the workshop is asked for before it is known whether one may.
  void session.ask();
  onSignedOut(() => session.ended());
  const invitation = location.hash.startsWith('#/enter/') ? location.hash.slice('#/enter/'.length) : '';

  $effect(() => {
    document.documentElement.classList.toggle('dark', settings.dark);
  });
</script>

<div class="contents" {@attach keepFocus}>
  {#if session.isOut}
    <SignIn {invitation} />
  {:else if session.state || session.problem}
    <Router {routes} />
  {/if}
  <WaitingCard />
</div>
