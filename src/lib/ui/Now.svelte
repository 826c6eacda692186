<script lang="ts">
	/** The one thing to do now. */
	import type { Snippet } from 'svelte';

	let { children }: { children: Snippet } = $props();
</script>

<section class="now" aria-label="Do now">{@render children()}</section>

<style>
	.now {
		background: var(--sheet);
		border-left: 8px solid var(--pink);
		padding: 16px 20px;
		display: grid;
		gap: 10px;
		box-shadow: var(--shadow);
	}
	.now :global(h2) {
		font-size: var(--s36);
		line-height: 1.05;
	}
	@media (max-width: 700px) {
		.now {
			padding: 12px;
		}
		.now :global(h2) {
			font-size: 1.75rem;
		}
	}
</style>
