<script lang="ts">
	/**
	 * The measuring tape from today to the event: a division a day, numbered by the days left; ticks
	 * for working windows; pins; and the forecast as a chalk smear from likely to bad finish.
	 */
	import type { CostumePlan } from '$core/answers/plan.ts';
	import type { Costume } from '$core/facts/costume.ts';
	import { readyShare, type Forecast } from '$core/answers/forecast.ts';
	import type { Span } from '$core/engines/schedule/calendar.ts';
	import type { Pin } from '$core/answers/pins.ts';
	import { DAY, dayOf, dayWords, timeWords, weekdayOf } from '$core/units/localTime.ts';
	import TapeVerdict from './TapeVerdict.svelte';
	import { runningClock } from './runningClock.svelte.ts';
	import { OUTLOOK_WORDS } from './words.ts';

	interface Props {
		costume: Costume;
		plan: CostumePlan;
		windows: readonly Span[];
		pins: readonly Pin[];
		/** Of the costume’s pages. */
		base: string;
		now: number;
		days?: number;
		/** Of simulated builds: null where there are none, undefined while they are worked out. */
		forecast: Forecast | null | undefined;
	}
	let { costume, plan, windows, pins, base, now, days = 150, forecast }: Props = $props();

	const clock = runningClock(() => now);
	/** Dry next, while it counts down. */
	const drying = $derived(pins.filter((p) => p.kind === 'dry' && p.at > clock.now));
	const today = $derived(dayOf(now));
	const eventDay = $derived(dayOf(costume.eventAt));
	const last = $derived(Math.max(today, Math.min(eventDay, today + days)));
	const list = $derived(Array.from({ length: last - today + 1 }, (_, i) => today + i));
	const start = $derived(today * DAY);
	const span = $derived(list.length * DAY);
	const left = (at: number) => `${(Math.min(1, Math.max(0, (at - start) / span)) * 100).toFixed(3)}%`;
	const width = (from: number, to: number) =>
		`${((Math.max(0, Math.min(to, start + span) - Math.max(from, start)) / span) * 100).toFixed(3)}%`;
	const finish = $derived(plan.schedule.finish);
	const odds = $derived(forecast?.odds ?? null);
	/** From likely to bad: the middle of the builds to 95 of 100, and until they are known the plan's usual and bad minutes. */
	const likely = $derived(odds ? (odds.p50 ?? Infinity) : finish);
	const bad = $derived(odds ? (odds.p95 ?? Infinity) : (plan.badFinish ?? finish));
	const ready = $derived(readyShare(forecast ?? null, plan));
	const groups = $derived.by(() => {
		const byDay = new Map<number, Pin[]>();
		for (const pin of pins) {
			if (pin.at < start || pin.at > start + span) continue;
			byDay.set(dayOf(pin.at), [...(byDay.get(dayOf(pin.at)) ?? []), pin]);
		}
		return [...byDay].map(([day, here]) => ({ day, here, late: here.some((p) => p.late) }));
	});
	/** Numbers on every day only where there is room. */
	const every = $derived(list.length > 70 ? 7 : list.length > 36 ? 5 : 1);
	/** Today’s has room beside it. */
	const isNumbered = (day: number) =>
		day === today || ((eventDay - day) % every === 0 && (every === 1 || day - today > 2));
	/** On a phone every fifth. */
	const isFine = (day: number) =>
		every === 1 && day !== today && ((eventDay - day) % 5 !== 0 || day - today < 3);
</script>

