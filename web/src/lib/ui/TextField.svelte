<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';
  import { onMount } from 'svelte';
  import { useLimits } from '../limits';
  import { Typed } from './typed.svelte';

  interface Props {
    label: string;
    /** The text as it is kept, not as a look shows it. */
    value: string;
    /** What the text is known by until it is kept, so that a reload does not lose it. */
    name: string;
    rows?: number;
    /** The entry whose limits hold, such as `record.notes`. */
    entry?: string;
    describedby?: string;
    onpeek?: (text: string) => void;
    /** Keeps the text; the field shows what was typed until this is done. */
    onchange: (text: string) => unknown;
  }
  const { label, value, name, rows = 2, entry, describedby, onpeek, onchange }: Props = $props();

  const id = $props.id();
  const limits = useLimits();
  const typed = new Typed(
    () => value,
    () => `typed:${name}`,
  );
  const keep = () => typed.leave(typed.waits ? onchange(typed.shown) : undefined);
  // What a reload interrupted is kept now.
  onMount(() => void (typed.waits && keep()));
</script>

<div>
  <Label for={id} class="mb-1 text-sm text-(--ink)">{label}</Label>
  <textarea
    {id}
    class="w-full rounded-lg border border-(--line) bg-(--sheet) p-2"
    {rows}
    maxlength={limits(entry)?.most}
    value={typed.shown}
    aria-describedby={describedby}
    onfocus={typed.hold}
    oninput={({ currentTarget }) => {
      typed.type(currentTarget.value);
      if (currentTarget.value.trim()) onpeek?.(currentTarget.value);
    }}
    onblur={keep}
  ></textarea>
</div>
