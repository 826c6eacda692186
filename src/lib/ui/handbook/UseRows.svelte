<script lang="ts">
	/** What uses a supply up: one technique a line. They go with the form as one field. */
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import { techniqueOf, type Catalogue } from '$core/trade/catalogue.ts';
	import type { SupplyUse } from '$core/trade/supply.ts';
	import { formatNumber, parseNumber } from '$core/units/number.ts';
	import { useForm } from '../formState.ts';

	interface Props {
		trade: Catalogue;
		unit: string;
		uses: readonly SupplyUse[];
	}
	let { trade, unit, uses }: Props = $props();
	const form = useForm();
	const error = $derived(form.errors.uses);
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

<fieldset class="uses">
	<legend>Used up by</legend>
	<input type="hidden" name="uses" value={sent} />
	{#if error}<p class="error" role="alert">{error}</p>{/if}
	{#each lines as line, i (line)}
		<div class="line">
			<select bind:value={line.technique} aria-label="Technique {i + 1}">
				{#each Object.entries(trade.technique) as [key, t] (key)}<option value={key}>{t.name}</option>{/each}
			</select>
			<label
				><input class="short" bind:value={line.amount} inputmode="decimal" aria-label="Uses up {i + 1}" />
				{unit}
				{per(line.technique)}</label
			>
			<button
				type="button"
				class="button small quiet"
				aria-label="Remove use {i + 1}"
				onclick={() => lines.splice(i, 1)}><X size={14} /></button
			>
		</div>
	{/each}
	<button
		type="button"
		class="button small"
		onclick={() => lines.push(lineOf({ technique: 'other', amount: 1 }))}><Plus size={14} /> Use</button
	>
</fieldset>

<style>
	.uses {
		border: 1px solid var(--rule);
		padding: 8px 12px;
		margin: 0;
	}
	.line {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 8px;
		padding: 3px 0;
	}
	.line > select {
		flex: 1 1 12em;
		min-width: 0;
		width: auto;
	}
	label {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		white-space: nowrap;
	}
	.short {
		width: 5em;
	}
	.error {
		color: var(--red-ink);
	}
</style>
