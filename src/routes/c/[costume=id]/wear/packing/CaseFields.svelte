<script lang="ts">
	/** The fields of a case. */
	import { CARRIER } from '$core/answers/packed.ts';
	import type { TravelCase } from '$core/facts/travel.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';

	let { its, unit }: { its?: TravelCase; unit: LengthUnit } = $props();
	const side = (i: number) => (its ? formatLength(its.inner[i]!, unit) : '');
</script>

<div class="fields">
	<Field name="name" label="Name" value={its?.name ?? ''} wide />
	<Field name="long" label="Length inside" value={side(0)} inputmode="decimal" />
	<Field name="wide" label="Width inside" value={side(1)} inputmode="decimal" />
	<Field name="high" label="Height inside" value={side(2)} inputmode="decimal" />
	<Field
		name="wallMm"
		label="Wall, wheels, handles"
		value={formatLength(its?.wallMm ?? 10, unit)}
		inputmode="decimal"
		hint="what they add on each side"
	/>
	<Field
		name="kg"
		label="Takes at most"
		value={formatNumber(its?.kg ?? CARRIER.kg, 1)}
		inputmode="decimal"
		suffix="kg"
		hint="checked bags are often limited to {CARRIER.kg} kg and {formatLength(
			CARRIER.girthMm,
			unit
		)} length + width + height; the carrier decides"
	/>
</div>
