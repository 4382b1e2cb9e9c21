<script lang="ts">
  import Minus from '@lucide/svelte/icons/minus';
  import MoveLeft from '@lucide/svelte/icons/move-left';
  import MoveRight from '@lucide/svelte/icons/move-right';
  import Plus from '@lucide/svelte/icons/plus';
  import Trash2 from '@lucide/svelte/icons/trash-2';
  import Button from 'flowbite-svelte/Button.svelte';
  import type { OpenJob } from '../../job/open-job.svelte';
  import type { MaskJob } from './part';
  import { settings } from '../../lib/settings.svelte';
  import Fold from '../../lib/ui/Fold.svelte';
  import LengthField from '../../lib/ui/LengthField.svelte';
  import OneOf from '../../lib/ui/OneOf.svelte';
  import { showArea, showLength, showMinutes } from '../../lib/units';

  interface Props {
    open: OpenJob;
    job: MaskJob;
  }
  const { open, job }: Props = $props();

  const STYLES = [
    ['shortest', 'Shortest way'],
    ['upright', 'Upright'],
    ['level', 'Level'],
    ['radial', 'From the middle out'],
  ] as const;
  const COUNTS = [
    ['auto', 'By size of the piece'],
    ['1', 'One a piece'],
    ['2', 'Two a piece'],
  ] as const;
  const STEP = $derived(settings.unit === 'in' ? 25.4 / 16 : 1);
  const all = $derived(job.picture.masks.flatMap((mask) => mask.bridges));
  const area = $derived(job.picture.masks.reduce((sum, mask) => sum + mask.bridged_area, 0));
  // Ties of the frame's own tongues.
  const ties = $derived(all.filter((bridge) => bridge.piece === 0));
  const own = $derived(all.filter((bridge) => bridge.piece === open.selected));
</script>

<section aria-label="Bridges">
  <Fold title="Bridges" open={all.length > 0}>
    <div class="grid grid-cols-3 items-end gap-2">
      <OneOf
        label="Direction"
        value={job.inputs.bridge_style}
        of={STYLES}
        onchange={(bridge_style) => open.change({ bridge_style })}
      />
      <OneOf
        label="How many"
        value={job.inputs.bridges_per_piece === 1 ? '1' : job.inputs.bridges_per_piece === 2 ? '2' : 'auto'}
        of={COUNTS}
        onchange={(key) => open.change({ bridges_per_piece: key === 'auto' ? null : Number(key) })}
      />
      <LengthField
        label="Width"
        entry="mask.bridge_width"
        value={job.inputs.bridge_width ?? null}
        otherwise={job.in_force.bridge_width}
        onchange={(bridge_width) => open.change({ bridge_width })}
      />
    </div>
    {#if all.length}
      <p class="m-0 mt-2 text-sm">
        {all.length} bridge{all.length === 1 ? '' : 's'} leave {showArea(area, settings.unit)} unpainted: about
        {showMinutes(job.mask.touch_up_minutes)} of touching up, or left as a look.
      </p>
    {/if}
    {#if ties.length}
      <p class="m-0 mt-2 flex items-center gap-2 text-sm">
        <span class="flex-1">{ties.length} tongue{ties.length === 1 ? '' : 's'} tied at the tip</span>
        <Button color="alternative" size="xs" disabled={open.busy > 0} onclick={() => open.resetBridges([0])}
          >Untie</Button
        >
      </p>
    {/if}
    {#if open.refused}<p class="refused m-0 mt-2 text-sm" role="status">{open.refused}</p>{/if}
    {#if own.length}
      <p class="m-0 mt-2 mb-1 text-sm">
        Piece <strong>{open.selected}</strong>: drag a handle on the picture, or
      </p>
      <ul class="m-0 flex list-none flex-col gap-1 p-0">
        {#each own as bridge (bridge.index)}
          {@const name = `bridge ${bridge.index + 1} of piece ${bridge.piece}`}
          <li class="flex items-center gap-1 text-sm">
            <span class="min-w-0 flex-1"
              >{showLength(bridge.width, settings.unit)} wide, {showLength(bridge.length, settings.unit)} long
              {#if bridge.by_hand}<span class="text-(--faint)">by hand</span>{/if}</span
            >
            {#each [[-2 * STEP, MoveLeft, 'Slide back'], [2 * STEP, MoveRight, 'Slide on']] as const as [slide, Icon, verb] (verb)}
              <Button
                color="alternative"
                size="xs"
                class="p-1.5"
                aria-label="{verb} {name}"
                disabled={open.busy > 0}
                onclick={() => open.setBridge({ piece: bridge.piece, index: bridge.index, slide })}
                ><Icon size={14} /></Button
              >
            {/each}
            {#each [[-STEP, Minus, 'Narrow'], [STEP, Plus, 'Widen']] as const as [by, Icon, verb] (verb)}
              <Button
                color="alternative"
                size="xs"
                class="p-1.5"
                aria-label="{verb} {name}"
                disabled={open.busy > 0 || bridge.width + by < 0.2}
                onclick={() =>
                  open.setBridge({
                    piece: bridge.piece,
                    index: bridge.index,
                    slide: 0,
                    width: bridge.width + by,
                  })}><Icon size={14} /></Button
              >
            {/each}
            <Button
              color="alternative"
              size="xs"
              class="p-1.5"
              aria-label="Take off {name}"
              disabled={open.busy > 0}
              onclick={() => open.removeBridge(bridge.piece, bridge.index)}><Trash2 size={14} /></Button
            >
          </li>
        {/each}
      </ul>
      <div class="mt-1.5 flex gap-2">
        <Button
          color="alternative"
          size="xs"
          disabled={open.busy > 0}
          onclick={() => open.selected !== null && open.setBridge({ piece: open.selected, slide: 0 })}
          >One more (A)</Button
        >
        {#if own.some((bridge) => bridge.by_hand)}
          <Button
            color="alternative"
            size="xs"
            disabled={open.busy > 0}
            onclick={() => open.selected !== null && open.resetBridges([open.selected])}
            >Place them again</Button
          >
        {/if}
      </div>
    {/if}
  </Fold>
</section>

<style>
  .refused {
    border-left: 4px solid var(--fault);
    padding-left: 0.6rem;
  }
</style>
