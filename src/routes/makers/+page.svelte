<script lang="ts">
	import pluralize from 'pluralize';
	import Plus from '@lucide/svelte/icons/plus';
	import { page } from '$app/state';
	import { typicalError } from '$core/answers/rates.ts';
	import AccuracyChart from '$lib/ui/plan/AccuracyChart.svelte';
	import { isFailure, type Answer } from '$lib/ui/formState.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import type { PageData } from './$types';
	import PlaceSheet from './PlaceSheet.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import MakerSheet from './MakerSheet.svelte';
	import RatesSheet from './RatesSheet.svelte';
	import InTheOpen from './InTheOpen.svelte';
	import { timeWords } from '$core/units/localTime.ts';
	import { OUTLOOK_WORDS, spareWords } from '$lib/ui/words.ts';
	import Room from '$lib/ui/Room.svelte';

	let { data }: { data: PageData } = $props();
	const workshop = $derived(data.workshop);
	const refused = $derived.by(() => {
		const answer = page.form as Answer;
		return isFailure(answer) && /^remove/.test(answer.command) ? answer.message : null;
	});
	const errors = $derived(data.errors);
	/** The last estimates, by which the present is judged. */
	const LAST = 20;
	const late = $derived(errors.slice(-LAST));
	const offWords = (factor: number) => `${Math.round((factor - 1) * 100)} % off`;
</script>

<svelte:head><title>Makers · Dapper Ledger</title></svelte:head>

<Room>
	{#if refused}<Notice bad>{refused}</Notice>{/if}
	{#if data.ready.length}
		<Sheet title="With these hours">
			<ul class="plain ready" aria-live="polite">
				{#each data.ready as r (r.id)}
					<li>
						<a href="/c/{r.id}/plan"><b>{r.name}</b></a>
						{#if r.finish === null}<span class="wrong">{OUTLOOK_WORDS[r.outlook]}</span>{:else}
							<span
								>on usual minutes ready <b class="figure">{timeWords(r.finish)}</b>, {spareWords(
									r.spareMinutes
								)}</span
							>{/if}
					</li>
				{/each}
			</ul>
		</Sheet>
	{/if}
	<div class="columns">
		{#each workshop.makers as maker (maker.id)}
			<MakerSheet {maker} now={data.now} weekStart={data.settings.weekStart} />
		{/each}
		{#each workshop.places as place (place.id)}
			<PlaceSheet {place} now={data.now} settings={data.settings} />
		{/each}
		<Sheet title="Another">
			<Form command="addMaker" reset class="inline" label="New maker">
				<Field name="name" label="Maker" />
				<Tick name="helpsOnly" label="only helps" />
				<button class="button small" data-add><Plus size={14} /> Maker</button>
			</Form>
			<Form command="addPlace" reset class="inline" label="New place">
				<Field name="name" label="Place" />
				<Field name="capacity" label="Fits at once" value="1" inputmode="numeric" />
				<Tick name="forSpray" label="for spraying" />
				<InTheOpen />
				<button class="button small"><Plus size={14} /> Place</button>
			</Form>
		</Sheet>
	</div>

	{#if errors.length}
		<Sheet title="How good the estimates are">
			<p class="accuracy">
				<b class="figure">{offWords(typicalError(late.map((e) => e.learned))!)}</b> with what was learned by
				then,
				<b class="figure">{offWords(typicalError(late.map((e) => e.started))!)}</b> with the starting values:
				the middle of the last {pluralize('step', late.length, true)} done.
			</p>
			<AccuracyChart {errors} />
		</Sheet>
	{/if}

	<RatesSheet {workshop} />
</Room>

<style>
	.ready li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 12px;
	}
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 340px), 1fr));
		gap: 16px;
		align-items: start;
	}
	.accuracy {
		margin-bottom: 8px;
	}
</style>
