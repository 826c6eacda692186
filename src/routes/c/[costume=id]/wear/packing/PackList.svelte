<script lang="ts">
	/** Everything that goes along, ticked going, at the event and coming home. */
	import Printer from '@lucide/svelte/icons/printer';
	import {
		hostOf,
		linesAt,
		packedSoFar,
		placesOf,
		placesWords,
		type PackLine
	} from '$core/answers/packList.ts';
	import { goesAs } from '$core/answers/packed.ts';
	import { caseFigure } from '$core/explain/travel.ts';
	import type { Packing, PackTask } from '$core/engines/case/pack.ts';
	import type { Costume } from '$core/facts/costume.ts';
	import { LEGS, type Leg, type PackTick, type TravelCase } from '$core/facts/travel.ts';
	import type { Variant } from '$core/facts/wear.ts';
	import { capital, namesWords } from '$core/units/names.ts';
	import Act from '$lib/ui/Act.svelte';
	import { announce } from '$lib/ui/announce.ts';
	import { isFailure } from '$lib/ui/formState.ts';
	import { readAnew } from '$lib/ui/readAnew.ts';
	import { send } from '$lib/ui/run.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import PackGroup from './PackGroup.svelte';

	interface Props {
		costume: Costume;
		/** The way that it is worn; null for all of it. */
		variant: Variant | null;
		lines: readonly PackLine[];
		cases: readonly TravelCase[];
		ticks: readonly PackTick[];
		task: PackTask;
		/** Null until it is known. */
		packing: Packing | null;
		onedit: (componentId: number) => void;
	}
	let { costume, variant, lines, cases, ticks, task, packing, onedit }: Props = $props();
	let leg = $state<Leg>('going');
	const LEG_WORDS: Record<Leg, string> = { going: 'going', event: 'at the event', home: 'coming home' };
	const soFar = $derived(packedSoFar(lines, ticks, leg));
	const places = $derived(placesOf(lines, packing));
	const tags = $derived(
		new URLSearchParams({ ...(variant ? { as: String(variant.id) } : {}), in: placesWords(places) })
	);
	const luggage = $derived(lines.flatMap((l) => l.luggage ?? []));
	const begun = $derived(leg !== 'going' && soFar.there.size > 0);
	/** So few are named. */
	const FEW = 4;

	const groups = $derived(
		(
			[
				...cases.map((c) => ({
					place: `case ${c.id}` as const,
					title: c.name,
					weighs: packing && { figure: caseFigure(c, packing, task, luggage), most: c.kg }
				})),
				{ place: 'left', title: packing ? 'In no case' : 'To pack', weighs: null },
				{ place: 'hand', title: 'Carried by hand', weighs: null },
				{ place: 'worn', title: 'Worn on the way', weighs: null },
				{ place: 'kit', title: 'Emergency kit', weighs: null }
			] as const
		).map((g) => ({ ...g, lines: linesAt(soFar.wanted, places, g.place) }))
	);
	const nameOf = (line: string | null) => lines.find((l) => l.line === line)?.name;
	const noteOf = (line: PackLine): string => {
		if (line.kit) return line.kit.use === 'own' ? line.kit.because : `for ${line.kit.because}`;
		const host = nameOf(hostOf(line));
		if (host) return `inside ${host}`;
		if (line.luggage!.box === null && goesAs(line.luggage!) === 'case') return 'not measured';
		return packing?.left.find((l) => l.item === line.line)?.why ?? '';
	};
	/** Said only where it went wrong: the list itself shows what is ticked. */
	async function tick(line: PackLine, on: boolean) {
		const answer = await send('tickPacked', { line: line.line, leg, on, words: line.name });
		await readAnew();
		if (isFailure(answer)) announce(answer.message, { bad: true, undoable: false });
	}
</script>

<Sheet title="The list">
	<div class="legs no-print" role="group" aria-label="When">
		{#each LEGS as one (one)}
			<button class="button" aria-pressed={one === leg} onclick={() => (leg = one)}
				>{capital(LEG_WORDS[one])}</button
			>
		{/each}
	</div>
	<p class="answer" class:bad={begun && soFar.missing.length > 0} aria-live="polite">
		{#if !lines.length}Nothing to pack yet.
		{:else if !soFar.missing.length}All {soFar.wanted.length} are there.
		{:else if begun && soFar.missing.length <= FEW}
			{leg === 'home' ? 'Stayed behind' : 'Not arrived'}: {namesWords(soFar.missing.map((l) => l.name))}.
		{:else}{soFar.wanted.length - soFar.missing.length} of {soFar.wanted.length} there, {LEG_WORDS[leg]}.{/if}
	</p>
	{#each groups as { place, title, weighs, lines: its } (place)}
		<PackGroup {title} {weighs} lines={its} there={soFar.there} note={noteOf} ontick={tick} {onedit} />
	{/each}
	<p class="small soft">
		Cells out of what they light, and their ends taped. Blades, sprays and glues by the carrier’s rules.
	</p>
	<div class="row no-print">
		<button class="button small" onclick={() => print()}><Printer size={14} /> Print</button>
		{#if lines.some((l) => l.luggage)}<a
				class="button small"
				href="/c/{costume.id}/wear/packing/out/tags?{tags}">Tags</a
			>{/if}
		{#if ticks.length}<Act command="newTrip">Begin anew</Act>{/if}
	</div>
</Sheet>

<style>
	.legs {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.legs [aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
		margin: 10px 0 0;
	}
	.answer.bad {
		color: var(--red-ink);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		margin-top: 12px;
	}
</style>
