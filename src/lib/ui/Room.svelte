<script lang="ts">
	/** A page beside the costumes: its sheets below each other in the middle of the mat. */
	import type { Snippet } from 'svelte';

	interface Props {
		/** As wide as it may become. */
		most?: string;
		children: Snippet;
	}
	let { most = '1240px', children }: Props = $props();
</script>

<main id="main" style:--most={most}>{@render children()}</main>

<style>
	main {
		max-width: var(--most);
		margin: 0 auto;
		padding: 16px;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 16px;
	}
	@media (max-width: 700px) {
		main {
			padding: 8px;
		}
	}
</style>
