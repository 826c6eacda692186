<script lang="ts">
	/** Where a cause is usual: nothing chosen is anywhere. */
	import { SURFACE_KEYS } from '$core/facts/component.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { HOLD_KINDS, holdRateOf } from '$core/trade/holdRate.ts';
	import { FAULT_LOADS, type FaultLoad } from '$core/trade/knownFault.ts';
	import Choices from '../Choices.svelte';

	let { row, trade }: { row: Record<string, unknown>; trade: Catalogue } = $props();
	const list = (key: string) => (row[key] as string[] | undefined) ?? [];
	const LOADS: Record<FaultLoad, string> = {
		overloaded: 'it takes more than it bears when jumping',
		tips: 'it tips'
	};
	const kinds = $derived([...Object.keys(trade.fastener).map((key) => `fastener ${key}`), ...HOLD_KINDS]);
</script>

<Choices
	legend="Usual where this lets go"
	name="holds[]"
	options={kinds.map((value) => ({ value, label: holdRateOf(value, trade).name }))}
	chosen={list('holds')}
/>
<Choices
	legend="On"
	name="surfaces[]"
	options={SURFACE_KEYS.map((value) => ({ value, label: value }))}
	chosen={list('surfaces')}
/>
<Choices
	legend="When"
	name="loads[]"
	options={FAULT_LOADS.map((value) => ({ value, label: LOADS[value] }))}
	chosen={list('loads')}
/>
