<script lang="ts">
	/** Where messages come up: below, or above on a phone, where the rail and what a thumb presses next lie below. */
	import { Toaster } from 'svelte-sonner';

	let width = $state(1280);
</script>

<svelte:window bind:innerWidth={width} />
<div class="no-print">
	<Toaster
		position={width > 700 ? 'bottom-center' : 'top-center'}
		visibleToasts={1}
		containerAriaLabel="Messages"
		mobileOffset="8px"
		style="--width: min(720px, 100vw - 24px); font-family: var(--body)"
	/>
</div>
