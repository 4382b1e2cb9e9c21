<script lang="ts">
  import { onMount } from 'svelte';
  import { SvelteMap } from 'svelte/reactivity';
  import type { FacePreview, FaceRow, Part } from '../../lib/api/client';
  import { previewFace, Problem } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import StateMark from '../../lib/ui/StateMark.svelte';
  import Dialog from '../../lib/ui/Dialog.svelte';

  interface Props {
    jobId: number;
    part: Part;
    faces: FaceRow[];
    current: string;
    onface: (key: string) => void;
    onclose: () => void;
  }
  const { jobId, part, faces, current, onface, onclose }: Props = $props();

  let shown = $state(true);
  const seen = new SvelteMap<string, FacePreview | string>();
  const kinds = $derived([...new Set(faces.map((face) => face.kind))]);
  const left = $derived(faces.length - seen.size);

  onMount(() => {
    let gone = false;
    // One face after the other, so that the first are there at once and nothing piles up when it is closed.
    void (async () => {
      for (const face of faces) {
        if (gone) return;
        try {
          seen.set(face.key, await previewFace(jobId, part.id, face.key, settings.unit));
        } catch (error) {
          seen.set(
            face.key,
            error instanceof Problem ? error.what : 'This lettering cannot show these words.',
          );
        }
      }
    })();
    return () => (gone = true);
  });
</script>

<Dialog bind:open={shown} title="Your words in every lettering style" size="lg" {onclose}>
  <p class="m-0 text-sm text-(--faint)" role="status">
    {left ? `Trying ${left} more` : 'Each is shown at its real size and checked for this surface.'}
  </p>
  {#each kinds as kind (kind)}
    {@const rows = faces.filter((face) => face.kind === kind)}
    <section>
      <h3 class="m-0 mb-1 font-bold">{rows[0]?.kind_name}</h3>
      <div class="grid grid-cols-1 gap-2 sm:grid-cols-2">
        {#each rows as face (face.key)}
          {@const preview = seen.get(face.key)}
          <button
            class="face"
            aria-pressed={face.key === current}
            disabled={!preview || typeof preview === 'string'}
            onclick={() => onface(face.key)}
          >
            <span class="flex w-full justify-between gap-2 text-sm">
              <strong>{face.name}</strong>{#if face.key === current}<span>in use</span>{/if}
            </span>
            {#if typeof preview === 'object'}
              <svg viewBox="0 0 {preview.width} {preview.height}" aria-hidden="true">
                <path d={preview.path} fill={part.colour} fill-rule="evenodd" />
              </svg>
              <span class="flex items-start gap-1.5 text-left text-sm">
                <StateMark state={preview.holds ? 'ready' : 'warn'} size={15} />
                {preview.verdict}
              </span>
            {:else}
              <span class="text-sm text-(--faint)">{preview ?? 'Trying it'}</span>
            {/if}
          </button>
        {/each}
      </div>
    </section>
  {/each}
</Dialog>

<style>
  .face {
    display: flex;
    min-height: 6.5rem;
    cursor: pointer;
    flex-direction: column;
    align-items: flex-start;
    justify-content: space-between;
    gap: 0.4rem;
    border: 1px solid var(--line);
    border-radius: 0.6rem;
    padding: 0.5rem 0.75rem;
  }
  .face:hover:enabled {
    border-color: var(--ink);
  }
  .face[aria-pressed='true'] {
    border-color: var(--signal-ink);
    box-shadow: inset 0 -3px 0 var(--signal);
  }
  .face svg {
    display: block;
    max-height: 4rem;
    width: 100%;
    background: var(--color-gray-50);
  }
</style>
