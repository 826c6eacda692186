<script lang="ts">
	/** The fields of a component, for adding and for editing. */
	import {
		FLEXES,
		KINDS,
		SEEN_FROM,
		SIDES,
		SOURCES,
		SURFACE_KEYS,
		type Component
	} from '$core/facts/component.ts';
	import { ZONES, zoneWords, type Zone } from '$core/facts/zone.ts';
	import { page } from '$app/state';
	import { SURFACES } from '$core/trade/surface.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { formatLength } from '$core/units/measure.ts';
	import Choices from './Choices.svelte';
	import Field from './Field.svelte';

	interface Props {
		component?: Component;
		/** Zones ticked at first, when adding from the figure. */
		zones?: readonly Zone[];
	}
	let { component, zones = [] }: Props = $props();
	const unit = $derived((page.data.workshop as Workshop).settings.lengthUnit);
	const SIDE_WORDS = { none: 'middle or whole', left: 'left', right: 'right', pair: 'pair, left and right' };
	const NEED_WORDS = [
		'0 nobody would miss it',
		'1 hardly',
		'2 a little',
		'3 usual',
		'4 much',
		'5 the look is lost without it'
	];
	const chosen = $derived(component?.zones ?? zones);
</script>

<div class="fields three">
	<Field name="name" label="Name" value={component?.name ?? ''} required wide />
	<Field name="kind" label="Kind" options={KINDS} value={component?.kind ?? 'armor'} />
	<Field name="form" label="Form" value={component?.form ?? ''} hint="e.g. 6 mm foam plate" />
	<Field
		name="thicknessMm"
		label="Thickness"
		value={component?.thicknessMm == null ? '' : formatLength(component.thicknessMm, unit)}
		inputmode="decimal"
		hint="how far it stands off what is beneath; empty: not known"
	/>
	<Field
		name="side"
		label="Side"
		options={SIDES.map((s) => ({ value: s, label: SIDE_WORDS[s] }))}
		value={component?.side ?? 'none'}
	/>
	<Field name="count" label="Count" value={component?.count ?? 1} inputmode="numeric" hint="of each side" />
	<Field name="layer" label="Layer" value={component?.layer ?? 1} inputmode="numeric" hint="0 is skin" />
	<Field name="flex" label="Rigid or stretch" options={FLEXES} value={component?.flex ?? 'rigid'} />
	<Field
		name="surface"
		label="Surface"
		options={SURFACE_KEYS.map((value) => ({ value, label: SURFACES[value].name }))}
		none="as its materials"
		value={component?.surface ?? ''}
	/>
	<Field name="source" label="How to get it" options={SOURCES} value={component?.source ?? 'make'} />
	<Field name="seenFrom" label="Seen from" options={SEEN_FROM} value={component?.seenFrom ?? 'near'} />
	<Field
		name="lookNeed"
		label="The look needs it"
		options={NEED_WORDS.map((label, value) => ({ value, label }))}
		value={component?.lookNeed ?? 3}
	/>
	<Field name="code" label="Code" value={component?.code ?? ''} hint="empty: the next free one" />
	<Choices
		legend="Zones"
		name="zones[]"
		options={ZONES.map((value) => ({ value, label: zoneWords(value) }))}
		{chosen}
		framed
	/>
	<Field name="note" label="Note" type="area" value={component?.note ?? ''} wide />
</div>
