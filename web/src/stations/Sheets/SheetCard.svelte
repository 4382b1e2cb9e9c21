<script lang="ts">
  import FileLink from '../../lib/ui/FileLink.svelte';
  import type { Sheet, Sheets, Unit } from '../../lib/api/client';
  import { showLength, showMinutes } from '../../lib/units';

  interface Props {
    sheet: Sheet;
    sheets: Sheets;
    jobId: number;
    unit: Unit;
    /** Files are held back: something red stands in the way. */
    shut: boolean;
    /** What an address says when they are wanted all the same. */
    asked: string;
    oncut: () => void;
  }
  const { sheet, sheets, jobId, unit, shut, asked, oncut }: Props = $props();
  /** The types most cutters read stand first; the others are folded away. */
  const FEW = 2;
  let others = $state(false);
  const trim = $derived(sheets.trims.trims.find((one) => one.sheet === sheet.number));
</script>

{#snippet file([key, name]: [string, string])}
  {#if shut}
    <span class="text-(--faint)">{name}</span>
  {:else}
    <FileLink href="/api/jobs/{jobId}/sheets/{sheet.number}.{key}?{asked.slice(1)}">{name}</FileLink>
  {/if}
{/snippet}

<li class="card p-2 text-sm">
  <p class="m-0 text-base font-bold">
    Sheet {sheet.number} of {sheets.sheets.length}{sheet.runs > 1
      ? `, cut ${sheet.runs} times`
      : ''}{sheet.mirrored ? ', mirrored' : ''}
  </p>
  <p class="m-0">
    {#if trim}Needs {showLength(trim.across, unit)} by {showLength(trim.along, unit)}{:else}{showLength(
        sheet.width,
        unit,
      )} by {showLength(sheet.height, unit)}{/if}<span class="text-(--faint)"
      >; {sheets.by_hand ? 'about' : 'cuts in'} {showMinutes(sheet.seconds / 60)}</span
    >
  </p>
  {#if sheet.faults.length}
    <p class="m-0 font-bold text-(--fault)">{sheet.faults[0]}</p>
  {/if}
  <p class="m-0 flex flex-wrap gap-x-3 gap-y-1" aria-label="Files of sheet {sheet.number}">
    {#each sheets.formats.slice(0, FEW) as format (format[0])}{@render file(format)}{/each}
    {#if !sheets.by_hand}
      <button class="cursor-pointer font-bold text-(--signal-ink) underline" disabled={shut} onclick={oncut}
        >Cut it</button
      >
    {/if}
    {#if others}
      {#each sheets.formats.slice(FEW) as format (format[0])}{@render file(format)}{/each}
    {:else}
      <button
        class="cursor-pointer underline"
        aria-label="More types of sheet {sheet.number}"
        onclick={() => (others = true)}>More types</button
      >
    {/if}
  </p>
</li>
