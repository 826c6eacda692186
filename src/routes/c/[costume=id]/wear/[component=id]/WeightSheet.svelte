<script lang="ts">
	/** What one of it weighs, from what, and what the scales say. */
	import type { Component } from '$core/facts/component.ts';
	import type { Wearing } from '$core/facts/wear.ts';
	import type { Weight } from '$core/answers/weight.ts';
	import { weightFigure } from '$core/explain/load.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Table from '$lib/ui/Table.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		component: Component;
		weight: Weight;
		wearing: Wearing | undefined;
		unit: LengthUnit;
	}
	let { component, weight, wearing, unit }: Props = $props();
	const mm = (at: number) => formatLength(wearing?.centre?.[at] ?? 0, unit);
</script>

<Sheet title="What it weighs">
	<p class="weight">
		{#if weight.grams === null}<b>Not known</b>{:else}<b
				><Working figure={weightFigure(weight, `${component.code} ${component.name}`)} big /></b
			>
			<span class="soft">{weight.weighed ? 'by the scales' : 'worked out'}, one of it</span>{/if}
	</p>
	{#if weight.parts.length}
		<Table>
			{#snippet heads()}<th>Of</th><th class="number">Weighs</th><th>How</th>{/snippet}
			{#each weight.parts as part, i (i)}
				<tr
					><td>{part.name}</td><td class="number">{formatNumber(part.grams, 1)} g</td><td class="small soft"
						>{part.how}</td
					></tr
				>
			{/each}
		</Table>
		<p class="small soft">One copy; what it is made of by its area, coats when they are dry.</p>
	{/if}
	{#if weight.unknown.length && !weight.weighed}
		<p class="small">
			<b>Not counted, as nobody has said what it weighs:</b>
			{weight.unknown.join(', ')}. The weight of a m² is told under Stash.
		</p>
	{/if}
	<Form command="setWearing" hidden={{ componentId: component.id }} label="Weight of {component.name}">
		<div class="fields">
			<Field
				name="grams"
				label="By the scales"
				value={wearing?.grams ?? ''}
				inputmode="decimal"
				suffix="g"
				hint="one of it; wins over what is worked out"
			/>
			<Field name="upMm" label="Its weight lies up" value={mm(1)} hint="from its middle" />
			<Field name="outMm" label="Outwards" value={mm(0)} hint="where it balances on a finger" />
			<Field name="forwardMm" label="Forward" value={mm(2)} />
		</div>
		<Submit>Save these</Submit>
	</Form>
</Sheet>

<style>
	.weight {
		display: flex;
		gap: 12px;
		align-items: baseline;
		margin-bottom: 8px;
	}
	.weight b {
		font: 600 var(--s24) / 1.2 var(--head);
	}
	p:last-of-type {
		margin-bottom: 12px;
	}
	.number {
		text-align: right;
		font-family: var(--mono);
	}
</style>
