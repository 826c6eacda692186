<script lang="ts">
	/** Warm white paper on the mat, with a heading and what can be done there. */
	import type { Snippet } from 'svelte';

	interface Props {
		title?: string;
		level?: 2 | 3;
		id?: string;
		tools?: Snippet;
		children: Snippet;
		bare?: boolean;
	}
	let { title, level = 2, id, tools, children, bare = false }: Props = $props();
</script>

<section class="sheet" class:bare {id} aria-label={title}>
	{#if title || tools}
		<header>
			{#if title}<svelte:element this={`h${level}`}>{title}</svelte:element>{/if}
			{#if tools}<div class="tools no-print">{@render tools()}</div>{/if}
		</header>
	{/if}
	{@render children()}
</section>

<style>
	.sheet {
		background: var(--sheet);
		color: var(--ink);
		padding: 16px;
		box-shadow: var(--shadow);
		min-width: 0;
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px 16px;
		flex-wrap: wrap;
		margin-bottom: 12px;
	}
	.tools {
		display: flex;
		gap: 8px;
		flex-wrap: wrap;
		align-items: center;
	}
	.bare {
		padding: 0;
	}
	@media (max-width: 700px) {
		.sheet {
			padding: 12px;
		}
		.bare {
			padding: 0;
		}
	}
	@media print {
		.sheet {
			background: white;
			color: black;
			box-shadow: none;
			padding: 0 0 16px;
		}
	}
</style>
