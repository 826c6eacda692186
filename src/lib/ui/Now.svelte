<script lang="ts">
	/** The one thing to do now, or that is being done. */
	import type { Snippet } from 'svelte';

	interface Props {
		label?: string;
		/** It is under way. */
		running?: boolean;
		children: Snippet;
	}
	let { label = 'Do now', running = false, children }: Props = $props();
</script>

<section class="now" class:running aria-label={label}>{@render children()}</section>

<style>
	.now {
		background: var(--sheet);
		border-left: 8px solid var(--pink);
		padding: 16px 20px;
		display: grid;
		gap: 10px;
		box-shadow: var(--shadow);
	}
	.running {
		border-left-color: var(--yellow);
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
