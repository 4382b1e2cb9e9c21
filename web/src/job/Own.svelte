<script lang="ts">
  import Fold from '../lib/ui/Fold.svelte';

  interface Props {
    /** Figures that are reckoned with here, as own jobs taught them. */
    learnt: string[];
  }
  const { learnt }: Props = $props();
</script>

{#if learnt.length}
  <Fold title="Reckoned by your own jobs">
    <ul class="m-0 flex list-none flex-col gap-1.5 p-0 text-sm">
      {#each learnt as said (said)}<li>{said}</li>{/each}
    </ul>
    <p class="m-0 text-sm"><a class="font-bold underline" href="#/figures">See the values behind it</a></p>
  </Fold>
{/if}
