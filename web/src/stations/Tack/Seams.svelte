<script lang="ts">
  import Button from 'flowbite-svelte/Button.svelte';
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import { Problem, seamByTape, type Task } from '../../lib/api/client';
  import { settings } from '../../lib/settings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import { lengthEntry, readLength } from '../../lib/units';

  interface Props {
    open: OpenJob;
    /** The seams of the job, with their marks. */
    seams: Task['seams'];
  }
  const { open, seams }: Props = $props();

  const id = $props.id();
  let typed = $state<Record<string, string>>({});
  let said = $state.raw<Record<string, { instructions: string[]; within: boolean }>>({});

  async function tell(event: Event, seam: Task['seams'][number]): Promise<void> {
    event.preventDefault();
    const readings: Record<string, number> = {};
    for (const { name } of seam.pairs) {
      const text = typed[name]?.trim();
      if (!text) continue;
      const length = readLength(text, settings.unit);
      if (length === null) {
        said = {
          ...said,
          [seam.name]: { instructions: [`${text} is not a length. Write 50, 5cm or 2in.`], within: false },
        };
        return;
      }
      readings[name] = length;
    }
    try {
      said = {
        ...said,
        [seam.name]: await seamByTape(open.id, settings.unit, open.copy, seam.name, readings),
      };
      await open.turnTo(open.copy);
    } catch (error) {
      const what = error instanceof Problem ? error.message : 'It could not be reckoned.';
      said = { ...said, [seam.name]: { instructions: [what], within: false } };
    }
  }
</script>

<Fold title="Are the seams right?">
  {#each seams as seam (seam.name)}
    <form class="mb-3 flex flex-col gap-2" onsubmit={(event) => tell(event, seam)}>
      <p class="m-0 text-sm">
        Seam {seam.name}: patch {seam.patches[1]} against patch {seam.patches[0]}. Measure between the
        crosses.
      </p>
      <div class="flex flex-wrap items-end gap-2">
        {#each seam.pairs as { name, distance } (name)}
          <div class="w-24">
            <Label for="{id}-{name}" class="mb-1 text-sm text-(--ink)">{name}</Label>
            <Input
              id="{id}-{name}"
              size="sm"
              placeholder={lengthEntry(distance, settings.unit)}
              bind:value={typed[name]}
            />
          </div>
        {/each}
        <Button type="submit" color="alternative" size="sm">What now?</Button>
      </div>
      <div role="status" class="text-sm">
        {#each said[seam.name]?.instructions ?? [] as line (line)}
          <p class="m-0 font-bold">{said[seam.name]?.within ? '✓ ' : ''}{line}</p>
        {/each}
      </div>
    </form>
  {/each}
</Fold>
