<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import { waiting } from '../waiting.svelte';

  const now = $derived(waiting.now);
  const percent = $derived(Math.round((now?.share ?? 0) * 100));
</script>

{#if now}
  <section
    class="card fixed bottom-4 left-1/2 z-50 flex w-96 max-w-[92vw] -translate-x-1/2 items-center gap-4 p-4 shadow-lg print:hidden"
    aria-label="Work under way"
  >
    <div class="min-w-0 flex-1">
      <p class="m-0 mb-2 flex justify-between gap-3">
        <span class="font-bold" role="status">{now.what}</span>
        {#if percent > 0}<span class="text-(--faint)">{percent} %</span>{/if}
      </p>
      {#if percent > 0}
        <progress class="block w-full" max="100" value={percent} aria-label={now.what}></progress>
      {:else}
        <progress class="block w-full" aria-label={now.what}></progress>
      {/if}
    </div>
    <Button color="alternative" size="sm" disabled={waiting.stopping} onclick={waiting.stop}>
      {waiting.stopping ? 'Stopping' : 'Stop'}
    </Button>
  </section>
{/if}

<style>
  progress {
    appearance: none;
    height: 0.6rem;
    border: 0;
    border-radius: 0.3rem;
    background: var(--line);
  }
  progress::-webkit-progress-bar {
    border-radius: 0.3rem;
    background: var(--line);
  }
  progress::-webkit-progress-value {
    border-radius: 0.3rem;
    background: var(--grass);
  }
  progress::-moz-progress-bar {
    border-radius: 0.3rem;
    background: var(--grass);
  }
  progress:indeterminate {
    background: repeating-linear-gradient(115deg, var(--grass) 0 10px, var(--line) 10px 20px);
  }
  progress:indeterminate::-webkit-progress-bar {
    background: repeating-linear-gradient(115deg, var(--grass) 0 10px, var(--line) 10px 20px);
  }
</style>
