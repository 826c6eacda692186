<script lang="ts">
	/** What a page answers, large, with the figures that it is made of beside it. */
	import type { Snippet } from 'svelte';

	interface Props {
		children: Snippet;
		beside: Snippet;
		/** What can be done with it. */
		tools?: Snippet;
	}
	let { children, beside, tools }: Props = $props();
</script>

<div class="answer">
	<div>{@render children()}</div>
	{@render beside()}
	{#if tools}<div class="row no-print">{@render tools()}</div>{/if}
</div>

<style>
	.answer {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 12px 32px;
		align-items: start;
	}
	.row {
		grid-column: 1 / -1;
	}
	@media (max-width: 700px) {
		.answer {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
