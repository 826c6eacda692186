<script lang="ts">
	/** What is worked on beside what it is worked with; below each other where there is no room. */
	import type { Snippet } from 'svelte';

	interface Props {
		/** Widths of the two sides, as a grid has them. */
		sides: string;
		children: Snippet;
	}
	let { sides, children }: Props = $props();
</script>

<div class="desk" style:--sides={sides}>{@render children()}</div>

<style>
	.desk {
		display: grid;
		grid-template-columns: var(--sides);
		gap: 16px;
		align-items: start;
	}
	@media (max-width: 900px) {
		.desk {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
