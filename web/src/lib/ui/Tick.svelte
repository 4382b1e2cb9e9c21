<script lang="ts">
  interface Props {
    label: string;
    checked: boolean;
    onchange: (checked: boolean) => void;
  }
  const { label, checked, onchange }: Props = $props();
</script>

<label class="flex cursor-pointer items-center gap-2 text-sm">
  <input
    type="checkbox"
    class="h-4 w-4 rounded border-(--faint) bg-(--sheet) text-primary-700"
    {checked}
    onchange={(event) => onchange(event.currentTarget.checked)}
  />
  {label}
</label>
