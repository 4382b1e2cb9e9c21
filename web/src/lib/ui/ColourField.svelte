<script lang="ts">
  import Label from 'flowbite-svelte/Label.svelte';

  interface Props {
    label: string;
    value: string;
    onchange: (colour: string) => void;
  }
  const { label, value, onchange }: Props = $props();

  const id = $props.id();
</script>

<div>
  <Label for={id} class="mb-1 text-sm text-(--ink)">{label}</Label>
  <input
    {id}
    type="color"
    class="h-9 w-full cursor-pointer rounded-lg border border-(--line) bg-(--sheet) p-1"
    {value}
    onchange={(event) => onchange(event.currentTarget.value)}
  />
</div>