<div class="tape-box">
	<div
		class="strip"
		role="img"
		aria-label="{eventDay - today} days from today to the event. {OUTLOOK_WORDS[plan.outlook]}."
	>
		<div class="tape" style:--days={list.length}>
			{#each windows as [from, to] (from)}
				<i class="window" style:left={left(from)} style:width={width(from, to)}></i>
			{/each}
			{#each list as day (day)}
				<span
					class="day"
					class:weekend={weekdayOf(day) > 5}
					class:today={day === today}
					class:event={day === eventDay}
				>
					{#if isNumbered(day)}<b class:fine={isFine(day)}>{eventDay - day}</b>{/if}
				</span>
			{/each}
			{#if likely !== null && bad !== null && likely < start + span}
				<i
					class="smear"
					style:left={left(Math.max(likely, now))}
					style:width={width(Math.max(likely, now), Math.max(bad, likely + DAY / 3))}
					title="{odds ? 'Half of the builds' : 'Likely'} {timeWords(likely)}, {odds
						? '95 of 100'
						: 'at worst'} {bad < Infinity ? timeWords(bad) : `after ${timeWords(odds?.until ?? bad)}`}"
				></i>
			{/if}
			<i class="now" style:left={left(now)}></i>
			{#each groups as { day, here, late } (day)}
				<span
					class="pin {here[0]!.kind}"
					class:late
					style:left={left(day * DAY + DAY / 2)}
					title={here.map((p) => `${dayWords(day)}: ${p.words}`).join('\n')}
				></span>
				{#if here.length > 1}<em class="count" style:left={left(day * DAY + DAY / 2)}>{here.length}</em>{/if}
			{/each}
		</div>
	</div>
	<TapeVerdict {costume} {plan} {forecast} {ready} {drying} {base} now={clock.now}>
		<span class="legend small" aria-hidden="true">
			<span><i class="pin order"></i> order by</span><span><i class="pin parcel"></i> parcel</span><span
				><i class="pin dry"></i> dry</span
			><span><i class="pin readyBy"></i> ready by</span
			>{#if pins.some((p) => p.kind === 'fitting' || p.kind === 'rehearsal')}<span
					><i class="pin fitting"></i> fitting, rehearsal</span
				>{/if}<span><i class="smear key"></i> likely to bad finish</span>
		</span>
	</TapeVerdict>
</div>

<style>
	.strip {
		overflow-x: auto;
		overflow-y: hidden;
		padding-top: 22px;
		scrollbar-width: thin;
	}
	.tape {
		position: relative;
		display: grid;
		grid-template-columns: repeat(var(--days), minmax(13px, 1fr));
		height: 44px;
		background: var(--tape);
		color: var(--tape-ink);
		border-bottom: 1px solid rgb(0 0 0 / 40%);
		min-width: calc(var(--days) * 13px);
	}
	.day {
		border-left: 1px solid rgb(43 38 16 / 55%);
		font-family: var(--mono);
		font-size: 12px;
		padding: 14px 0 0 2px;
		position: relative;
		z-index: 1;
	}
	.day b {
		font-weight: 600;
		background: var(--tape);
		padding: 0 1px;
	}
	.day.weekend {
		border-left-width: 2px;
	}
	.day.event {
		background: var(--brass);
	}
	.day.event b {
		background: none;
	}
	.window {
		position: absolute;
		top: 0;
		height: 8px;
		background: var(--tape-ink);
		opacity: 0.75;
		min-width: 1px;
	}
	.now {
		position: absolute;
		top: -8px;
		bottom: 0;
		width: 2px;
		background: var(--pink-ink);
		z-index: 2;
	}
	.smear {
		position: absolute;
		bottom: 2px;
		height: 10px;
		min-width: 10px;
		background: linear-gradient(90deg, #d1467c, rgb(209 70 124 / 25%));
		border-radius: 5px 3px 6px 2px;
		z-index: 1;
	}
	.smear.key {
		position: static;
		display: inline-block;
		width: 22px;
	}
	.pin {
		position: absolute;
		top: -11px;
		width: 14px;
		height: 14px;
		margin-left: -7px;
		z-index: 3;
		background: var(--blue);
		border: 2px solid var(--mat-deep);
		border-radius: 50% 50% 50% 0;
		rotate: -45deg;
	}
	.pin.dry {
		background: var(--yellow);
		border-radius: 0 50% 50% 50%;
		rotate: 45deg;
	}
	.pin.parcel {
		border-radius: 0;
		rotate: 0deg;
	}
	.pin.readyBy {
		background: var(--brass);
		border-radius: 50%;
		rotate: 0deg;
	}
	.pin.fitting,
	.pin.rehearsal {
		background: var(--pink);
		border-radius: 50% 0;
		rotate: 0deg;
	}
	.pin.late {
		background: #d43d35;
	}
	.count {
		position: absolute;
		top: -19px;
		margin-left: 7px;
		font: 600 12px var(--mono);
		color: var(--on-mat);
		z-index: 3;
	}
	.legend .pin {
		position: static;
		display: inline-block;
		width: 11px;
		height: 11px;
		margin: 0;
	}
	.legend {
		display: inline-flex;
		gap: 12px;
		margin-left: 12px;
		color: var(--on-mat-soft);
		align-items: center;
		flex-wrap: wrap;
	}
	.legend span {
		display: inline-flex;
		align-items: center;
		gap: 4px;
	}
	@media (max-width: 700px) {
		.fine,
		.legend {
			display: none;
		}
	}
</style>
