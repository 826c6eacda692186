<script lang="ts">
	/** A lot: what there is of it, which it is, where it lies, what it cost and until when it is good. */
	import { placeOf } from '$core/answers/lots.ts';
	import type { Lot } from '$core/facts/lot.ts';
	import type { Material } from '$core/facts/material.ts';
	import { CURRENCIES, typedMoney } from '$core/units/money.ts';
	import { formatDate } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		material: Material;
		lot?: Lot;
		/** Where things lie already. */
		places: readonly string[];
	}
	let { material, lot, places }: Props = $props();
	const day = (d: number | null | undefined) => (d == null ? '' : formatDate(d));
	const usual = $derived(placeOf({ place: '' }, material));
</script>

<div class="fields three">
	<Field
		name="quantity"
		label="How much there is"
		value={lot ? formatNumber(lot.quantity, 3) : ''}
		inputmode="decimal"
		suffix={material.unit}
		required
	/>
	<Field name="colour" label="Shade or dye lot" value={lot?.colour ?? ''} />
	<Field
		name="place"
		label="Where it lies"
		value={lot?.place ?? ''}
		list={places}
		hint={usual ? `empty: ${usual}` : undefined}
	/>
	<Field
		name="packPriceMinor"
		label="Price of a pack then"
		value={lot?.currency ? typedMoney(lot.packPriceMinor, lot.currency) : ''}
		inputmode="decimal"
		hint="empty: as it costs today"
	/>
	<Field name="currency" label="Currency" options={CURRENCIES} value={lot?.currency ?? material.currency} />
	<Field
		name="packSize"
		label="In that pack"
		value={formatNumber(lot?.packSize ?? material.packSize, 3)}
		inputmode="decimal"
		suffix={material.unit}
	/>
	<Field name="boughtOn" label="Bought on" type="date" value={day(lot?.boughtOn)} />
	<Field
		name="openedOn"
		label="Opened on"
		type="date"
		value={day(lot?.openedOn)}
		hint="of several packs the open one is a lot of its own"
	/>
	<Field
		name="openMonths"
		label="Good once open"
		value={lot?.openMonths ?? ''}
		inputmode="numeric"
		suffix="months"
		hint="the open jar on its label"
	/>
	<Field
		name="bestBefore"
		label="Good until"
		type="date"
		value={day(lot?.bestBefore)}
		hint="of glue, latex, resin, paint: as its label says"
	/>
	<Field name="note" label="Note" value={lot?.note ?? ''} />
</div>
