<script lang="ts">
  import type { Happened, RecordEntry } from '../../lib/api/client';
  import NumberField from '../../lib/ui/NumberField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';

  interface Props {
    causes: Happened['causes'];
    troubles: NonNullable<RecordEntry['troubles']>;
    copies: number;
    onchange: (troubles: NonNullable<RecordEntry['troubles']>) => void;
  }
  const { causes, troubles, copies, onchange }: Props = $props();

  const ASK = '';
  const known = $derived(causes.filter((one) => one.key in troubles));
  const left = $derived(causes.filter((one) => !(one.key in troubles)));
  const spoiled = $derived(Object.values(troubles).reduce((sum, count) => sum + count, 0));

  function remove(key: string): void {
    onchange(Object.fromEntries(Object.entries(troubles).filter(([own]) => own !== key)));
  }
</script>

<fieldset class="m-0 flex flex-col gap-2 border-0 p-0">
  <legend class="mb-1 text-sm">What went wrong?</legend>
  {#each known as cause (cause.key)}
    <div class="card grid grid-cols-[1fr_7rem_auto] items-end gap-2 p-2">
      <span class="self-center">{cause.name}</span>
      <NumberField
        label="Copies spoiled"
        entry="record.troubles"
        value={troubles[cause.key] ?? 0}
        onchange={(count) => onchange({ ...troubles, [cause.key]: count ?? 0 })}
      />
      <button
        class="cursor-pointer self-center underline"
        aria-label="Remove: {cause.name}"
        onclick={() => remove(cause.key)}>Remove</button
      >
    </div>
  {/each}
  <OneOf
    label={known.length ? 'Something else' : 'Choose from the list, if anything did'}
    value={ASK}
    of={[[ASK, 'Nothing more'], ...left.map((one) => [one.key, one.name] as const)]}
    onchange={(key) => key && onchange({ ...troubles, [key]: 0 })}
  />
  {#if spoiled > copies}
    <p class="m-0 text-sm font-bold" role="alert">
      {spoiled} spoiled, but only {copies === 1 ? '1 copy was' : `${copies} copies were`} made: count again.
    </p>
  {:else if known.length}
    <p class="m-0 text-sm text-(--faint)">0 copies spoiled: it went wrong and was mended.</p>
  {/if}
</fieldset>
