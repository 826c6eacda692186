<script lang="ts">
	import CalendarPlus from '@lucide/svelte/icons/calendar-plus';
	import FileDown from '@lucide/svelte/icons/file-down';
	import { whyNot } from '$core/answers/whyNot.ts';
	import { isOverdue } from '$core/answers/leadTime.ts';
	import { formatHours } from '$core/units/duration.ts';
	import { DAY, dayOf, dayWords, timeWords } from '$core/units/localTime.ts';
	import { parcelKey } from '$core/answers/planProblem.ts';
	import { finishFigure, hoursLeftFigure, spareFigure } from '$core/explain/plan.ts';
	import { oddsFigure } from '$core/explain/odds.ts';
	import { orderByFigure } from '$core/explain/money.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import BenchLine from '$lib/ui/BenchLine.svelte';
	import { forecast } from '$lib/ui/forecast.svelte.ts';
	import LeaveOut from '$lib/ui/plan/LeaveOut.svelte';
	import Odds from '$lib/ui/plan/Odds.svelte';
	import Sooner from '$lib/ui/plan/Sooner.svelte';
	import TaskBar from '$lib/ui/TaskBar.svelte';
	import { forecastFor } from '$lib/ui/words.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { isTroubled, OUTLOOK_WORDS } from '$lib/ui/words.ts';
	import type { PageData } from './$types';
	import Kept from './Kept.svelte';

	let { data }: { data: PageData } = $props();
	const plan = $derived(data.plan);
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(new Map(data.record.components.map((c) => [c.id, c])));
	const places = $derived(new Map(data.workshop.places.map((p) => [`place ${p.id}`, p])));
	const steps = $derived(new Map(data.record.steps.map((s) => [String(s.id), s])));
	const finish = $derived(finishFigure(data.record, plan));
	const tooLate = $derived(plan.orders.filter((o) => o.tooLate));
	const orders = $derived(
		plan.orders
			.filter((o) => o.usableFrom !== null)
			.sort((a, b) => (a.orderByDay ?? Infinity) - (b.orderByDay ?? Infinity))
	);
	const words = (id: string) => {
		const step = steps.get(id);
		const component = step && components.get(step.componentId);
		return { code: component?.code ?? '', name: step?.name ?? '', place: '' };
	};
	const today = $derived(dayOf(data.now));
	const what = $derived(forecastFor(data.record.costume, plan.deadline, data.planKey));
	const odds = $derived(forecast.of(what)?.odds ?? null);
	const ready = $derived(odds ? oddsFigure(odds, plan.deadline) : null);
	const met = $derived(ready !== null && valueOf(ready) >= data.record.costume.targetOdds);
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
	/** A step or a parcel by its id in the plan. */
	const named = (id: string) => {
		const step = steps.get(id);
		if (step) return `${components.get(step.componentId)?.code ?? ''} ${step.name}`;
		const order = plan.orders.find((o) => parcelKey(o.material.id) === id);
		return order ? `parcel: ${order.material.name}` : id;
	};
</script>

