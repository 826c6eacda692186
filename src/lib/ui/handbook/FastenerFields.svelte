<script lang="ts">
	/** What a fastener bears, and the work that sets it. */
	import { BEARS_BY, COUNTED, type Fastener } from '$core/trade/fastener.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '../Field.svelte';
	import Tick from '../Tick.svelte';
	import { BEARS_WORDS, COUNTED_WORDS } from './tables.ts';

	let { row, trade }: { row: Partial<Fastener>; trade: Catalogue } = $props();
	const WAYS = [
		{ name: 'shear', by: 'shearBy', label: 'Bears along its face, N' },
		{ name: 'pull', by: 'pullBy', label: 'Bears straight off, N' }
	] as const;
	const number = (value: number | undefined) => (value === undefined ? '' : formatNumber(value, 4));
</script>

<Field
	name="technique"
	label="Set by"
	options={Object.entries(trade.technique).map(([value, t]) => ({ value, label: t.name }))}
	value={row.technique ?? 'attach'}
/>
<Field
	name="counted"
	label="Work and weight count"
	options={COUNTED.map((value) => ({ value, label: COUNTED_WORDS[value] }))}
	value={row.counted ?? 'each'}
/>
{#each WAYS as { name, by, label } (name)}
	<Field {name} {label} value={number(row[name])} inputmode="decimal" required />
	<Field
		name={by}
		label="Of that, for"
		options={BEARS_BY.map((value) => ({ value, label: BEARS_WORDS[value] }))}
		value={row[by] ?? 'each'}
	/>
{/each}
<Field name="grams" label="Weighs, g" value={number(row.grams) || '0'} inputmode="decimal" />
<div class="ticks">
	<Tick name="steel" label="Of plain steel, which rusts in the wash" checked={row.steel === true} />
	<Tick name="selfAdhesive" label="Held by its own glue" checked={row.selfAdhesive === true} />
	<Tick name="strap" label="A strap that pulls on what it is set into" checked={row.strap === true} />
</div>

<style>
	.ticks {
		grid-column: 1 / -1;
	}
</style>
