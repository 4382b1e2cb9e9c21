<script lang="ts">
  import Archive from '@lucide/svelte/icons/archive';
  import type { Broken } from '../lib/api/client';
  import StateMark from '../lib/ui/StateMark.svelte';

  interface Props {
    broken: Broken;
    onputaway: () => void;
  }
  const { broken, onputaway }: Props = $props();
</script>

<article class="card relative flex flex-col gap-2 border-2 border-(--fault) p-4">
  <h2 class="stamp m-0 pr-10 text-xl">
    <a class="after:absolute after:inset-0" href="#/job/{broken.id}">{broken.name}</a>
  </h2>
  <p class="m-0 flex items-start gap-2"><StateMark state="stop" /> <strong>{broken.what}</strong></p>
  <p class="m-0 mt-auto font-bold">Open it to mend it.</p>
  <button
    class="absolute top-2 right-2 z-10 cursor-pointer rounded-md bg-(--sheet) p-2 text-(--ink)"
    aria-label="Put {broken.name} away"
    title="Put away"
    onclick={onputaway}><Archive size={16} /></button
  >
</article>
