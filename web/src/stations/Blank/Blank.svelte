<script lang="ts">
  import Input from 'flowbite-svelte/Input.svelte';
  import Label from 'flowbite-svelte/Label.svelte';
  import type { JobChange } from '../../lib/api/client';
  import ChoiceField from '../../lib/ui/ChoiceField.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import type { PanelProps } from '..';

  const { open, job, catalogue }: PanelProps = $props();

  const id = $props.id();
  const blank = $derived(job.inputs.blank);
  const setBlank = (change: Partial<NonNullable<JobChange['blank']>>) =>
    open.change({ blank: { ...blank, ...change } });
  const value = (event: Event) => (event.currentTarget as HTMLInputElement).value;
</script>

<div class="grid grid-cols-2 gap-3">
  <div class="col-span-2">
    <Label for="{id}-name" class="mb-1 text-sm text-(--ink)">Name of the job</Label>
    <Input
      id="{id}-name"
      size="sm"
      value={job.inputs.name}
      maxlength={120}
      onchange={(event: Event) => open.change({ name: value(event) })}
    />
  </div>
  <div class="col-span-2">
    <ChoiceField
      label="Surface"
      value={job.inputs.surface}
      choices={catalogue.surfaces}
      onchange={(surface) => open.change({ surface })}
    />
  </div>
  <LengthField label="Width, label" value={blank.width} onchange={(mm) => mm && setBlank({ width: mm })} />
  <LengthField label="Height, label" value={blank.height} onchange={(mm) => mm && setBlank({ height: mm })} />
  <LengthField
    label="Width, measured"
    value={blank.measured_width ?? null}
    otherwise={blank.width}
    onchange={(mm) => setBlank({ measured_width: mm })}
  />
  <LengthField
    label="Height, measured"
    value={blank.measured_height ?? null}
    otherwise={blank.height}
    onchange={(mm) => setBlank({ measured_height: mm })}
  />
  <div>
    <Label for="{id}-shape" class="mb-1 text-sm text-(--ink)">Shape</Label>
    <select
      id="{id}-shape"
      class="w-full rounded-lg border border-(--line) bg-(--sheet) p-2 text-sm"
      value={blank.shape}
      onchange={(event) => setBlank({ shape: event.currentTarget.value as 'rectangle' | 'oval' })}
    >
      <option value="rectangle">Rectangle</option>
      <option value="oval">Round or oval</option>
    </select>
  </div>
  <div>
    <Label for="{id}-colour" class="mb-1 text-sm text-(--ink)">Its colour</Label>
    <input
      id="{id}-colour"
      type="color"
      class="h-9 w-full cursor-pointer rounded-lg border border-(--line) bg-(--sheet) p-1"
      value={blank.colour}
      onchange={(event) => setBlank({ colour: event.currentTarget.value })}
    />
  </div>
  <NumberField
    label="How many"
    value={job.inputs.copies}
    min={1}
    max={1000}
    onchange={(copies) => copies && open.change({ copies })}
  />
  <div>
    <Label for="{id}-due" class="mb-1 text-sm text-(--ink)">Due</Label>
    <Input
      id="{id}-due"
      type="date"
      size="sm"
      value={job.inputs.due ?? ''}
      onchange={(event: Event) => open.change({ due: value(event) || null })}
    />
  </div>
</div>
