<script lang="ts">
	/** Where the costume rubs: what is weathered there looks worn. */
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { rubsOf, wearWays } from '$core/answers/wearSpots.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import WearList from './WearList.svelte';

	let { data }: { data: PageData } = $props();
	const trade = $derived(handbook());
	const base = $derived(`/c/${data.record.costume.id}`);
	const ways = $derived(
		wearWays(data.workshop.materials, trade).map(({ key, name }) => ({ value: key, label: name }))
	);
	const worn = $derived(
		inLedgerOrder(data.record.components)
			.map(({ item }) => ({ component: item, rubs: rubsOf(item, data.record, trade) }))
			.filter(({ rubs }) => rubs.length > 0)
	);
</script>

<svelte:head><title>Effects · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Where it rubs">
	<p class="soft small">
		By the zones that each part covers and what lies over it. A place that is chosen becomes a step before the
		clear. Rub less than you think: worn where it would be, and nowhere else. Ground textures are layers of
		<a href="{base}/finish/recipes">recipes</a>; studs that come out even are under
		<a href="{base}/finish/spacing">Spacing</a>.
	</p>
	<div class="parts">
		{#each worn as { component, rubs } (component.id)}
			<WearList {component} {rubs} {ways} unit={data.workshop.settings.lengthUnit} {base} />
		{:else}
			<p class="soft">
				Nothing yet that rubs: components with their zones, made here, have their places here.
			</p>
		{/each}
	</div>
</Sheet>

<style>
	.parts {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 380px), 1fr));
		gap: 16px 32px;
		margin-top: 12px;
	}
</style>
