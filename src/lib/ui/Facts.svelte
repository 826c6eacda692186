<script lang="ts">
	/** Names with their figures: a line each, names and figures in two columns, or side by side in a grid. */
	import type { Snippet } from 'svelte';

	interface Props {
		look?: 'lines' | 'columns' | 'grid';
		children: Snippet;
	}
	let { look = 'lines', children }: Props = $props();
</script>

<dl class={look}>{@render children()}</dl>

<style>
	dl {
		margin: 0;
	}
	dl :global(dd) {
		margin: 0;
	}
	.lines :global(> div) {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 12px;
		border-bottom: 1px solid var(--rule);
		padding: 5px 0;
	}
	.lines :global(dd),
	.columns :global(dd) {
		text-align: right;
	}
	.columns {
		display: grid;
		grid-template-columns: auto auto;
		gap: 2px 12px;
		align-content: start;
	}
	.columns :global(> div) {
		display: contents;
	}
	.columns :global(dt),
	.grid :global(dt) {
		color: var(--ink-soft);
	}
	.grid {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
		gap: 8px 16px;
		margin-top: 12px;
	}
	.grid :global(dt) {
		font-size: var(--s13);
	}
</style>
