<script lang="ts">
  import type { Finding } from '../api/client';
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
    findings: Finding[];
    /** Key of the finding that is looked at. */
    lookedAt: string | null;
  }
  const { ground, findings, lookedAt }: Props = $props();
</script>

{#each findings as finding (finding.key)}
  {#if finding.at}
    <circle
      class="finding {finding.severity}"
      class:lookedat={finding.key === lookedAt}
      cx={ground.px(finding.at[0])}
      cy={ground.px(finding.at[1])}
      r={finding.key === lookedAt ? 14 : 8}
    >
      <title>{finding.message}</title>
    </circle>
  {/if}
{/each}

<style>
  .finding {
    fill: none;
    stroke-width: 3;
    pointer-events: none;
  }
  .finding.lookedat {
    stroke-width: 5;
  }
  .finding.note {
    stroke: #35424a;
    stroke-dasharray: 1 3;
  }
  .finding.stop {
    stroke: var(--color-red-600);
  }
  .finding.warn {
    stroke: var(--color-signal-500);
    stroke-dasharray: 4 3;
  }
</style>
