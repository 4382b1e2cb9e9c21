<script lang="ts">
  import type { Board } from '../lib/api/client';

  interface Props {
    title: string;
    about: string;
    empty: string;
    /** What lies in it; null while it is shut. */
    held: Board | null;
    onopen: () => void;
    onback: (id: number) => void;
    /** Erases for good; without it nothing can be. */
    onerase?: (id: number) => void;
    onempty?: () => void;
  }
  const { title, about, empty, held, onopen, onback, onerase, onempty }: Props = $props();
  let sure = $state(false);
  const jobs = $derived(held ? [...held.jobs, ...held.broken] : []);
</script>

<section class="mt-4" aria-label={title}>
  <button class="cursor-pointer font-bold underline" aria-expanded={!!held} onclick={onopen}
    >{held ? `Close: ${title.toLowerCase()}` : title}</button
  >
  {#if held}
    <p class="m-0 mt-1 text-sm text-(--faint)">{about}</p>
    <ul class="m-0 mt-2 flex list-none flex-col gap-2 p-0">
      {#each jobs as put (put.id)}
        <li class="card flex flex-wrap items-center gap-4 px-4 py-2">
          <span class="flex-1 font-bold">{put.name}</span>
          <button class="cursor-pointer font-bold underline" onclick={() => onback(put.id)}
            >Bring {put.name} back</button
          >
          {#if onerase}
            <button
              class="cursor-pointer underline"
              aria-label="Erase {put.name} for good"
              onclick={() => onerase(put.id)}>Erase for good</button
            >
          {/if}
        </li>
      {:else}
        <li>{empty}</li>
      {/each}
    </ul>
    {#if onempty && jobs.length}
      <p class="m-0 mt-2 text-sm">
        {#if sure}
          Erase {jobs.length === 1 ? 'this job' : `these ${jobs.length} jobs`} for good? This cannot be undone.
          <button
            class="cursor-pointer font-bold text-(--fault) underline"
            onclick={() => {
              sure = false;
              onempty();
            }}>Yes, erase</button
          >
          <button class="ml-3 cursor-pointer underline" onclick={() => (sure = false)}>No</button>
        {:else}
          <button class="cursor-pointer underline" onclick={() => (sure = true)}>Empty this drawer</button>
        {/if}
      </p>
    {/if}
  {/if}
</section>
