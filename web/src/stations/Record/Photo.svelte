<script lang="ts">
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { Job, PhotoOf } from '../../lib/api/client';

  interface Props {
    open: OpenJob;
    job: Job;
    when: PhotoOf;
    /** What it shows, for those who hear the page. */
    name: string;
  }
  const { open, job, when, name }: Props = $props();

  const has = $derived(job.record.photos.includes(when));
  function take(event: Event): void {
    const field = event.currentTarget as HTMLInputElement;
    const file = field.files?.[0];
    if (file) void open.photograph(when, file).finally(() => (field.value = ''));
  }
</script>

{#if has}
  <!-- The version is in the address, so that another photo in its place is seen at once. -->
  <a href="/api/jobs/{job.id}/photos/{when}.jpg" target="_blank" rel="noopener"
    ><img
      class="max-h-40 w-full rounded object-cover"
      src="/api/jobs/{job.id}/photos/{when}.jpg?small=true&version={job.version}"
      alt="Photo of {name}, larger when opened"
    /></a
  >
{/if}
<p class="m-0 flex flex-wrap gap-x-3 text-sm">
  <label class="cursor-pointer underline focus-within:outline-3 focus-within:outline-(--signal)"
    >{has ? 'Another photo' : 'Add a photo'}<span class="sr-only"> of {name}</span><input
      class="sr-only"
      type="file"
      accept="image/*"
      onchange={take}
    /></label
  >
  {#if has}
    <button
      class="cursor-pointer underline"
      aria-label="Remove the photo of {name}"
      onclick={() => void open.dropPhoto(when)}>Remove</button
    >
  {/if}
</p>
