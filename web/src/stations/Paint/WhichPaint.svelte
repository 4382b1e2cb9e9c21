<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { PaintFit } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';

  interface Props {
    choices: PaintFit[];
    /** Keys of the paints in use. */
    used: string[];
    onchoose: (paint: string) => void;
  }
  const { choices, used, onchoose }: Props = $props();

  const fitting = $derived(choices.filter((one) => one.allowed));
  const others = $derived(choices.filter((one) => !one.allowed));
  const points = (by: number) => (by > 0 ? `+${by}` : `\u2212${-by}`);
</script>

<Fold title="Which paint?">
  <ol class="m-0 flex list-none flex-col gap-2 p-0">
    {#each fitting as fit (fit.key)}
      {@const isUsed = used.includes(fit.key)}
      <li class="card p-2 text-sm">
        <div class="flex items-center gap-2">
          <strong class="flex-1">{isUsed ? '✓ ' : ''}{fit.name}</strong>
          <span class="stamp" title="Points">{fit.score}</span>
          {#if !isUsed}
            <Button color="alternative" size="xs" onclick={() => onchoose(fit.key)}
              >Paint with it<span class="sr-only">: {fit.name}</span></Button
            >
          {/if}
        </div>
        <p class="m-0 text-(--faint)">
          {fit.parts.map((part) => `${points(part.points)} ${part.why}`).join(' ')}
        </p>
      </li>
    {/each}
  </ol>
  {#if others.length}
    <p class="m-0 mt-3 mb-1 text-sm font-bold">Does not work here</p>
    <ul class="m-0 pl-4 text-sm">
      {#each others as fit (fit.key)}<li><strong>{fit.name}.</strong> {fit.why.join(' ')}</li>{/each}
    </ul>
  {/if}
</Fold>
