<script lang="ts">
	/** The parcels that a choice comes in: whose, for how much, here when. */
	import type { Parcel } from '$core/answers/purchaseChoice.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';

	let { parcels, currency }: { parcels: readonly Parcel[]; currency: string } = $props();
</script>

<ul>
	{#each parcels as p (p.supplier)}
		<li>
			<b>{p.supplier || 'no supplier named'}</b>
			<span class="figure"
				>{formatMoney(p.goodsMinor, currency)}{p.shippingMinor
					? ` + ${formatMoney(p.shippingMinor, currency)} sending`
					: ''}</span
			>
			<span class="small">here {dayWords(p.arrives)}</span>
		</li>
	{/each}
</ul>

<style>
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 12px;
		list-style: none;
		padding: 0;
		margin: 12px 0;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		align-items: baseline;
		border: 1px solid var(--rule);
		border-left: 4px solid var(--brass);
		padding: 6px 12px;
		background: var(--sheet-shade);
	}
</style>
