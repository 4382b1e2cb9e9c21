<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    open: OpenJob;
    copy: number;
    copies: number;
  }
  const { open, copy, copies }: Props = $props();
  const id = $props.id();
  const turn = (to: number) => void open.turnTo(Math.min(Math.max(to, 1), copies));
</script>

<div class="no-print flex items-center gap-2" role="group" aria-label="Which copy is shown">
  <Button
    size="xs"
    color="alternative"
    disabled={copy <= 1}
    aria-label="Copy before"
    onclick={() => turn(copy - 1)}>‹</Button
  >
  <label class="text-sm" for="{id}-copy">Copy</label>
  <input
    id="{id}-copy"
    class="w-16 rounded-lg border border-(--line) bg-(--sheet) px-2 py-1 text-right"
    type="number"
    min="1"
    max={copies}
    value={copy}
    onchange={(event) => event.currentTarget.reportValidity() && turn(event.currentTarget.valueAsNumber)}
  />
  <span class="text-sm">of {copies}</span>
  <Button
    size="xs"
    color="alternative"
    disabled={copy >= copies}
    aria-label="Copy after"
    onclick={() => turn(copy + 1)}>›</Button
  >
</div>
