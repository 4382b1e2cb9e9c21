<script lang="ts">
  import { useLimits } from '../limits';

  interface Props {
    label: string;
    value: number;
    /** The entry whose limits hold, such as `trace.smooth`. */
    entry: string;
    /** Within those limits, where less makes sense; and the step, where another does. */
    min?: number;
    max?: number;
    step?: number;
    /** How the value is written beside the label. */
    show: (value: number) => string;
    /** While it is dragged. */
    onpeek?: (value: number) => void;
    /** When it is let go. */
    onchange: (value: number) => void;
  }
  const { label, value, entry, min, max, step, show, onpeek, onchange }: Props = $props();

  const id = $props.id();
  const limits = useLimits();
  const limit = $derived(limits(entry));
  const least = $derived(Math.max(min ?? -Infinity, limit?.least ?? -Infinity));
  const most = $derived(Math.min(max ?? Infinity, limit?.most ?? Infinity));
  let dragged = $state<number | null>(null);
  const shown = $derived(dragged ?? value);
</script>

<div>
  <label for={id} class="flex justify-between text-sm"
    ><span>{label}</span> <strong>{show(shown)}</strong></label
  >
  <input
    {id}
    class="w-full accent-(--grass)"
    type="range"
    min={Number.isFinite(least) ? least : undefined}
    max={Number.isFinite(most) ? most : undefined}
    step={step ?? limit?.step}
    value={shown}
    oninput={(event) => {
      dragged = event.currentTarget.valueAsNumber;
      onpeek?.(dragged);
    }}
    onchange={(event) => {
      dragged = null;
      onchange(event.currentTarget.valueAsNumber);
    }}
  />
</div>
