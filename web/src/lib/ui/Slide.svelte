<script lang="ts">
  interface Props {
    label: string;
    value: number;
    min: number;
    max: number;
    step: number;
    /** How the value is written beside the label. */
    show: (value: number) => string;
    /** While it is dragged. */
    onpeek?: (value: number) => void;
    /** When it is let go. */
    onchange: (value: number) => void;
  }
  const { label, value, min, max, step, show, onpeek, onchange }: Props = $props();

  const id = $props.id();
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
    {min}
    {max}
    {step}
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
