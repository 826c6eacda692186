<script lang="ts">
	/** What is not taken, and why. */
	import Ban from '@lucide/svelte/icons/ban';

	let { name, why }: { name: string; why: string } = $props();
</script>

<p><Ban size={16} aria-hidden="true" /> <b>Never {name}:</b> {why}</p>

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
		padding: 6px 0;
		color: var(--red-ink);
	}
</style>
