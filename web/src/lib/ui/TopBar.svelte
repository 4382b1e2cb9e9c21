<script lang="ts">
  import Settings from '@lucide/svelte/icons/settings';
  import Moon from '@lucide/svelte/icons/moon';
  import Sun from '@lucide/svelte/icons/sun';
  import Button from 'flowbite-svelte/Button.svelte';
  import type { Snippet } from 'svelte';
  import { settings } from '../settings.svelte';
  import type { Shortcut } from '../shortcuts';
  import { handle } from '../shortcuts';
  import ClockStrip from './ClockStrip.svelte';
  import SettingsDialog from './SettingsDialog.svelte';
  import Shortcuts from './Shortcuts.svelte';

  interface Props {
    shortcuts: Shortcut[];
    /** Goes past what stands on every page. */
    onskip?: () => void;
    children?: Snippet;
  }
  const { shortcuts, onskip, children }: Props = $props();

  let helpOpen = $state(false);
  let settingsOpen = $state(false);
  const everywhere: Shortcut[] = [
    { keys: '?', about: 'Show these keys', run: () => (helpOpen = true) },
    { keys: 'I', about: 'Change the unit: mm, cm, in', run: () => settings.nextUnit() },
    { keys: 'D', about: 'Light or dark', run: () => settings.switchLight() },
  ];
  const all = $derived([...shortcuts, ...everywhere]);
</script>

<svelte:window onkeydown={(event) => handle(event, all, settings.letters)} />

<header
  class="no-print flex items-center gap-2 border-b border-(--line) bg-(--sheet) px-2 py-2 sm:gap-4 sm:px-4"
>
  {#if onskip}
    <button
      class="sr-only cursor-pointer underline focus:not-sr-only focus:absolute focus:z-30 focus:bg-(--sheet) focus:p-2"
      onclick={onskip}>Skip to what comes next</button
    >
  {/if}
  <a
    href="#/"
    class="stamp flex items-center gap-2 text-xl text-(--grass)"
    aria-label="Dunestead, to the board"
  >
    <img src="/mark.svg" alt="" class="h-7 w-7 shrink-0" /><span class="hidden lg:inline">Dunestead</span>
  </a>
  <div class="flex min-w-0 flex-1 items-center gap-2 sm:gap-3">{@render children?.()}</div>
  <Button color="alternative" size="xs" onclick={() => settings.nextUnit()} title="Change the unit">
    {settings.unit}
  </Button>
  <Button
    color="alternative"
    size="xs"
    class="hidden sm:inline-flex"
    onclick={() => settings.switchLight()}
    aria-label="Light or dark"
  >
    {#if settings.dark}<Sun size={16} />{:else}<Moon size={16} />{/if}
  </Button>
  <Button
    color="alternative"
    size="xs"
    onclick={() => (settingsOpen = true)}
    aria-label="Settings"
    title="Settings"><Settings size={16} /></Button
  >
  <Button
    color="alternative"
    size="xs"
    class="hidden sm:inline-flex"
    onclick={() => (helpOpen = true)}
    aria-label="Keys">Keys&nbsp;?</Button
  >
</header>
<ClockStrip />

<SettingsDialog bind:open={settingsOpen} />
<Shortcuts bind:open={helpOpen} shortcuts={all} />
