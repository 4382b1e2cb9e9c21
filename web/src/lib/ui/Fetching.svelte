<script lang="ts">
  import Spinner from 'flowbite-svelte/Spinner.svelte';
</script>

<p class="m-0 flex items-center gap-3" role="status"><Spinner size="5" /> Fetching this station</p>
