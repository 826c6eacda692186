<script lang="ts">
	/** The fields of a material, for adding and for editing. */
	import { capital } from '$core/units/names.ts';
	import { coatProductOf } from '$core/trade/catalogue.ts';
	import type { CoatProductKey } from '$core/facts/coat.ts';
	import { handbook } from './handbook/handbook.ts';
	import { FAMILIES, type Material, type SupplyKey } from '$core/facts/material.ts';
	import { UNITS } from '$core/trade/starter.ts';
	import { formatArea, formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { CURRENCIES, typedMoney } from '$core/units/money.ts';
	import ColourField from './ColourField.svelte';
	import Field from './Field.svelte';
	import Tick from './Tick.svelte';

	interface Props {
		material?: Material;
		currency: string;
		unit: LengthUnit;
		/** A coat product that still needs a material. */
		coat?: CoatProductKey;
		/** A supply that still needs one. */
		supply?: SupplyKey;
	}
	let { material, currency, unit, coat, supply }: Props = $props();
	/** What of the library it begins as. */
	let startedAs = $state('');
	const library = handbook().starter;
	const started = $derived(library[startedAs] ?? null);
	const size = (mm: number | null | undefined) => (mm == null ? '' : formatLength(mm, unit));
	const product = $derived(coat ? coatProductOf(handbook(), coat) : null);
	const row = $derived(supply ? handbook().supply[supply] : undefined);
	/** What stands in the fields of a new one. */
	const fresh = $derived<Pick<Material, 'name' | 'family' | 'unit' | 'packSize'>>(
		started ??
			(row
				? { name: capital(row.name), family: row.family, unit: row.unit, packSize: row.pack }
				: product
					? { name: `${product.name}, ${product.pack}`, family: 'paint', unit: 'can', packSize: 1 }
					: { name: '', family: 'foam', unit: 'sheet', packSize: 1 })
	);
	/** Its sizes and what else is known of it. */
	const known = $derived(material ?? started);
	let family = $derived(material?.family ?? fresh.family);
	const counted = $derived(
		material?.unit ?? (UNITS[family].includes(fresh.unit) ? fresh.unit : UNITS[family][0]!)
	);
	const price = $derived(material ? typedMoney(material.packPriceMinor, material.currency) : '');
</script>

<div class="fields three">
	{#if !material && !coat && !supply}
		<Field
			name="startedAs"
			label="As it is usually sold"
			options={Object.entries(library).map(([value, s]) => ({ value, label: `${s.family}: ${s.name}` }))}
			none="something else"
			bind:value={startedAs}
			hint="fills in sizes and pack; change what is otherwise"
			wide
		/>
	{/if}
	<Field name="name" label="Material" value={material?.name ?? fresh.name} required wide />
	<Field
		name="colour"
		label="Colour"
		value={material?.colour ?? ''}
		hint="where it shows: in the same words as its paint"
	/>
	<ColourField name="lab" label="Looks, dry" value={material?.lab ?? null} />
	<Field name="family" label="Family" options={FAMILIES} bind:value={family} />
	<Field
		name="unit"
		label="Counted in"
		value={counted}
		list={UNITS[family]}
		hint={UNITS[family].join(', ')}
	/>
	<Field
		name="packSize"
		label="In one pack"
		value={formatNumber(material?.packSize ?? fresh.packSize, 3)}
		inputmode="decimal"
	/>
	<Field
		name="packPriceMinor"
		label="Price of a pack"
		value={price}
		inputmode="decimal"
		hint="left empty: not known"
	/>
	<Field name="currency" label="Currency" options={CURRENCIES} value={material?.currency ?? currency} />
	<Field name="supplier" label="Supplier" value={material?.supplier ?? ''} />
	<Field
		name="leadDays"
		label="Lead days"
		value={known?.leadDays ?? ''}
		inputmode="numeric"
		hint="0: bought on the day; empty: not known"
	/>
	{#if !material}<Field name="stash" label="In the stash" value="0" inputmode="decimal" />{/if}
	<Field name="stashNote" label="Where it usually lies" value={material?.stashNote ?? ''} />
	<Field
		name="coatProduct"
		label="Is the coat product"
		options={Object.entries(handbook().coatProduct).map(([value, p]) => ({ value, label: p.name }))}
		none="none"
		value={material?.coatProduct ?? coat ?? ''}
	/>
	<Field
		name="supply"
		label="Is the supply"
		options={Object.entries(handbook().supply).map(([value, s]) => ({ value, label: s.name }))}
		none="none"
		value={material?.supply ?? supply ?? ''}
		hint="work that uses it up asks for it"
	/>
	<Field
		name="coversMm2"
		label="A pack covers, one coat"
		value={material?.coversMm2 == null ? '' : formatArea(material.coversMm2, unit)}
		hint="of paint, as its label says; empty: by its content"
	/>
	<Field
		name="thicknessMm"
		label="Thickness"
		value={size(known?.thicknessMm)}
		hint="of foam, boards, cloth"
	/>
	<Field name="widthMm" label="Width" value={size(known?.widthMm)} hint="of the sheet or the roll" />
	<Field name="lengthMm" label="Length" value={size(known?.lengthMm)} hint="of a sheet; a roll has none" />
	<Field
		name="gramsPerM2"
		label="Weight of 1 m²"
		value={known?.gramsPerM2 == null ? '' : formatNumber(known.gramsPerM2, 1)}
		inputmode="decimal"
		suffix="g"
	/>
	<Field
		name="stretchAcross"
		label="Stretches across"
		value={known?.stretchAcross == null ? '' : formatNumber(known.stretchAcross, 1)}
		inputmode="decimal"
		suffix="%"
		hint="of cloth: 100 mm pulled to 130 are 30"
	/>
	<Field
		name="stretchAlong"
		label="Stretches along"
		value={known?.stretchAlong == null ? '' : formatNumber(known.stretchAlong, 1)}
		inputmode="decimal"
		suffix="%"
		hint="empty: not known"
	/>
	<div class="tick">
		<Tick
			name="leadWorkingDays"
			label="Lead counts working days only"
			checked={material?.leadWorkingDays ?? true}
		/>
	</div>
</div>

<style>
	.tick {
		align-self: center;
		grid-column: span 2;
	}
</style>
