<script lang="ts">
  import type { Ground } from './layers';

  interface Props {
    ground: Ground;
  }
  const { ground }: Props = $props();

  const picture = $derived(ground.picture);
  const bare = $derived(picture.base ? picture.base_colour : picture.blank_colour);
</script>

<g class:turned={ground.turned} transform={ground.carry}>
  {#each picture.colours as colour (colour.colour)}
    <path d={colour.path} fill={colour.colour} fill-rule="evenodd" />
  {/each}
  <!-- What a bridge covers stays unpainted. -->
  {#each picture.masks as one (one.number)}
    {#each one.bridges as bridge (bridge.path)}<path fill={bare} d={bridge.path} />{/each}
  {/each}
</g>
