<script lang="ts">
	/** The terms of a supplier, for adding and for editing. */
	import type { Supplier } from '$core/facts/supplier.ts';
	import { formatDays } from '$core/formats/terms.ts';
	import { weekdayName } from '$core/units/localTime.ts';
	import { CURRENCIES, typedMoney } from '$core/units/money.ts';
	import Field from '$lib/ui/Field.svelte';
	import FormError from '$lib/ui/FormError.svelte';

	interface Props {
		supplier?: Supplier;
		currency: string;
		/** Suppliers that materials name and whose terms nobody has said. */
		named?: readonly string[];
	}
	let { supplier, currency, named = [] }: Props = $props();
	const money = (minor: number | null | undefined) => typedMoney(minor, supplier?.currency ?? currency);
</script>

<div class="fields three">
	<Field name="name" label="Supplier" value={supplier?.name ?? named[0] ?? ''} list={named} required />
	<Field name="currency" label="Currency" options={CURRENCIES} value={supplier?.currency ?? currency} />
	<Field
		name="shipping"
		label="Sending costs"
		value={money(supplier?.shippingMinor)}
		inputmode="decimal"
		hint="of one parcel"
	/>
	<Field
		name="freeFrom"
		label="Sent free from"
		value={money(supplier?.freeFromMinor)}
		inputmode="decimal"
		hint="goods for so much; empty: never"
	/>
	<Field
		name="minOrder"
		label="Least order"
		value={money(supplier?.minOrderMinor)}
		inputmode="decimal"
		hint="empty: any"
	/>
	<Field
		name="closed"
		label="Closed on"
		value={supplier ? formatDays(supplier.closed) : ''}
		hint="2031-05-01, 2031-12-24 to 2032-01-02"
	/>
	<fieldset>
		<legend>Sends on</legend>
		{#each [1, 2, 3, 4, 5, 6, 7] as day (day)}
			<label
				><input
					type="checkbox"
					name="days[]"
					value={day}
					checked={(supplier?.workingDays ?? [1, 2, 3, 4, 5]).includes(day)}
				/>
				{weekdayName(day)}</label
			>
		{/each}
		<FormError name="days" />
	</fieldset>
	<Field name="note" label="Note" value={supplier?.note ?? ''} wide />
</div>

<style>
	fieldset {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
	}
	label {
		display: inline-flex;
		gap: 6px;
		align-items: center;
		min-height: 32px;
	}
	@media (max-width: 700px) {
		label {
			min-height: 44px;
		}
	}
</style>
