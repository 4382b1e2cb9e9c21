<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Catalogue, Job, Part } from '../../lib/api/client';
  import DrawnEditor from './DrawnEditor.svelte';
  import FrameEditor from './FrameEditor.svelte';
  import PlaceEditor from './PlaceEditor.svelte';
  import RepeatEditor from './RepeatEditor.svelte';
  import TraceEditor from './TraceEditor.svelte';
  import WordsEditor from './WordsEditor.svelte';

  interface Props {
    open: OpenJob;
    job: Job;
    catalogue: Catalogue;
    part: Part;
  }
  const { open, job, catalogue, part }: Props = $props();
</script>

<section class="card flex flex-col gap-3 p-3" aria-label="{part.name}: entries">
  <h3 class="m-0 truncate font-bold">{part.name}</h3>
  {#if part.words}<WordsEditor {open} {job} {catalogue} {part} words={part.words} />{/if}
  {#if part.trace}<TraceEditor {open} jobId={job.id} {part} trace={part.trace} />{/if}
  {#if part.parts.length}<DrawnEditor {open} {part} />{/if}
  {#if part.frame}<FrameEditor {open} {part} frame={part.frame} />{/if}
  {#if !part.frame}
    <PlaceEditor {open} {part} />
    <RepeatEditor {open} {part} />
  {:else}
    <button
      class="cursor-pointer self-start text-sm font-bold underline"
      onclick={() => open.dropPart(part.id)}>Remove the frame</button
    >
  {/if}
</section>
