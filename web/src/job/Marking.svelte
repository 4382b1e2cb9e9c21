<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import type { Marking, MarkKind, Task } from '../lib/api/client';
  import OneOf from '../lib/ui/OneOf.svelte';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    task: Task;
    marking: Marking;
    open: OpenJob;
  }
  const { task, marking, open }: Props = $props();

  let kind = $state<MarkKind>();
  let window = $state('1');
  const what = $derived(kind ?? marking.kinds[0]?.key);
  const place = $derived(marking.windows.find((one) => String(one.number) === window));
  const isPointing = $derived(open.marking?.task === marking.task);

  function point(): void {
    open.marking = isPointing || !what ? null : { task: marking.task, what };
  }
</script>

<div class="mt-2 flex flex-col gap-2 pl-6 text-sm">
  {#if what && !task.done_at}
    <div class="flex flex-wrap items-end gap-2">
      <div class="w-28">
        <OneOf
          label="What did you see?"
          value={what}
          of={marking.kinds.map((one) => [one.key, one.name] as const)}
          onchange={(key) => {
            kind = key;
            if (isPointing) open.marking = { task: marking.task, what: key };
          }}
        />
      </div>
      {#if marking.windows.length}
        <div class="w-24">
          <OneOf
            label="In window"
            value={window}
            of={marking.windows.map((one) => [String(one.number), String(one.number)] as const)}
            onchange={(number) => (window = number)}
          />
        </div>
        <Button
          color="alternative"
          size="xs"
          onclick={() => place && what && open.mark(marking.task, what, place.at)}>Mark it</Button
        >
      {/if}
      <Button color="alternative" size="xs" aria-pressed={isPointing} onclick={point}
        >{isPointing ? 'Now click the place' : 'Click it in the picture'}</Button
      >
    </div>
  {/if}
  {#if marking.marks.length}
    <ul class="m-0 flex list-none flex-col gap-1 p-0">
      {#each marking.marks as mark (`${mark.marked} ${mark.number}`)}
        <li class="flex items-start gap-2">
          <button
            class="number stamp"
            class:present={mark.mended}
            aria-pressed={mark.mended}
            aria-label="{mark.what} {mark.number}, {mark.mended ? 'seen to' : 'open'}"
            onclick={() =>
              mark.marked
                ? open.mend(marking.task, mark.number, !mark.mended)
                : open.call(task.id, [mark.number], !mark.mended)}
            >{mark.number}{mark.mended ? ' ✓' : ''}</button
          >
          <span class="flex-1"><strong>{mark.marked ? `${mark.what}.` : ''}</strong> {mark.text}</span>
          {#if mark.marked && !task.done_at}
            <button
              class="cursor-pointer underline"
              aria-label="Take mark {mark.number} back"
              onclick={() => open.unmark(marking.task, mark.number)}>take back</button
            >
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</div>
