<script lang="ts">
	/** A pack that a supplier sells, for adding and for editing. */
	import type { Material } from '$core/facts/material.ts';
	import type { Offer, Supplier } from '$core/facts/supplier.ts';
	import { formatBreaks } from '$core/formats/terms.ts';
	import { typedMoney } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		offer?: Offer;
		materials: readonly Material[];
		suppliers: readonly Supplier[];
	}
	let { offer, materials, suppliers }: Props = $props();
	const currency = $derived(suppliers.find((s) => s.id === offer?.supplierId)?.currency ?? 'EUR');
</script>

<div class="fields three">
	{#if !offer}
		<Field
			name="materialId"
			label="Material"
			options={materials.map((m) => ({ value: m.id, label: `${m.name}, in ${m.unit}` }))}
			none="choose"
		/>
	{/if}
	<Field
		name="supplierId"
		label="Supplier"
		options={suppliers.map((s) => ({ value: s.id, label: `${s.name}, in ${s.currency}` }))}
		value={offer?.supplierId ?? suppliers[0]?.id ?? ''}
	/>
	<Field
		name="packSize"
		label="In one pack"
		value={offer ? formatNumber(offer.packSize, 3) : '1'}
		inputmode="decimal"
	/>
	<Field
		name="packPrice"
		label="Price of a pack"
		value={typedMoney(offer?.packPriceMinor, currency)}
		inputmode="decimal"
	/>
	<Field
		name="breaks"
		label="Price from so many on"
		value={offer ? formatBreaks(offer.breaks, currency) : ''}
		hint="5: 9.90; 10: 8.50"
	/>
	<Field
		name="leadDays"
		label="Lead, working days"
		value={offer?.leadDays ?? ''}
		inputmode="numeric"
		hint="0: bought on the day; empty: not known"
	/>
	<Field
		name="mostPacks"
		label="Packs to be had"
		value={offer?.mostPacks ?? ''}
		inputmode="numeric"
		hint="empty: as many as wanted"
	/>
	<Field name="note" label="Note" value={offer?.note ?? ''} />
</div>
