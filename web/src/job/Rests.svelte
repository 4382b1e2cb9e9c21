<script lang="ts">
  import { has, type Task } from '../lib/api/client';
  import type { OpenJob } from './open-job.svelte';

  interface Props {
    task: Task;
    call: NonNullable<Task['call']>;
    open: OpenJob;
  }
  const { task, call, open }: Props = $props();

  /** Whether a click marks what lifted, and not what is pressed. */
  let marking = $state(false);
  const isPressed = (number: number) => String(number) in call.answered;
  const pressed = $derived(call.numbers.filter(isPressed).length);
  const again = $derived(has(task, 'presses-again'));

  function click(number: number): void {
    if (marking) void open.lift(task.id, [number], !call.lifted.includes(number));
    else void open.call(task.id, [number], !isPressed(number));
  }
  const label = (number: number): string => {
    const said = [isPressed(number) ? 'pressed' : 'not pressed yet'];
    if (call.lifted.includes(number)) said.push(again ? 'lifted before' : 'lifted here');
    return `Rest ${number}, ${said.join(', ')}`;
  };
</script>

<fieldset class="m-0 border-0 p-0">
  <legend class="mb-1 text-sm">
    <strong>{pressed} of {call.numbers.length}</strong> pressed{call.lifted.length
      ? `; lifted at ${call.lifted.join(', ')}`
      : ''}
  </legend>
  <div class="flex flex-wrap gap-1.5">
    {#each call.numbers as number (number)}
      <button
        class="number stamp"
        class:present={isPressed(number)}
        class:lifted={call.lifted.includes(number)}
        aria-pressed={marking ? call.lifted.includes(number) : isPressed(number)}
        aria-label={label(number)}
        onclick={() => click(number)}
        >{number}{isPressed(number) ? ' ✓' : ''}{call.lifted.includes(number) ? ' ↑' : ''}</button
      >
    {/each}
  </div>
  {#if !again}
    <label class="mt-2 flex items-center gap-2 text-sm">
      <input type="checkbox" bind:checked={marking} /> Mark where it lifts: those are pressed again
    </label>
  {/if}
</fieldset>
