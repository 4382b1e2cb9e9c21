<script lang="ts">
  import Alert from 'flowbite-svelte/Alert.svelte';
  import type { Problem } from '../api/client';

  interface Props {
    problem: Problem;
    onclose?: () => void;
  }
  const { problem, onclose }: Props = $props();
</script>

<Alert color="red" class="flex items-start gap-3 border border-(--fault) bg-(--sheet) text-(--ink)">
  <span class="flex-1"><strong>{problem.what}</strong> {problem.fix}</span>
  {#if problem.instead}<button class="cursor-pointer font-bold underline" onclick={problem.instead.act}
      >{problem.instead.label}</button
    >{/if}
  {#if onclose}<button class="cursor-pointer font-bold underline" onclick={onclose}>OK</button>{/if}
</Alert>
