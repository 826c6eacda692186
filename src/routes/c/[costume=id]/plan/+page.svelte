<script lang="ts">
	import OrderTable from './OrderTable.svelte';
	import { whyNot } from '$core/answers/whyNot.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { makerKey, parcelKey } from '$core/answers/planProblem.ts';
	import { oddsFigure } from '$core/explain/odds.ts';
	import BenchLine from '$lib/ui/BenchLine.svelte';
	import { planByOdds } from '$core/answers/orderOdds.ts';
	import { shownForecast } from '$lib/ui/forecast.svelte.ts';
	import LeaveOut from '$lib/ui/plan/LeaveOut.svelte';
	import Odds from '$lib/ui/plan/Odds.svelte';
	import Sooner from '$lib/ui/plan/Sooner.svelte';
	import { RUNS } from '$core/answers/forecast.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { forecastFor } from '$lib/ui/words.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';
	import Kept from './Kept.svelte';
	import PlanAnswer from './PlanAnswer.svelte';
	import PlanChain from './PlanChain.svelte';
	import SettleFirst from './SettleFirst.svelte';
	import { GUESS_FACTOR } from '$core/trade/rates.ts';

	let { data }: { data: PageData } = $props();
	const plan = $derived(data.plan);
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(new Map(data.record.components.map((c) => [c.id, c])));
	const places = $derived(new Map(data.workshop.places.map((p) => [`place ${p.id}`, p])));
	const steps = $derived(new Map(data.record.steps.map((s) => [String(s.id), s])));
	const tooLate = $derived(plan.orders.filter((o) => o.tooLate));
	const words = (id: string) => {
		const step = steps.get(id);
		const component = step && components.get(step.componentId);
		return { code: component?.code ?? '', name: step?.name ?? '', place: '' };
	};
	const what = $derived(forecastFor(data.record.costume, plan.deadline, data.planKey));
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
	const planned = $derived([...plan.schedule.steps].sort((a, b) => a.start - b.start));
	const componentOf = (id: string) => steps.get(id)?.componentId;
	/** Steps of one component in their order: the first and the last of them. */
	const namedAll = (ids: readonly string[]) => {
		const its = ids.flatMap((id) => steps.get(id) ?? []).sort((a, b) => a.position - b.position);
		if (its.length < 2) return named(ids[0]!);
		const component = components.get(its[0]!.componentId);
		return `${component?.code ?? ''} ${component?.name ?? ''}: ${its[0]!.name} to ${its.at(-1)!.name}, ${its.length} steps`;
	};
	/** A step or a parcel by its id in the plan. */
	const named = (id: string) => {
		const step = steps.get(id);
		if (step) return `${components.get(step.componentId)?.code ?? ''} ${step.name}`;
		const who = data.workshop.makers.find((m) => makerKey(m.id) === id) ?? places.get(id);
		if (who) return who.name;
		const order = plan.orders.find((o) => parcelKey(o.material.id) === id);
		return order ? `parcel: ${order.material.name}` : id;
	};
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
	<Sheet title="A sooner plan">
		<Sooner {what} plan={plan.schedule} kept={data.record.found !== null} />
		{#if data.otherFinish !== null}
			<p class="soft other">
				{data.record.costume.split === 'windows'
					? 'Here a step that is begun goes on in every window until it is done, which leaves nothing half done. If it may be set aside for another and taken up again, in parts of 30 min'
					: 'Here a step that is begun may be set aside for another and taken up again, in parts of 30 min, which fills every gap. If it goes on in every window until it is done'},
				the rule is ready
				<span class="figure">{timeWords(data.otherFinish)}</span>. Choose under Edit costume.
			</p>
		{/if}
	</Sheet>
{/if}
{#if data.alternatives.length || data.record.leftOut.length}
	<Sheet title="What to leave out">
		<LeaveOut
			costumeId={data.record.costume.id}
			planKey={data.planKey}
			currency={data.record.costume.currency}
			deadline={plan.deadline}
			target={data.record.costume.targetOdds}
			alternatives={data.alternatives}
			components={data.record.components}
			leftOut={data.record.leftOut}
			{base}
		/>
	</Sheet>
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

{#if planned.length}
	<Kept {data} {planned} {named} />
{/if}

{#if tooLate.length}
	<Sheet title="Can no longer arrive in time">
		<ul class="plain">
			{#each tooLate as o (o.material.id)}
				<li>
					<b>{o.material.name}</b>
					{#if o.usableFrom !== null && o.neededAt !== null}<span class="wrong"
							>there {timeWords(o.usableFrom)}, needed {timeWords(o.neededAt)}</span
						>{/if}
					<a href="{base}/buy">Find a stand-in or a nearer supplier</a>
				</li>
			{/each}
		</ul>
	</Sheet>
{/if}

{#if plan.chain.length}
	<PlanChain {plan} {steps} {components} {base} />
{/if}

<Sheet title="Bench line">
	{#if plan.schedule.steps.length}
		<BenchLine
			steps={plan.schedule.steps}
			windows={data.windows}
			now={data.now}
			deadline={plan.deadline}
			{words}
		/>
	{:else}
		<p class="soft">Nothing left to plan. Steps come with a component’s route, under Look.</p>
		{#if !data.record.components.length}<p class="end">
				<a class="button main" href="{base}/look">Break the look into components</a>
			</p>{/if}
	{/if}
</Sheet>

<OrderTable orders={planByOdds(plan, forecast).orders} now={data.now} />
<Caution keys={data.cautions} />

<style>
	.other {
		margin-top: 10px;
		max-width: 75ch;
	}
</style>
