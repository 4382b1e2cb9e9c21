<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();
</script>

{#each ground.mask?.pins ?? [] as pin, index (index)}
  <path
    class="pin"
    d="M{ground.ax(pin.at[0]) - 4} {ground.px(pin.at[1]) + 4}l8-8m-3-3 6 6"
    aria-hidden="true"
  />
{/each}

<style>
  .pin {
    fill: none;
    stroke: #1b2429;
    stroke-width: 2;
  }
</style>
