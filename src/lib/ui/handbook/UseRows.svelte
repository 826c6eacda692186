<script lang="ts">
	/** What uses a supply up: one technique a line. They go with the form as one field. */
	import { techniqueOf, type Catalogue } from '$core/trade/catalogue.ts';
	import type { SupplyUse } from '$core/trade/supply.ts';
	import { formatNumber, parseNumber } from '$core/units/number.ts';
	import Lines from './Lines.svelte';

	interface Props {
		trade: Catalogue;
		unit: string;
		uses: readonly SupplyUse[];
	}
	let { trade, unit, uses }: Props = $props();
	const lineOf = ({ technique, amount }: SupplyUse) => ({ technique, amount: formatNumber(amount, 4) });
	// svelte-ignore state_referenced_locally
	let lines = $state(uses.map(lineOf));
	/** What cannot be read goes as it is not: the row's form says so. */
	const sent = $derived(
		JSON.stringify(
			lines.map(({ technique, amount }) => {
				const read = parseNumber(amount);
				return { technique, amount: read.ok ? read.value : null };
			})
		)
	);
	const per = (technique: string) =>
		({ length: 'a metre', area: 'a m²', count: `each ${techniqueOf(trade, technique).of}` })[
			techniqueOf(trade, technique).driver
		];
</script>

<Lines
	legend="Used up by"
	name="uses"
	{sent}
	{lines}
	one="use"
	onadd={() => lines.push(lineOf({ technique: 'other', amount: 1 }))}
	onremove={(i) => lines.splice(i, 1)}
>
	{#snippet line(use, i)}
		<select bind:value={use.technique} aria-label="Technique {i + 1}">
			{#each Object.entries(trade.technique) as [key, t] (key)}<option value={key}>{t.name}</option>{/each}
		</select>
		<label
			><input class="short" bind:value={use.amount} inputmode="decimal" aria-label="Uses up {i + 1}" />
			{unit}
			{per(use.technique)}</label
		>
	{/snippet}
</Lines>

<style>
	label {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		white-space: nowrap;
	}
	.short {
		width: 5em;
	}
</style>
