<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Spinner from 'flowbite-svelte/Spinner.svelte';
  import { untrack } from 'svelte';
  import type { OpenJob } from './open-job.svelte';
  import type { Remedy } from '../lib/api/client';
  import { getRemedies, Problem } from '../lib/api/client';
  import { settings } from '../lib/settings.svelte';
  import { inTwo } from '../lib/units';
  import StateMark from '../lib/ui/StateMark.svelte';

  /** Anything found in a design that remedies are known for. */
  interface Finding {
    key: string;
    severity: 'stop' | 'warn' | 'note';
    message: string;
  }
  interface Props {
    open: OpenJob;
    findings: Finding[];
    title?: string;
    onlook?: (key: string) => void;
  }
  const { open, findings, title = 'Check before cutting', onlook }: Props = $props();

  const FEW = 1;
  const MARKS = { stop: 'stop', warn: 'warn', note: 'ready' } as const;
  let all = $state(false);
  let remedies = $state.raw<{ key: string; found: Remedy[] | string } | null>(null);
  const shown = $derived(all ? findings : findings.slice(0, FEW));

  async function look(finding: Finding): Promise<void> {
    if (open.finding === finding.key) {
      open.finding = null;
      return;
    }
    open.finding = finding.key;
    onlook?.(finding.key);
    remedies = null;
    if (finding.key.startsWith('notice/')) return;
    try {
      const { remedies: found } = await getRemedies(open.id, settings.unit, finding.key);
      if (open.finding === finding.key) remedies = { key: finding.key, found };
    } catch (error) {
      if (open.finding === finding.key && error instanceof Problem)
        remedies = { key: finding.key, found: error.what };
    }
  }

  let helped = untrack(() => open.help);
  // The main button opens the first thing found, with what helps.
  $effect(() => {
    if (open.help === helped) return;
    helped = open.help;
    const first = findings[0];
    untrack(() => {
      if (first && open.finding !== first.key) void look(first);
    });
  });

  async function apply(finding: Finding, remedy: Remedy): Promise<void> {
    open.finding = null;
    await open.remedy(finding.key, remedy.code);
  }
</script>

{#if findings.length}
  <section aria-label={title}>
    <h3 class="m-0 mb-1 font-bold">{title}</h3>
    <ul class="m-0 flex list-none flex-col gap-1.5 p-0 text-sm">
      {#each shown as finding (finding.key)}
        {@const isOpen = open.finding === finding.key}
        <li>
          <button class="row" aria-expanded={isOpen} onclick={() => look(finding)}>
            <StateMark state={MARKS[finding.severity]} size={16} />
            <span>{isOpen ? finding.message : inTwo(finding.message)[0]}</span>
          </button>
          {#if isOpen && !finding.key.startsWith('notice/')}
            <div class="mt-1 ml-6 flex flex-col gap-1.5" aria-live="polite">
              {#if remedies?.key !== finding.key}
                <p class="m-0 flex items-center gap-2"><Spinner size="4" /> Trying out what helps</p>
              {:else if typeof remedies.found === 'string'}
                <p class="m-0">{remedies.found}</p>
              {:else}
                {#each remedies.found as remedy (remedy.code)}
                  <Button
                    color="alternative"
                    size="xs"
                    class="justify-start text-left"
                    disabled={open.busy > 0}
                    onclick={() => apply(finding, remedy)}
                    ><span>{remedy.label}. <span class="text-(--faint)">{remedy.consequence}</span></span
                    ></Button
                  >
                {:else}
                  <p class="m-0">
                    Nothing we tried helps without causing a problem elsewhere. Change the artwork itself.
                  </p>
                {/each}
              {/if}
            </div>
          {/if}
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

<style>
  .row {
    display: flex;
    width: 100%;
    cursor: pointer;
    align-items: flex-start;
    gap: 0.5rem;
    text-align: left;
  }
  .row:hover span {
    text-decoration: underline;
  }
</style>
