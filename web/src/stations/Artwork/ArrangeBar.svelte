<script lang="ts">
  import AlignCenterHorizontal from '@lucide/svelte/icons/align-center-horizontal';
  import AlignCenterVertical from '@lucide/svelte/icons/align-center-vertical';
  import AlignEndHorizontal from '@lucide/svelte/icons/align-end-horizontal';
  import AlignEndVertical from '@lucide/svelte/icons/align-end-vertical';
  import AlignStartHorizontal from '@lucide/svelte/icons/align-start-horizontal';
  import AlignStartVertical from '@lucide/svelte/icons/align-start-vertical';
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Arrangement } from '../../lib/api/client';

  interface Props {
    open: OpenJob;
    /** How many parts there are to arrange. */
    count: number;
  }
  const { open, count }: Props = $props();

  const ALIGN: [Arrangement, string, typeof AlignStartVertical][] = [
    ['left', 'Left edges in line', AlignStartVertical],
    ['middle', 'Middles over each other', AlignCenterVertical],
    ['right', 'Right edges in line', AlignEndVertical],
    ['top', 'Top edges in line', AlignStartHorizontal],
    ['centre', 'Middles side by side', AlignCenterHorizontal],
    ['bottom', 'Bottom edges in line', AlignEndHorizontal],
  ];
  const WORDS: [Arrangement, string][] = [
    ['blank-middle', 'Centre across'],
    ['blank-centre', 'Centre down'],
  ];
  const SPREAD: [Arrangement, string][] = [
    ['spread-across', 'Even gaps across'],
    ['spread-down', 'Even gaps down'],
  ];
  const some = $derived(open.arranged.length || count);
</script>

<section aria-label="Arrange parts">
  <h3 class="m-0 mb-1 font-bold">
    Arrange {open.arranged.length ? `the ${open.arranged.length} chosen` : 'all'} parts
  </h3>
  <div class="flex flex-wrap gap-1.5">
    {#each ALIGN as [how, about, Icon] (how)}
      <Button color="alternative" size="xs" title={about} onclick={() => open.arrange(open.arranged, how)}
        ><Icon size={15} aria-hidden="true" /><span class="sr-only">{about}</span></Button
      >
    {/each}
    {#each [...WORDS, ...(some > 2 ? SPREAD : [])] as [how, about] (how)}
      <Button color="alternative" size="xs" onclick={() => open.arrange(open.arranged, how)}>{about}</Button>
    {/each}
  </div>
</section>
