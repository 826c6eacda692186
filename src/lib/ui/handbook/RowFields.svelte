<script lang="ts">
	/** The fields of one row of the handbook, by its table. */
	import { KINDS, SURFACE_KEYS } from '$core/facts/component.ts';
	import { FAMILIES } from '$core/facts/material.ts';
	import type { HandbookTable } from '$core/facts/handbook.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { DRIVER_KEYS } from '$core/trade/driver.ts';
	import { nameOfRow } from '$core/trade/handbookRow.ts';
	import { BOND_SIDES } from '$core/trade/bond.ts';
	import { BASES, ROLES, SHEENS } from '$core/trade/coatProduct.ts';
	import { DRIVERS, GROUNDS, LAYERS_DONE, REDO_KINDS } from '$core/trade/technique.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { formatArea, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Choices from '../Choices.svelte';
	import Field from '../Field.svelte';
	import Tick from '../Tick.svelte';
	import type { SupplyUse } from '$core/trade/supply.ts';
	import type { RecipeLayer } from '$core/facts/recipe.ts';
	import { SURFACES } from '$core/trade/surface.ts';
	import CoatRuleFields from './CoatRuleFields.svelte';
	import LayerRows from './LayerRows.svelte';
	import StepRows from './StepRows.svelte';
	import UseRows from './UseRows.svelte';
	import { GLUE_UNDER } from '$core/trade/glueRule.ts';
	import { GLUE_TRAIT_WORDS, sideWords, underWords, WORDS } from './tables.ts';

	import FastenerFields from './FastenerFields.svelte';
	import FaultFields from './FaultFields.svelte';
	import StarterFields from './StarterFields.svelte';
	import ThingFields from './ThingFields.svelte';

	interface Props {
		table: HandbookTable;
		/** The row as it is; empty for a new one. */
		row: Record<string, unknown>;
		trade: Catalogue;
		unit: LengthUnit;
	}
	let { table, row, trade, unit }: Props = $props();
	const text = (key: string) => String(row[key] ?? '');
	const number = (key: string) => (row[key] == null ? '' : formatNumber(Number(row[key]), 4));
	const wait = (key: string, none = '') => (row[key] == null ? none : formatWait(Number(row[key])));
	const area = (key: string) => formatArea(Number(row[key] ?? 100_000), unit);
	const list = (key: string) => (row[key] as string[] | undefined) ?? [];
	const traits = (key: string) => list(key).join(', ');
	const words = (values: readonly string[]) =>
		values.map((value) => ({ value, label: WORDS[value] ?? value }));
	const sides = BOND_SIDES.map((value) => ({ value, label: sideWords(value) }));
	const glues = $derived(Object.entries(trade.glue).map(([value, g]) => ({ value, label: g.name })));
	const avoided = $derived((row.avoid as { glue: string; why: string }[] | undefined) ?? []);
	const coats = $derived((row.coats as [number, number] | undefined) ?? [1, 2]);
	const steps = $derived((row.steps as Record<string, unknown>[] | undefined) ?? [{}]);
</script>

