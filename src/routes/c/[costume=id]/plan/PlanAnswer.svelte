<script lang="ts">
	/** Whether it will be ready, how sure that is, and how much there is to spare. */
	import type { Forecast } from '$core/answers/forecast.ts';
	import PageAnswer from '$lib/ui/PageAnswer.svelte';
	import type { CostumePlan } from '$core/answers/plan.ts';
	import CalendarPlus from '@lucide/svelte/icons/calendar-plus';
	import type { Workshop } from '$core/facts/workshop.ts';
	import Fact from '$lib/ui/Fact.svelte';
	import FileDown from '@lucide/svelte/icons/file-down';
	import { namesWords } from '$core/units/names.ts';
	import { guessedWords, isTroubled, ODDS_COMING, OUTLOOK_WORDS } from '$lib/ui/words.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { hoursLeftFigure, spareFigure, finishFigure } from '$core/explain/plan.ts';
	import Facts from '$lib/ui/Facts.svelte';
	import { valueOf } from '$core/explain/figure.ts';
	import type { Figure } from '$core/explain/figure.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		plan: CostumePlan;
		record: CostumeRecord;
		workshop: Workshop;
		/** Of a hundred builds, how many are ready; null until they are simulated. */
		ready: Figure | null;
		forecast: Forecast | null | undefined;
		/** Costumes whose hours are taken out before. */
		first: readonly string[];
		/** Later costumes that keep hours for a fitting or a fixed time. */
		kept: readonly string[];
		base: string;
	}
	let { plan, record, workshop, ready, forecast, first, kept, base }: Props = $props();
	const finish = $derived(finishFigure(record, plan));
	const met = $derived(ready !== null && valueOf(ready) >= record.costume.targetOdds);
</script>

<PageAnswer>
	{#if ready}
		<p class="headline" class:wrong={!met}>
			<Working figure={ready} text="{Math.round(valueOf(ready))} of 100" />
		</p>
		<p>
			builds are ready by {timeWords(plan.deadline)}{met ? '.' : `; you want ${record.costume.targetOdds}.`}
		</p>
	{/if}
	<p class={ready ? 'next' : 'headline'} class:wrong={isTroubled(plan.outlook)}>
		{#if finish}{ready ? 'On usual minutes ready' : 'Ready'}
			<Working figure={finish} text={timeWords(valueOf(finish))} />{:else}{OUTLOOK_WORDS[plan.outlook]}{/if}
	</p>
	{#if plan.schedule.finish !== null}
		<p>
			<b class:wrong={plan.spareMinutes < 0}
				><Working
					figure={spareFigure(plan, workshop)}
					text="{formatDuration(Math.abs(plan.spareMinutes))} {plan.spareMinutes < 0 ? 'short' : 'spare'}"
				/></b
			>
			before {timeWords(plan.deadline)}.
			{#if forecast === undefined}<span role="status">{ODDS_COMING}</span>{/if}
			{#if isTroubled(plan.outlook)}{OUTLOOK_WORDS[plan.outlook]}.{/if}
		</p>
		{#if plan.badFinish !== null && plan.guessedMinutes === 0}<p class="soft">
				If every step takes its bad minutes: {timeWords(plan.badFinish)}.
			</p>{/if}
	{/if}
	{#if first.length}<p class="soft">
			Hours that {namesWords(first)}
			{first.length === 1 ? 'needs' : 'need'} first are already taken out.
		</p>{/if}
	{#if kept.length}<p class="soft">
			Hours that {namesWords(kept)}
			{kept.length === 1 ? 'keeps' : 'keep'} for a fitting or a fixed time are taken out too.
		</p>{/if}
	{#snippet beside()}
		<Facts look="columns">
			<Fact name="Hands-on left" figure={false}
				><Working figure={hoursLeftFigure(record, plan)} text={formatDuration(plan.handsOnLeft[1])} />
				{#if plan.guessedMinutes}<span class="small soft">{guessedWords(plan.guessedMinutes)}</span
					>{/if}</Fact
			>
			<Fact name="good to bad"
				>{formatDuration(plan.handsOnLeft[0])} – {formatDuration(plan.handsOnLeft[2])}</Fact
			>
			{#if plan.schedule.finish !== null}
				<Fact name="A step begun" figure={false}
					>{record.costume.split === 'windows'
						? 'goes on until done'
						: 'may be set aside, 30 min at least'}</Fact
				>
			{/if}
			{#if plan.schedule.lowerBound !== null && plan.schedule.stoppedBy !== 'proved'}
				<Fact name="At the soonest">{timeWords(plan.schedule.lowerBound)}</Fact>
			{/if}
		</Facts>
	{/snippet}
	{#snippet tools()}
		<a class="button small" href="{base}/out/calendar" download><CalendarPlus size={14} /> Calendar</a>
		<a class="button small" href="{base}/out/steps" download><FileDown size={14} /> Steps as CSV</a>
		<a class="button small" href="/makers">Hours and days off</a>
	{/snippet}
</PageAnswer>

<style>
	.next {
		margin-top: 8px;
		font-weight: 600;
	}
</style>
