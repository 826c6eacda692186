<script lang="ts">
	import { whyNot } from '$core/answers/whyNot.ts';
	import { oddsFigure } from '$core/explain/odds.ts';
	import { shownForecast } from '$lib/ui/forecast.svelte.ts';
	import Odds from '$lib/ui/plan/Odds.svelte';
	import { RUNS } from '$core/answers/forecast.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';
	import { namesOf } from './planNames.ts';
	import PlanAnswer from './PlanAnswer.svelte';
	import SettleFirst from './SettleFirst.svelte';
	import { GUESS_FACTOR } from '$core/trade/rates.ts';

	let { data }: { data: PageData } = $props();
	const plan = $derived(data.plan);
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(new Map(data.record.components.map((c) => [c.id, c])));
	const places = $derived(new Map(data.workshop.places.map((p) => [`place ${p.id}`, p])));
	const steps = $derived(new Map(data.record.steps.map((s) => [String(s.id), s])));
	const forecast = $derived(shownForecast.of(data.planKey, data.forecast));
	const odds = $derived(forecast?.odds ?? null);
	const ready = $derived(odds ? oddsFigure(odds, plan.deadline) : null);
	const marks = $derived([
		...(data.record.costume.rehearsalAt !== null && data.record.costume.rehearsalAt > data.now
			? [{ at: data.record.costume.rehearsalAt, words: 'by the rehearsal' }]
			: []),
		{ at: plan.deadline, words: 'ready by' },
		...(data.record.costume.eventAt === plan.deadline
			? []
			: [{ at: data.record.costume.eventAt, words: 'by the event' }])
	]);
	const componentOf = (id: string) => steps.get(id)?.componentId;
	const { namedAll } = $derived(namesOf(data.record, data.workshop, plan));
</script>

<svelte:head><title>Plan · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet>
	<PlanAnswer
		{plan}
		record={data.record}
		workshop={data.workshop}
		{ready}
		{forecast}
		first={data.first}
		kept={data.kept}
		{base}
	/>
</Sheet>

{#if plan.schedule.finish !== null && !plan.schedule.impossible.length}
	<Sheet title="Odds">
		{#if odds}
			<Odds {odds} finish={plan.schedule.finish} {marks} words={namedAll} {componentOf} />
		{:else}
			<p class="soft" role="status">{formatNumber(RUNS)} builds are being simulated.</p>
		{/if}
	</Sheet>
	{#if forecast?.guesses.length}
		<Sheet title="Settle first">
			<SettleFirst
				guesses={forecast.guesses}
				components={data.record.components}
				materials={data.workshop.materials}
				factor={data.workshop.guessOff ?? GUESS_FACTOR}
				currency={data.record.costume.currency}
				{base}
			/>
		</Sheet>
	{/if}
{/if}
{#if plan.schedule.impossible.length}
	<Sheet title="Cannot be placed">
		<ul class="plain">
			{#each plan.schedule.impossible as no (no.id)}
				{@const step = steps.get(no.id)}
				{@const component = step && components.get(step.componentId)}
				<li>
					{#if component}<Tag {component} href="{base}/look/{component.id}#step-{no.id}" short />{/if}
					<b>{step?.name}</b>
					<span class="wrong">{whyNot(no, (id) => steps.get(id)?.name ?? places.get(id)?.name)}</span>
				</li>
			{/each}
		</ul>
	</Sheet>
{/if}