<div class="grid">
	{#if table === 'knownFault'}<Field name="symptom" label="Symptom" value={text('symptom')} required wide />
	{:else if table !== 'caution'}<Field name="name" label="Name" value={text('name')} required wide />{/if}
	{#if table === 'technique'}
		<Field name="driver" label="Goes by" options={words(DRIVERS)} value={text('driver') || 'count'} />
		<Field name="of" label="Counts" value={text('of')} hint="outline, seam, piece …" />
		<Field
			name="minutes"
			label="Usual minutes a metre, m² or each"
			value={number('minutes')}
			inputmode="decimal"
		/>
		<Field
			name="follows"
			label="Follows of its pieces"
			options={words(DRIVER_KEYS)}
			none="nothing"
			value={text('follows')}
		/>
		<Field name="ground" label="Done to" options={words(GROUNDS)} value={text('ground') || 'any'} />
		<Field
			name="layers"
			label="Of several layers"
			options={words(LAYERS_DONE)}
			value={text('layers') || 'once'}
		/>
		<Field
			name="redo"
			label="Goes wrong as"
			options={words(REDO_KINDS)}
			none="hardly ever"
			value={text('redo')}
		/>
		<div class="wide">
			<Tick
				name="dries"
				label="Its waiting is drying: longer in the cold or damp"
				checked={row.dries === true}
			/>
		</div>
	{:else if table === 'coatProduct'}
		<Field name="how" label="Put on by" options={['spray', 'brush']} value={text('how') || 'brush'} />
		<Field name="least" label="Fewest coats" value={coats[0]} inputmode="numeric" />
		<Field name="most" label="Most coats" value={coats[1]} inputmode="numeric" />
		<Field name="recoatMinutes" label="Next coat after" value={wait('recoatMinutes', '30m')} />
		<Field name="withinMinutes" label="… but within" value={wait('withinMinutes')} hint="empty: any time" />
		<Field name="orAfterMinutes" label="… or only after" value={wait('orAfterMinutes')} hint="empty: never" />
		<Field name="handlingMinutes" label="Handled after" value={wait('handlingMinutes', '1 d')} />
		<Field name="cureMinutes" label="Hard after" value={wait('cureMinutes')} hint="empty: not known" />
		<Field name="base" label="Base" options={words(BASES)} value={text('base') || 'water'} />
		<Field name="does" label="In a stack it is" options={words(ROLES)} value={text('does') || 'colour'} />
		<Field
			name="sheen"
			label="Sheen"
			options={words(SHEENS)}
			none="as the material says"
			value={text('sheen')}
		/>
		<Field
			name="heatLimit"
			label="Bears heat up to, °C"
			value={number('heatLimit')}
			inputmode="decimal"
			hint="empty: not known"
		/>
		<Field name="pack" label="Pack" value={text('pack')} hint="400 ml can" />
		<Field name="coversMm2" label="One pack covers, one coat" value={area('coversMm2')} />
		<div class="wide">
			<Tick name="flexible" label="Bends without cracking" checked={row.flexible === true} />
		</div>
	{:else if table === 'coatRule'}
		<CoatRuleFields {row} {trade} />
	{:else if table === 'recipe'}
		<Field
			name="surface"
			label="Goes on"
			options={SURFACE_KEYS.map((value) => ({ value, label: SURFACES[value].name }))}
			none="anything"
			value={text('surface')}
		/>
		<div class="wide"><LayerRows {trade} layers={(row.layers as RecipeLayer[] | undefined) ?? []} /></div>
		<Field name="note" label="Note" type="area" value={text('note')} wide />
	{:else if table === 'bond'}
		{#each [['a', 'One side'], ['b', 'The other side']] as const as [key, legend] (key)}
			<Choices {legend} name="{key}[]" options={sides} chosen={list(key)} />
		{/each}
		<Choices legend="Holds first" name="first[]" options={glues} chosen={list('first')} />
		<Choices legend="Holds too" name="also[]" options={glues} chosen={list('also')} />
		<Choices legend="Avoided" name="avoided[]" options={glues} chosen={avoided.map((x) => x.glue)} />
		<Field name="why" label="Why these are avoided" value={avoided[0]?.why ?? ''} wide />
		<Field name="rather" label="Better than glue" value={text('rather')} wide />
		<Field name="prepare" label="Prepared by" value={text('prepare')} wide />
	{:else if table === 'glue'}
		<Field
			name="mlPerM2"
			label="ml a m² of joint"
			value={number('mlPerM2')}
			inputmode="decimal"
			hint="empty: not known"
		/>
		<Field name="mlPerMetre" label="ml a metre of seam" value={number('mlPerMetre')} inputmode="decimal" />
		<Field name="tackMinutes" label="Left open for" value={wait('tackMinutes')} />
		<Field name="openMinutes" label="Pressed within" value={wait('openMinutes')} />
		<Field name="fullMinutes" label="Full strength after" value={wait('fullMinutes')} />
		<Field
			name="strength"
			label="Holds"
			options={[
				{ value: 1, label: 'lightly' },
				{ value: 2, label: 'middling' },
				{ value: 3, label: 'strongly' }
			]}
			none="not known"
			value={text('strength')}
		/>
		<Field name="heatLimit" label="Bears heat up to, °C" value={number('heatLimit')} inputmode="decimal" />
		<Field name="gapMm" label="Fills gaps up to, mm" value={number('gapMm')} inputmode="decimal" />
		<div class="wide">
			<Tick name="flexible" label="Bends with what it holds" checked={row.flexible === true} />
			<Tick name="washable" label="Bears the wash" checked={row.washable === true} />
			<Tick name="solvent" label="Its solvent melts polystyrene" checked={row.solvent === true} />
		</div>
	{:else if table === 'glueRule'}
		<Field
			name="under"
			label="Asked of a joint"
			options={GLUE_UNDER.map((value) => ({ value, label: underWords(value) }))}
			value={text('under') || 'any'}
		/>
		<Field
			name="points"
			label="Points for it, − against it"
			value={number('points') || '0'}
			inputmode="text"
		/>
		<Field
			name="glues"
			label="What is said of"
			value={traits('glues')}
			hint="stiff, light+solvent"
			required
			wide
		/>
		<Field name="unless" label="Unless" value={traits('unless')} wide />
		<p class="small soft wide">{GLUE_TRAIT_WORDS}</p>
		<Field name="why" label="In words" value={text('why')} required wide />
	{:else if table === 'supply'}
		<Field name="family" label="Family" options={FAMILIES} value={text('family') || 'other'} />
		<Field name="unit" label="Counted in" value={text('unit') || 'piece'} />
		<Field name="pack" label="In one pack, as a rule" value={number('pack') || '1'} inputmode="decimal" />
		<Field
			name="glue"
			label="Is the glue"
			options={Object.entries(trade.glue).map(([value, g]) => ({ value, label: g.name }))}
			none="none"
			value={text('glue')}
			hint="seams and layers take what its row says"
		/>
		<div class="wide">
			<UseRows {trade} unit={text('unit') || 'piece'} uses={(row.uses as SupplyUse[] | undefined) ?? []} />
		</div>
	{:else if table === 'fastener'}
		<FastenerFields {row} {trade} />
	{:else if table === 'knownFault'}
		<Field name="cause" label="Usual cause" value={text('cause')} wide />
		<Field name="cure" label="Cure" value={text('cure')} wide />
		<Field
			name="blames"
			label="What let go"
			options={words(REDO_KINDS)}
			none="something else"
			value={text('blames')}
		/>
		<FaultFields {row} {trade} />
	{:else if table === 'caution'}
		<Field name="wear" label="Worn, commas between" value={text('wear')} wide />
		<Field name="do" label="What to do" value={text('do')} required wide />
	{:else if table === 'thing'}
		<ThingFields {row} {trade} />
	{:else if table === 'starter'}
		<StarterFields {row} {unit} />
	{:else if table === 'route'}
		<Field name="area" label="Outside area of a middling one" value={area('area')} />
		<Choices legend="Kinds" name="kinds[]" options={words(KINDS)} chosen={list('kinds')} />
	{/if}
	{#if table === 'technique' || table === 'glue'}
		<Choices
			legend="Cautions"
			name="cautions[]"
			options={Object.entries(trade.caution).map(([value, c]) => ({
				value,
				label: WORDS[value] ?? value,
				title: nameOfRow({ ...c })
			}))}
			chosen={list('cautions')}
		/>
	{/if}
	<Field
		name="source"
		label="Where it is from"
		value={text('source')}
		hint="the label, your notes, a book"
		wide
	/>
</div>
{#if table === 'route' || table === 'knownFault' || table === 'bond'}
	<StepRows {trade} {steps} route={table === 'route'} />
{/if}

<style>
	.grid {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
		gap: 10px 12px;
	}
	.wide {
		grid-column: 1 / -1;
	}
</style>
