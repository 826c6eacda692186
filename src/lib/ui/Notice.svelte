<script lang="ts">
	/** What has to be seen before going on: a warning, or what was refused, which is read out at once. */
	import type { Snippet } from 'svelte';

	interface Props {
		bad?: boolean;
		/** Read out when it comes up. */
		alert?: boolean;
		children: Snippet;
	}
	let { bad = false, alert = bad, children }: Props = $props();
</script>

<p class:bad role={alert ? 'alert' : undefined}>{@render children()}</p>

<style>
	p {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
		margin: 8px 0;
		font-size: var(--s13);
	}
	.bad {
		border-left-color: var(--red-ink);
		color: var(--red-ink);
		font-weight: 600;
	}
</style>
