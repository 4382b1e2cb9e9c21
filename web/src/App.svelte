<script lang="ts">
  import Router from 'svelte-spa-router';
  import Board from './board/Board.svelte';
  import JobPage from './job/JobPage.svelte';
  import Lost from './Lost.svelte';
  import { settings } from './lib/settings.svelte';
  import WaitingCard from './lib/ui/WaitingCard.svelte';

  const routes = { '/': Board, '/job/:id': JobPage, '/job/:id/:station': JobPage, '*': Lost };

  $effect(() => {
    document.documentElement.classList.toggle('dark', settings.dark);
  });
</script>

<Router {routes} />
<WaitingCard />
