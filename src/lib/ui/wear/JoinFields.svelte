<script lang="ts">
	/** The fields of what holds a component. */
	import { inLedgerOrder, type Component } from '$core/facts/component.ts';
	import { FACINGS, type Join } from '$core/facts/wear.ts';
	import { ZONES, zoneWords } from '$core/facts/zone.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Field from '../Field.svelte';
	import Tick from '../Tick.svelte';

	interface Props {
		/** What is held. */
		component: Component;
		components: readonly Component[];
		join?: Join;
		unit: LengthUnit;
	}
	let { component, components, join, unit }: Props = $props();
	const to = $derived([
		{ value: 'body', label: 'the body' },
		{ value: 'self', label: 'itself: it closes its own opening' },
		...inLedgerOrder(components)
			.filter(({ item }) => item.id !== component.id)
			.map(({ item }) => ({ value: String(item.id), label: `${item.code} ${item.name}` }))
	]);
	const fasteners = Object.entries(handbook().fastener).map(([value, f]) => ({ value, label: f.name }));
	const FACING_WORDS = { forward: 'to the front', outward: 'to the side', up: 'upwards' };
	const mm = (value: number) => formatLength(value, unit);
</script>

<div class="fields">
	<Field
		name="to"
		label="Holds to"
		options={to}
		value={join?.holdsTo === 'component' ? String(join.toComponentId) : (join?.holdsTo ?? 'body')}
		wide
	/>
	<Field name="fastener" label="Fastener" options={fasteners} value={join?.fastener ?? 'hookAndLoop'} />
	<Field name="count" label="How many" value={join?.count ?? 1} inputmode="numeric" />
	<Field name="widthMm" label="Width of one" value={mm(join?.widthMm ?? 25)} inputmode="decimal" />
	<Field name="lengthMm" label="Length of one" value={mm(join?.lengthMm ?? 50)} inputmode="decimal" />
	<Field
		name="zone"
		label="Where on the body"
		options={ZONES.map((value) => ({ value, label: zoneWords(value) }))}
		none="not said"
		value={join?.zone ?? component.zones[0] ?? ''}
	/>
	<Field
		name="faces"
		label="Comes off"
		options={FACINGS.map((value) => ({ value, label: FACING_WORDS[value] }))}
		value={join?.faces ?? 'outward'}
	/>
	<p class="small soft across">From the middle of {component.code}, − the other way:</p>
	<Field name="upMm" label="Up" value={mm(join?.upMm ?? 0)} inputmode="text" />
	<Field name="outMm" label="Outwards" value={mm(join?.outMm ?? 0)} inputmode="text" />
	<Field name="forwardMm" label="Forward" value={mm(join?.forwardMm ?? 0)} inputmode="text" />
	<div class="across">
		<Tick name="hidden" label="Nothing of it is seen" checked={join?.hidden ?? true} />
		<Tick name="breakaway" label="Lets go when somebody is caught on it" checked={join?.breakaway ?? false} />
	</div>
</div>

<style>
	.across {
		grid-column: 1 / -1;
	}
</style>
