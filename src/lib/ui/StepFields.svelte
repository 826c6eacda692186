<script lang="ts">
	/** The fields of a step. The amount is typed as what the technique counts. */
	import { techniqueOf } from '$core/trade/catalogue.ts';
	import type { TechniqueKey } from '$core/facts/step.ts';
	import { handbook } from './handbook/handbook.ts';
	import { WORDS } from './handbook/tables.ts';
	import { PHASES, type Step } from '$core/facts/step.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { amountText } from './amounts.ts';
	import Field from './Field.svelte';
	import Tick from './Tick.svelte';

	interface Props {
		step?: Step;
		workshop: Workshop;
		/** Kinds of seams that the component's pieces have. */
		seams?: readonly string[];
	}
	let { step, workshop, seams = [] }: Props = $props();
	// svelte-ignore state_referenced_locally
	let technique = $state<TechniqueKey>(step?.technique ?? 'other');
	const trade = $derived(handbook());
	const counts = $derived(techniqueOf(trade, technique));
	// svelte-ignore state_referenced_locally
	let takes = $state(step?.takes ?? '');
	// svelte-ignore state_referenced_locally
	let guessed = $state(step?.guessed ?? false);
	const wordsOf = (key: string) => WORDS[key] ?? key;
	/** What a length can be of the pieces; areas and counts are what their technique says. */
	const LENGTHS = ['outline', 'seam', 'edge', 'bevelled', 'gathered', 'shaped', 'boned'];
	const kinds = $derived([
		...new Set([...seams, ...(step?.takes?.startsWith('seam ') ? [step.takes.slice(5)] : [])])
	]);
	const takings = $derived([
		...(counts.driver === 'length'
			? [
					...LENGTHS.map((value) => ({ value, label: wordsOf(value) })),
					...kinds.map((kind) => ({ value: `seam ${kind}`, label: `the seams “${kind}”` }))
				]
			: []),
		{ value: 'nothing', label: 'nothing: pieces do not tell it' }
	]);
	const follows = $derived(takes === '' ? counts.follows : takes === 'nothing' ? null : takes);
	const examples = { length: 'e.g. 1.2 m, 40cm, 2 yd', area: 'e.g. 0.15 m2, 30cm x 40cm', count: 'a number' };
	const options = $derived(Object.entries(trade.technique).map(([value, t]) => ({ value, label: t.name })));
</script>

<div class="fields">
	<Field name="name" label="Step" value={step?.name ?? ''} required wide />
	<Field name="technique" label="Technique" {options} bind:value={technique} />
	<Field name="phase" label="Part of the making" options={PHASES} value={step?.phase ?? 'make'} />
	<Field
		name="amount"
		label="Amount ({counts.of})"
		value={step ? amountText(step, workshop) : '1'}
		hint={step?.fromPieces
			? 'from its pieces; what is typed serves until there are some'
			: examples[counts.driver]}
		onchange={() => (guessed = false)}
	/>
	<Field
		name="setUpMinutes"
		label="Set-up"
		value={step ? formatWait(step.setUpMinutes) : '0'}
		hint="e.g. 20m"
	/>
	<Field
		name="waitMinutes"
		label="Waits afterwards"
		value={step ? formatWait(step.waitMinutes) : '0'}
		hint="e.g. 4h, 2 d"
	/>
	{#if counts.driver !== 'count' || counts.follows}<Field
			name="takes"
			label="Of its pieces it takes"
			options={takings}
			none={counts.follows ? `as usual: ${wordsOf(counts.follows)}` : 'nothing'}
			bind:value={takes}
		/>{/if}
	<Field
		name="placeId"
		label="Place"
		options={workshop.places.map((p) => ({ value: p.id, label: p.name }))}
		none="anywhere"
		value={step?.placeId ?? ''}
	/>
	<div class="ticks">
		{#if follows}<Tick
				name="fromPieces"
				label="Follows its pieces"
				checked={step?.fromPieces ?? false}
			/>{/if}
		{#if step?.guessed}<Tick name="guessed" label="Still a guess" bind:checked={guessed} />{/if}
		<Tick name="perCopy" label="For every copy" checked={step?.perCopy ?? true} />
		<Tick name="oneSitting" label="One sitting" checked={step?.oneSitting ?? false} />
		<Tick name="needsHelper" label="Needs a helper" checked={step?.needsHelper ?? false} />
	</div>
</div>

<style>
	.ticks {
		grid-column: 1 / -1;
		display: flex;
		gap: 4px 20px;
		flex-wrap: wrap;
	}
</style>
