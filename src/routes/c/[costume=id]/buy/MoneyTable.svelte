<script lang="ts">
	/** What was bought: by what it was bought for, by kind of material, by month. */
	import type { OrderBy } from '$core/answers/arrivals.ts';
	import { moneyByKind, moneyByMonth } from '$core/answers/moneyBy.ts';
	import type { Spend } from '$core/answers/spend.ts';
	import { componentMoneyFigure, groupMoneyFigure } from '$core/explain/money.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Weave from '$lib/ui/Weave.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		record: CostumeRecord;
		orders: readonly OrderBy[];
		spend: Spend;
		workshop: Workshop;
		today: number;
	}
	let { record, orders, spend, workshop, today }: Props = $props();
	const WAYS = ['component', 'kind', 'month'] as const;
	let by = $state<(typeof WAYS)[number]>('component');
	const costume = $derived(record.costume);
	const monthWords = (key: string) =>
		new Date(`${key}-15T00:00Z`).toLocaleDateString('en', {
			month: 'long',
			year: 'numeric',
			timeZone: 'UTC'
		});
</script>

<Sheet title="Money by {by}">
	{#snippet tools()}
		<fieldset>
			<legend class="visually-hidden">Money by</legend>
			{#each WAYS as way (way)}<label><input type="radio" bind:group={by} value={way} /> by {way}</label
				>{/each}
		</fieldset>
	{/snippet}
	<table>
		<thead
			><tr
				><th>{by === 'component' ? 'Component' : by === 'kind' ? 'Kind of material' : 'Month'}</th><th
					class="number">{by === 'component' ? 'Its share of what was bought' : 'Bought'}</th
				></tr
			></thead
		>
		<tbody>
			{#if by === 'component'}
				{#each record.components.filter((c) => spend.byComponent.get(c.id)) as c (c.id)}
					<tr
						><td>{c.code} {c.name}</td><td class="number"
							><Working figure={componentMoneyFigure(c, costume, spend, workshop)} /></td
						></tr
					>
				{/each}
				{#if spend.byComponent.get(null)}<tr
						><td class="soft">for no component</td><td class="number"
							>{formatMoney(spend.byComponent.get(null)!, costume.currency)}</td
						></tr
					>{/if}
			{:else if by === 'kind'}
				{#each moneyByKind(record.purchases, workshop.materials) as g (g.key)}
					<tr
						><td><Weave weave={WEAVE_OF_FAMILY[g.key] ?? 'plain'} /> {g.key}</td><td class="number"
							><Working figure={groupMoneyFigure(`Money in ${g.key}`, g, costume, workshop.materials)} /></td
						></tr
					>
				{/each}
			{:else}
				{#each moneyByMonth(record.purchases, orders, today) as g (g.key)}
					<tr
						><td>{monthWords(g.key)}</td><td class="number"
							><Working
								figure={groupMoneyFigure(`Money in ${monthWords(g.key)}`, g, costume, workshop.materials)}
							/></td
						></tr
					>
				{/each}
			{/if}
			<tr class="sum"
				><td>Planned, ordered and paid</td><td class="number"
					>{formatMoney(spend.plannedMinor + spend.orderedMinor + spend.paidMinor, costume.currency)}</td
				></tr
			>
		</tbody>
	</table>
	{#if by === 'month'}<p class="small soft">
			What is ordered counts in the month of its order, what is not in that of the day to order by.
		</p>{/if}
</Sheet>

<style>
	.sum td {
		font-weight: 600;
		border-top: 2px solid var(--ink);
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
		border: 0;
		padding: 0;
		margin: 0;
	}
</style>
