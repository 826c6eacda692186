<script lang="ts">
	/** What goes over what: the traits that a rule speaks of, why, and what cures it. */
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import type { CoatRule } from '$core/trade/coatRule.ts';
	import Field from '../Field.svelte';
	import Tick from '../Tick.svelte';
	import CureRows from './CureRows.svelte';
	import { TRAIT_WORDS } from './tables.ts';

	let { row, trade }: { row: Partial<CoatRule>; trade: Catalogue } = $props();
</script>

<Field
	name="over"
	label="What goes over"
	value={row.over?.join(', ') ?? ''}
	hint="enamel, clear+matt"
	required
	wide
/>
<Field
	name="on"
	label="… what is beneath"
	value={row.on?.join(', ') ?? ''}
	hint="rubber, foam+bare, bends"
	required
	wide
/>
<Field name="unless" label="Unless" value={row.unless?.join(', ') ?? ''} hint="masked" wide />
<p class="small soft wide">{TRAIT_WORDS}</p>
<div class="wide">
	<Tick name="spoils" label="It spoils; else it is tried on a scrap first" checked={row.spoils === true} />
	<Tick name="untilCured" label="Only until the one beneath is hard" checked={row.untilCured === true} />
</div>
<Field name="why" label="Why" value={row.why ?? ''} required wide />
<div class="wide"><CureRows {trade} cures={[...(row.cures ?? [])]} /></div>

<style>
	.wide {
		grid-column: 1 / -1;
	}
</style>