<svelte:head><title>Plan · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet>
	<div class="answer">
		<div>
			{#if ready}
				<p class="big" class:bad={!met}>
					<Working figure={ready} text="{Math.round(valueOf(ready))} of 100" />
				</p>
				<p>
					builds are ready by {timeWords(plan.deadline)}{met
						? '.'
						: `; you want ${data.record.costume.targetOdds}.`}
				</p>
			{/if}
			<p class={ready ? 'next' : 'big'} class:bad={isTroubled(plan.outlook)}>
				{#if finish}{ready ? 'On usual minutes ready' : 'Ready'}
					<Working figure={finish} text={timeWords(valueOf(finish))} />{:else}{OUTLOOK_WORDS[
						plan.outlook
					]}{/if}
			</p>
			{#if plan.schedule.finish !== null}
				<p>
					<b class:bad={plan.spareMinutes < 0}
						><Working
							figure={spareFigure(plan, data.workshop)}
							text="{formatHours(Math.abs(plan.spareMinutes))} {plan.spareMinutes < 0 ? 'short' : 'spare'}"
						/></b
					>
					before {timeWords(plan.deadline)}.{ready ? '' : ` ${OUTLOOK_WORDS[plan.outlook]}.`}
				</p>
				{#if plan.badFinish !== null}<p class="soft">
						If every step takes its bad minutes: {timeWords(plan.badFinish)}.
					</p>{/if}
			{/if}
			{#if data.first.length}<p class="soft">
					Hours that {data.first.join(' and ')}
					{data.first.length === 1 ? 'needs' : 'need'} first are already taken out.
				</p>{/if}
		</div>
		<dl>
			<dt>Hands-on left</dt>
			<dd><Working figure={hoursLeftFigure(data.record, plan)} text={formatHours(plan.handsOnLeft[1])} /></dd>
			<dt>good to bad</dt>
			<dd class="figure soft">{formatHours(plan.handsOnLeft[0])} – {formatHours(plan.handsOnLeft[2])}</dd>
			{#if plan.schedule.finish !== null}
				<dt>A step begun</dt>
				<dd>
					{data.record.costume.split === 'windows'
						? 'goes on until done'
						: 'may be set aside, 30 min at least'}
				</dd>
			{/if}
			{#if plan.schedule.lowerBound !== null && plan.schedule.stoppedBy !== 'proved'}
				<dt>At the soonest</dt>
				<dd class="figure soft">{timeWords(plan.schedule.lowerBound)}</dd>
			{/if}
		</dl>
		<div class="row no-print">
			<a class="button small" href="{base}/out/calendar" download><CalendarPlus size={14} /> Calendar</a>
			<a class="button small" href="{base}/out/steps" download><FileDown size={14} /> Steps as CSV</a>
			<a class="button small" href="/makers">Hours and days off</a>
		</div>
	</div>
</Sheet>

{#if plan.schedule.finish !== null && !plan.schedule.impossible.length}
	<Sheet title="Odds">
		{#if odds}
			<Odds {odds} finish={plan.schedule.finish} {marks} words={named} />
		{:else}
			<p class="soft">5,000 builds are simulated in this page.</p>
			<TaskBar task={forecast.task} going="Simulating builds" />
		{/if}
	</Sheet>
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
					<span class="bad">{whyNot(no, (id) => steps.get(id)?.name ?? places.get(id)?.name)}</span>
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
					{#if o.usableFrom !== null && o.neededAt !== null}<span class="bad"
							>there {timeWords(o.usableFrom)}, needed {timeWords(o.neededAt)}</span
						>{/if}
					<a href="{base}/buy">Find a stand-in or a nearer supplier</a>
				</li>
			{/each}
		</ul>
	</Sheet>
{/if}

{#if plan.chain.length}
	<Sheet title="What decides the plan on usual minutes">
		<ol class="chain">
			{#if plan.chainParcel?.usableFrom != null}
				<li>
					<b>parcel: {plan.chainParcel.material.name}</b>
					<span class="soft small figure">{timeWords(plan.chainParcel.usableFrom)}</span>
				</li>
			{/if}
			{#each plan.chain as p (p.id)}
				{@const step = steps.get(p.id)}
				{@const component = step && components.get(step.componentId)}
				<li>
					{#if component}<Tag {component} href="{base}/look/{component.id}#step-{p.id}" short />{/if}
					<span>{step?.name}</span>
					<span class="soft small figure">{timeWords(p.start)}</span>
				</li>
			{/each}
		</ol>
		<p class="small soft">
			Each waits for the one before it, or for the same hands or place. Shorten one of these and it is ready
			sooner.
		</p>
	</Sheet>
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
		{#if !data.record.components.length}<p class="begin">
				<a class="button main" href="{base}/look">Break the look into components</a>
			</p>{/if}
	{/if}
</Sheet>

<Sheet title="Order by">
	{#if orders.length}
		<div class="scroll">
			<table>
				<thead
					><tr><th>Material</th><th>Order by</th><th>There</th><th>Needed</th><th class="number">Lead</th></tr
					></thead
				>
				<tbody>
					{#each orders as o (o.material.id)}
						<tr>
							<td>{o.material.name}</td>
							<td
								>{#if o.orderByDay !== null}<span class:bad={o.orderByDay < today}
										><Working
											figure={orderByFigure(o)}
											text={o.orderByDay < today
												? `${dayWords(o.orderByDay)}, passed`
												: dayWords(o.orderByDay)}
										/></span
									>{:else if o.purchase?.state === 'ordered'}ordered{isOverdue(o.purchase, data.now)
										? ', overdue'
										: ''}{/if}</td
							>
							<td class:bad={o.tooLate}
								>{o.usableFrom !== null ? dayWords(Math.floor(o.usableFrom / DAY)) : ''}</td
							>
							<td>{o.neededAt !== null ? timeWords(o.neededAt) : ''}</td>
							<td class="number"
								>{(o.purchase ?? o.material).leadDays}
								{(o.purchase ?? o.material).leadWorkingDays ? 'working days' : 'days'}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{:else}
		<p class="soft">
			Everything that the steps need is here, or nothing has been entered under Materials yet.
		</p>
	{/if}
</Sheet>
<Caution keys={data.cautions} />

<style>
	.answer {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 12px 32px;
		align-items: start;
	}
	.big {
		font-family: var(--head);
		font-size: var(--s36);
		font-weight: 700;
		line-height: 1.1;
		margin-bottom: 6px;
	}
	.big :global(button) {
		font-family: var(--head);
		letter-spacing: normal;
	}
	.next {
		margin-top: 8px;
		font-weight: 600;
	}
	.bad {
		color: var(--red-ink);
	}
	dl {
		display: grid;
		grid-template-columns: auto auto;
		gap: 2px 12px;
		margin: 0;
		max-width: 380px;
	}
	dt {
		color: var(--ink-soft);
	}
	dd {
		margin: 0;
	}
	.answer .row {
		grid-column: 1 / -1;
	}
	.other {
		margin-top: 10px;
		max-width: 75ch;
	}
	.begin {
		margin-top: 12px;
	}
	.chain {
		list-style: none;
		display: flex;
		flex-wrap: wrap;
		gap: 8px 18px;
		margin: 0 0 8px;
		padding: 0;
	}
	.chain li {
		display: flex;
		gap: 6px;
		align-items: center;
		position: relative;
	}
	.chain li:not(:last-child)::after {
		content: '';
		position: absolute;
		right: -14px;
		width: 9px;
		border-top: 2px solid var(--pink-ink);
	}
	@media (max-width: 700px) {
		.answer {
			grid-template-columns: minmax(0, 1fr);
		}
		.big {
			font-size: var(--s24);
		}
		.chain li:not(:last-child)::after {
			display: none;
		}
	}
</style>
