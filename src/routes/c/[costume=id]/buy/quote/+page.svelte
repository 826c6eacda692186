<script lang="ts">
	import QuoteDesk from './QuoteDesk.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const costume = $derived(data.record.costume);
</script>

<svelte:head><title>Quote · {costume.name} · Dapper Ledger</title></svelte:head>

<!-- What is typed for one costume does not stand in another. -->
{#key costume.id}<QuoteDesk {data} />{/key}
