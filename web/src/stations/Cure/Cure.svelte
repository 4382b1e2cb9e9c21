<script lang="ts">
  import FileLink from '../../lib/ui/FileLink.svelte';
  import type { Hours } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import { showMoment } from '../../lib/units';
  import type { PanelProps } from '../station';
  import Fold from '../../lib/ui/Fold.svelte';
  import HoursForm from './HoursForm.svelte';
  import { rack } from './rack.svelte';
  import Timeline from './Timeline.svelte';

  const { open, job }: PanelProps = $props();

  $effect(() => void rack.fetch(job));
  const room = $derived(rack.room);
  const file = (name: string) => `/api/jobs/${open.id}/${name}?unit=${settings.unit}`;
</script>

{#if rack.problem}<p class="m-0 font-bold" role="alert">{rack.problem}</p>{/if}
{#if room}
  {#if room.by}
    <section class="card p-3" aria-label="Ready in time?">
      <p class="m-0 font-bold" data-meets={room.by.meets}>{room.by.meets ? '✓' : '✗'} {room.by.summary}</p>
      {#if room.by.latest}
        <p class="m-0 text-sm">Go on by <strong>{showMoment(room.by.latest)}</strong> at the latest.</p>
      {/if}
      {#if room.by.helps.length}
        <p class="m-0 mt-1 text-sm">What would help:</p>
        <ul class="m-0 pl-5 text-sm">
          {#each room.by.helps as help (help.label)}
            <li>
              {help.meets ? '✓' : ''}
              {help.label}: ready {showMoment(help.ready)}{help.meets ? '' : ', still too late'}
            </li>
          {/each}
        </ul>
      {/if}
    </section>
  {:else if room.ready}
    <p class="m-0 text-sm">
      Gone on with now, all is in use from <strong>{showMoment(room.ready)}</strong>. Give it a due date at
      Blank to see how late you may begin.
    </p>
  {/if}
  {#if room.events.length}
    <Fold title="All times on one axis" printed><Timeline {room} /></Fold>
  {/if}
  <HoursForm hours={room.hours as Hours} onchanged={() => void rack.fetch(job)} />
{/if}
<Fold title="Care cards, calendar">
  <p class="m-0 flex flex-col gap-1 text-sm">
    <FileLink href={file('care-cards-a4.pdf')}>Care cards on A4</FileLink>
    <FileLink href={file('care-cards-letter.pdf')}>Care cards on Letter</FileLink>
    <FileLink href={file('times.ics')}>Times for your calendar</FileLink>
  </p>
</Fold>
