<script lang="ts">
  import Checkbox from 'flowbite-svelte/Checkbox.svelte';
  import { Problem, setHours, type Hours } from '../../lib/api/client';
  import Fold from '../../lib/ui/Fold.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';

  interface Props {
    hours: Hours;
    onchanged: () => void;
  }
  const { hours, onchanged }: Props = $props();

  const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
  let problem = $state('');

  async function set(entries: Partial<Hours>): Promise<void> {
    try {
      await setHours({ ...hours, ...entries });
      problem = '';
      onchanged();
    } catch (error) {
      problem = error instanceof Problem ? error.message : 'It could not be saved.';
    }
  }
  const tick = (day: number) =>
    set({ days: hours.days.includes(day) ? hours.days.filter((one) => one !== day) : [...hours.days, day] });
</script>

<Fold title="Hours at the bench">
  <div class="grid grid-cols-2 gap-3">
    <NumberField
      label="From, hour of the clock"
      entry="hours.day_from"
      value={hours.day_from}
      onchange={(from) => from !== null && set({ day_from: from })}
    />
    <NumberField
      label="Until"
      entry="hours.day_until"
      value={hours.day_until}
      onchange={(until) => until !== null && set({ day_until: until })}
    />
  </div>
  <div class="mt-2 flex flex-wrap gap-x-3 gap-y-1">
    {#each DAYS as name, day (name)}
      <Checkbox
        checked={hours.days.includes(day)}
        onclick={(event: MouseEvent) => {
          // The tick shows what was kept, not what was clicked.
          event.preventDefault();
          void tick(day);
        }}>{name}</Checkbox
      >
    {/each}
  </div>
  <p class="m-0 mt-1 text-sm text-(--faint)">Used for all jobs. Paint dries at night, too.</p>
  {#if problem}<p class="m-0 text-sm font-bold" role="alert">{problem}</p>{/if}
</Fold>
