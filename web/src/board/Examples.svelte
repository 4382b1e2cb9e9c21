<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import { getExamples } from '../lib/api/client';

  interface Props {
    onopen: (key: string) => void;
  }
  const { onopen }: Props = $props();
</script>

<section class="mb-5" aria-label="Welcome">
  <h2 class="stamp m-0 mb-1 text-2xl">Welcome to your workshop</h2>
  <p class="m-0 mb-3 max-w-prose">
    Dunestead takes a design from the bare mat, shirt or towel to the finished print: it checks whether the
    lettering holds, finds the loose centres, makes the files for your cutter and says when to paint, peel and
    wash. Type a few words below to start, or open an example and look around.
  </p>
  {#await getExamples() then { examples }}
    <p class="m-0 flex flex-wrap gap-2">
      {#each examples as example (example.key)}
        <Button color="alternative" size="sm" onclick={() => onopen(example.key)}>Open: {example.name}</Button
        >
      {/each}
    </p>
  {:catch}
    <p class="m-0 text-sm">The examples cannot be fetched just now; you can start with words all the same.</p>
  {/await}
</section>
