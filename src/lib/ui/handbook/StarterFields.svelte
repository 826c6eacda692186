<script lang="ts">
	/** How a material is sold as a rule. */
	import { FAMILIES } from '$core/facts/material.ts';
	import { UNITS, type Starter } from '$core/trade/starter.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '../Field.svelte';

	let { row, unit }: { row: Partial<Starter>; unit: LengthUnit } = $props();
	// svelte-ignore state_referenced_locally
	let family = $state<string | number | null>(row.family ?? 'foam');
	const units = $derived(UNITS[family as keyof typeof UNITS]);
	const length = (mm: number | null | undefined) => (mm == null ? '' : formatLength(mm, unit));
	const number = (value: number | null | undefined) => (value == null ? '' : formatNumber(value, 3));
</script>

<Field name="family" label="Family" options={FAMILIES} bind:value={family} />
<Field name="unit" label="Counted in" value={row.unit ?? units[0]!} list={units} hint={units.join(', ')} />
<Field name="packSize" label="In one pack" value={number(row.packSize) || '1'} inputmode="decimal" />
<Field
	name="leadDays"
	label="Working days until it is there"
	value={row.leadDays ?? ''}
	inputmode="numeric"
/>
<Field name="thicknessMm" label="Thickness" value={length(row.thicknessMm)} inputmode="decimal" />
<Field name="widthMm" label="Width" value={length(row.widthMm)} inputmode="decimal" />
<Field name="lengthMm" label="Length of a sheet" value={length(row.lengthMm)} inputmode="decimal" />
<Field name="gramsPerM2" label="Grams a m²" value={number(row.gramsPerM2)} inputmode="decimal" />
<Field name="stretchAcross" label="Stretch across, %" value={number(row.stretchAcross)} inputmode="decimal" />
<Field name="stretchAlong" label="Stretch along, %" value={number(row.stretchAlong)} inputmode="decimal" />
