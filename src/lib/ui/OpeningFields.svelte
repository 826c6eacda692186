<script lang="ts">
	/** The fields of a closed round of a component. */
	import type { Opening } from '$core/facts/opening.ts';
	import { PASSAGES } from '$core/facts/opening.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from './Field.svelte';
	import Tick from './Tick.svelte';

	interface Props {
		opening?: Opening;
		unit: LengthUnit;
		/** What it is of does not stretch. */
		rigid: boolean;
	}
	let { opening, unit, rigid }: Props = $props();
	const passages = Object.entries(PASSAGES).map(([value, p]) => ({ value, label: p.name }));
</script>

<div class="fields">
	<Field name="passage" label="Where it closes" options={passages} value={opening?.passage ?? 'cuff'} wide />
	<Field
		name="closedMm"
		label="Closed girth"
		value={opening ? formatLength(opening.closedMm, unit) : ''}
		inputmode="decimal"
		hint="inside, closed, not stretched"
	/>
	{#if rigid && !opening?.stretchPercent}<input type="hidden" name="stretchPercent" value="0" />
	{:else}
		<Field
			name="stretchPercent"
			label="Stretch"
			value={formatNumber(opening?.stretchPercent ?? 0, 1)}
			inputmode="decimal"
			suffix="%"
		/>
	{/if}
	<Field
		name="openingMm"
		label="Opening adds"
		value={formatLength(opening?.openingMm ?? 0, unit)}
		inputmode="decimal"
		hint="what zip, lacing or gap add to the girth; a slit from the edge adds twice its length"
	/>
	<Tick name="split" label="Opens along its whole length" checked={opening?.split ?? false} />
</div>
