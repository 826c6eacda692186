<script lang="ts">
	import { page } from '$app/state';
	import Sheet from '$lib/ui/Sheet.svelte';
</script>

<svelte:head><title>Not here · Dapper Ledger</title></svelte:head>
<main id="main">
	<Sheet title={page.status === 404 ? 'Not here' : 'This page cannot be shown'}>
		<p>{page.error?.message}</p>
		<p class="back">
			<a class="button" href="/">Back to the shelf</a>
			{#if page.status >= 500}<a class="button" href="/settings">Settings and backups</a>{/if}
		</p>
	</Sheet>
</main>

<style>
	main {
		max-width: 560px;
		margin: 48px auto;
		padding: 0 12px;
	}
	.back {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		margin-top: 16px;
	}
</style>
