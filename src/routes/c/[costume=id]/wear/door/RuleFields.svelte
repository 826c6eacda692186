<script lang="ts">
	/** The fields of a rule: those that its kind has. */
	import { RULE_KINDS, type EventRule, type RuleKind } from '$core/facts/travel.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import { RULE_WORDS } from '$lib/ui/wear/travelWords.ts';

	let { rule, unit }: { rule?: EventRule; unit: LengthUnit } = $props();
	// svelte-ignore state_referenced_locally
	let kind = $state<string>(rule?.kind ?? 'length');
	const limit = (of: RuleKind, i: number) => (rule?.kind === of ? rule.limits[i]! : null);
	const side = (of: RuleKind, i: number) => {
		const mm = limit(of, i);
		return mm === null ? '' : formatLength(mm, unit);
	};
	const grams = $derived(limit('weight', 0));
</script>

<div class="fields">
	<Field
		name="kind"
		label="Rule"
		options={RULE_KINDS.map((value) => ({ value, label: RULE_WORDS[value] }))}
		bind:value={kind}
		wide
	/>
	{#if kind === 'length'}
		<Field name="most" label="Longest side at most" value={side('length', 0)} inputmode="decimal" />
	{:else if kind === 'weight'}
		<Field
			name="kilograms"
			label="A prop at most"
			value={grams === null ? '' : formatNumber(grams / 1000, 3)}
			inputmode="decimal"
			suffix="kg"
		/>
	{:else if kind === 'case'}
		<Field name="long" label="Length" value={side('case', 0)} inputmode="decimal" />
		<Field name="wide" label="Width" value={side('case', 1)} inputmode="decimal" />
		<Field name="high" label="Height" value={side('case', 2)} inputmode="decimal" />
	{:else if kind === 'hours'}
		<Field
			name="hours"
			label="Hours of a day"
			value={rule?.kind === 'hours' ? formatNumber(rule.limits[0]!, 2) : ''}
			inputmode="decimal"
			suffix="h"
			hint="what lights has to last for all of it"
		/>
	{/if}
	<Field
		name="note"
		label={kind === 'other' ? 'The rule, in its words' : 'Note'}
		type="area"
		value={rule?.note ?? ''}
		wide
	/>
</div>
