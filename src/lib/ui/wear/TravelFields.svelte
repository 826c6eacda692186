<script lang="ts">
	/** The fields of how a component travels, and what of it an event may forbid. */
	import { inLedgerOrder, type Component } from '$core/facts/component.ts';
	import { FOLDED, type Luggage } from '$core/answers/packed.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { foldedFigure } from '$core/explain/travel.ts';
	import { FEATURES } from '$core/facts/wear.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Choices from '../Choices.svelte';
	import Field from '../Field.svelte';
	import Tick from '../Tick.svelte';
	import Working from '../Working.svelte';
	import { boxWords, FEATURE_WORDS } from './travelWords.ts';

	interface Props {
		luggage: Luggage;
		components: readonly Component[];
		unit: LengthUnit;
	}
	let { luggage, components, unit }: Props = $props();
	const said = $derived(luggage.said);
	const folded = $derived(foldedFigure(luggage, unit));
	const side = (box: readonly number[] | null, i: number) => (box ? formatLength(box[i]!, unit) : '');
	const travels = $derived([
		{ value: 'case', label: 'in a case' },
		{ value: 'worn', label: 'worn on the way' },
		{ value: 'hand', label: 'carried by hand' },
		...inLedgerOrder(components)
			.filter(({ item }) => item.id !== luggage.component.id)
			.map(({ item }) => ({ value: String(item.id), label: `inside ${item.code} ${item.name}` }))
	]);
</script>

<div class="fields">
	<p class="small soft across">Its size, one copy put together:</p>
	<Field name="long" label="Length" value={side(said.size, 0)} inputmode="decimal" />
	<Field name="wide" label="Width" value={side(said.size, 1)} inputmode="decimal" />
	<Field name="high" label="Height" value={side(said.size, 2)} inputmode="decimal" />
	<Field
		name="parts"
		label="Comes apart into"
		value={said.parts}
		inputmode="numeric"
		suffix="parts"
		hint="along its longest side"
	/>
	<p class="small soft across">As it is packed, opened flat or folded; nothing goes by the above:</p>
	{#if folded}
		<p class="small across">
			Folded from its pieces: {boxWords([FOLDED.length, FOLDED.width], unit)} ×
			<Working figure={folded} text={formatLength(valueOf(folded), unit)} />
		</p>
	{/if}
	<Field name="packedLong" label="Packed length" value={side(said.packed, 0)} inputmode="decimal" />
	<Field name="packedWide" label="Packed width" value={side(said.packed, 1)} inputmode="decimal" />
	<Field name="packedHigh" label="Packed height" value={side(said.packed, 2)} inputmode="decimal" />
	<Field
		name="softTo"
		label="Can be pressed to"
		value={said.softTo === null ? '' : formatNumber(100 * said.softTo, 0)}
		inputmode="decimal"
		suffix="% of its height"
		hint="nothing: it is rigid"
	/>
	<Field
		name="travels"
		label="Travels"
		options={travels}
		value={said.insideId === null ? said.travels : String(said.insideId)}
		wide
	/>
	<div class="across">
		<Tick name="fragile" label="fragile: nothing lies on it" checked={said.fragile} />
		<Tick name="upright" label="this way up: its height stays up" checked={said.upright} />
	</div>
	<Choices
		legend="What of it an event may forbid"
		name="features"
		options={FEATURES.map((value) => ({ value, label: FEATURE_WORDS[value] }))}
		chosen={said.features}
		framed
	/>
</div>

<style>
	.across {
		grid-column: 1 / -1;
	}
</style>
