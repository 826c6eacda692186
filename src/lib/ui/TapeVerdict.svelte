<script lang="ts">
	/** What the tape comes to, in a sentence: how sure it is, when it is ready, what dries next. */
	import pluralize from 'pluralize';
	import type { Snippet } from 'svelte';
	import type { Forecast } from '$core/answers/forecast.ts';
	import type { Pin } from '$core/answers/pins.ts';
	import type { CostumePlan } from '$core/answers/plan.ts';
	import type { Costume } from '$core/facts/costume.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { dayOf, dayWords, timeWords } from '$core/units/localTime.ts';
	import { of100 } from '$core/units/number.ts';
	import { isTroubled, ODDS_COMING, oddsWords, OUTLOOK_WORDS, spareWords } from './words.ts';

	interface Props {
		costume: Costume;
		plan: CostumePlan;
		forecast: Forecast | null | undefined;
		/** Share of builds ready in time; null where nobody knows yet. */
		ready: number | null;
		/** Dry next, the first of them first. */
		drying: readonly Pin[];
		base: string;
		now: number;
		children: Snippet;
	}
	let { costume, plan, forecast, ready, drying, base, now, children }: Props = $props();
	const finish = $derived(plan.schedule.finish);
</script>

<p class="verdict">
	{#if isTroubled(plan.outlook) || forecast === null}<b class:bad={isTroubled(plan.outlook)}
			>{OUTLOOK_WORDS[plan.outlook]}.</b
		>{:else if ready === null}<b role="status">{ODDS_COMING}</b>{:else}<b
			class:bad={ready * 100 < costume.targetOdds}>{oddsWords(ready, costume.targetOdds)}.</b
		>{/if}
	{#if ready !== null}<b>{of100(ready)}</b> builds are ready by {timeWords(plan.deadline)}.{/if}
	{#if finish !== null}
		On usual minutes
		{timeWords(finish)}<span class="more"
			>, {spareWords(plan.spareMinutes)} before {dayWords(dayOf(plan.deadline))}{#if costume.bufferDays > 0},
				with {pluralize('day', costume.bufferDays, true)} kept for test wear{/if}</span
		>.
	{/if}
	{#if drying[0]}
		<a href="{base}/finish" class="drying"
			>In <b>{formatWait(drying[0].at - now)}</b>: {drying[0].words}{drying.length > 1
				? `; ${drying.length - 1} more drying`
				: ''}</a
		>
	{/if}
	{@render children()}
</p>

<style>
	.verdict {
		padding: 8px 0 0;
		color: var(--on-mat);
	}
	.verdict .bad {
		background: #a8201a;
		color: #fff;
		padding: 0 6px;
	}
	.drying {
		color: inherit;
		margin-left: 12px;
	}
	@media (max-width: 700px) {
		.drying {
			display: block;
			margin: 0;
		}
		.more {
			display: none;
		}
		/* The room for the odds while they are worked out: the page stays where it is when they come. */
		.verdict {
			min-height: calc(3lh + 8px);
		}
	}
</style>
