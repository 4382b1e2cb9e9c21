<script lang="ts">
  import type { Finding } from '../../lib/api/client';
  import StateMark from '../../lib/ui/StateMark.svelte';

  interface Props {
    findings: Finding[];
  }
  const { findings }: Props = $props();

  const FEW = 6;
  let all = $state(false);
  const shown = $derived(all ? findings : findings.slice(0, FEW));
</script>

{#if findings.length}
  <section aria-label="Findings">
    <h3 class="m-0 mb-1 font-bold">To know before cutting</h3>
    <ul class="m-0 flex list-none flex-col gap-1.5 p-0 text-sm">
      {#each shown as finding, index (index)}
        <li class="flex items-start gap-2">
          <StateMark state={finding.severity === 'note' ? 'ready' : finding.severity} size={16} />
          <span>{finding.message}</span>
        </li>
      {/each}
    </ul>
    {#if findings.length > FEW}
      <button class="mt-1 cursor-pointer text-sm underline" onclick={() => (all = !all)}>
        {all ? 'Fewer' : `All ${findings.length}`}
      </button>
    {/if}
  </section>
{/if}
