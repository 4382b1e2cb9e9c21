<script lang="ts">
  import { deliveryOf } from '../files.svelte';

  interface Props {
    href: string;
  }
  const { href }: Props = $props();
  /** How a file that was asked for stands: under way, or what went wrong with it. */
  const delivery = $derived(deliveryOf(href));
</script>

{#if delivery?.busy}
  <span class="text-sm text-(--faint)" role="status"
    >{delivery.share === null ? 'Getting it ready…' : `${Math.round(delivery.share * 100)} %`}</span
  >
{:else if delivery?.problem}
  <strong class="text-sm text-(--fault)" role="alert">{delivery.problem}</strong>
{:else if delivery?.leftOut}
  <strong class="text-sm" role="status">{delivery.leftOut}</strong>
{/if}
