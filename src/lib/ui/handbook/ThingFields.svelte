<script lang="ts">
	/** What makers call a component, and what such a thing is as a rule. */
	import { FLEXES, KINDS } from '$core/facts/component.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { PLACES, type Thing } from '$core/trade/thing.ts';
	import Choices from '../Choices.svelte';
	import Field from '../Field.svelte';
	import Tick from '../Tick.svelte';

	let { row, trade }: { row: Partial<Thing>; trade: Catalogue } = $props();
</script>

<Field
	name="also"
	label="Also called"
	value={row.words?.slice(1).join(', ') ?? ''}
	hint="one of it, commas between; several by adding s"
	wide
/>
<Field
	name="many"
	label="Several are called"
	value={row.many?.join(', ') ?? ''}
	hint="where adding s is wrong: knives"
/>
<Field name="kind" label="Kind" options={KINDS} value={row.kind ?? 'armor'} />
<Field
	name="route"
	label="Route"
	options={Object.entries(trade.route).map(([value, r]) => ({ value, label: r.name }))}
	none="bought"
	value={row.route ?? ''}
/>
<Field name="layer" label="Layer" value={row.layer ?? 3} inputmode="numeric" hint="0 is skin" />
<Field name="flex" label="Rigid or stretch" options={FLEXES} value={row.flex ?? 'rigid'} />
<Choices
	legend="Where it is worn"
	name="places[]"
	options={PLACES.map((value) => ({ value, label: value.replace('-', ' ') }))}
	chosen={row.places ?? []}
/>
<Tick name="paired" label="Comes left and right" checked={row.paired === true} />
