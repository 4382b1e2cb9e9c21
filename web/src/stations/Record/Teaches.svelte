<script lang="ts">
  import { settings } from '../../lib/settings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import { showFigure } from '../../lib/units';
  import type { PanelProps } from '../station';
  import { told } from './told.svelte';

  const { job }: PanelProps = $props();
  const happened = $derived(told.of(job));
  const count = $derived(happened?.lessons.length ?? 0);
</script>

{#if happened}
  <Fold
    title={count ? `What it teaches: ${count === 1 ? '1 figure' : `${count} figures`}` : 'What it teaches'}
  >
    <p class="m-0 text-sm">
      {#if !count}
        Nothing yet: it needs steps ticked as they are done, or minutes and paint written down here.
      {:else if happened.is_closed}
        Later plans go by it, as far as your other jobs agree.
      {:else}
        Later plans go by it once you tick the record off.
      {/if}
      <a class="font-bold underline" href="#/figures">All your figures</a>
    </p>
    {#if count}
      <ul class="m-0 flex list-none flex-col p-0 text-sm">
        {#each happened.lessons as lesson (lesson.about)}
          <li class="grid grid-cols-[1fr_auto] gap-x-3 border-t border-(--line) py-1">
            <span>{lesson.about}</span>
            <span class="text-right"
              ><strong>{showFigure(lesson.value, lesson.unit, settings.unit)}</strong><br /><span
                class="text-(--faint)">table {showFigure(lesson.table, lesson.unit, settings.unit)}</span
              ></span
            >
          </li>
        {/each}
      </ul>
    {/if}
  </Fold>
{/if}
