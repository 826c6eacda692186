<script lang="ts">
	/** Sheets beside each other; one alone has all the room. */
	import type { Snippet } from 'svelte';

	let { count, children }: { count: number; children: Snippet } = $props();
</script>

<div class="sheets" class:one={count === 1}>{@render children()}</div>

<style>
	.sheets {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 260px), 1fr));
		gap: 12px;
		align-items: start;
	}
	.sheets:has(:global(.wide)) {
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 330px), 1fr));
	}
	.sheets.one {
		grid-template-columns: minmax(0, 1fr);
	}
</style>
