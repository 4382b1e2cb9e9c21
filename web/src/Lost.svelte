<script lang="ts">
  import { link } from 'svelte-spa-router';
</script>

<svelte:head><title>Nothing here - Dunestead</title></svelte:head>

<main class="mx-auto max-w-xl p-10 text-center">
  <h1 class="stamp mb-3 text-3xl">Nothing here</h1>
  <p class="mb-5">There is no page at this address.</p>
  <a class="font-bold underline" href="/" use:link>Back to the board</a>
</main>
