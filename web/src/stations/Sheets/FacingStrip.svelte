<script lang="ts">
  interface Props {
    mirrored: boolean;
    seenThrough: boolean;
  }
  const { mirrored, seenThrough }: Props = $props();

  // A flag on a leaning mast: like nothing that reads the same in a mirror.
  const glyph = 'M8 26L12 4h4l-1 5h11l-4 5 3 5H13l-1 7z';
  const places = $derived([
    { at: 'In the artwork', turned: false },
    { at: 'Under the knife', turned: mirrored },
    { at: 'On the blank', turned: seenThrough },
    { at: seenThrough ? 'Seen through it' : 'Looked at', turned: false },
  ]);
</script>

<figure class="m-0 grid grid-cols-4 gap-1" aria-label="How it reads at every step">
  {#each places as place (place.at)}
    <div class="card flex flex-col items-center p-1.5 text-center text-xs">
      <svg
        viewBox="0 0 32 32"
        class="h-9 w-9"
        role="img"
        aria-label={place.turned ? 'mirrored' : 'as it reads'}
      >
        <path d={glyph} transform={place.turned ? 'translate(32 0) scale(-1 1)' : undefined} />
      </svg>
      {place.at}<strong>{place.turned ? 'mirrored' : 'as it reads'}</strong>
    </div>
  {/each}
</figure>

<style>
  path {
    fill: var(--grass);
  }
</style>
