<script lang="ts">
	/** Odds in words, and what decides them. */
	import { of100 } from '$core/units/number.ts';
	import type { Odds } from '$core/engines/schedule/odds.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { timeWords, type LocalMinutes } from '$core/units/localTime.ts';
	import { scarceHours, whatDecides } from '$core/answers/forecast.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { hopeFigure, oddsFigure } from '$core/explain/odds.ts';
	import Working from '../Working.svelte';
	import OddsChart from './OddsChart.svelte';

	interface Props {
		odds: Odds;
		finish: LocalMinutes;
		marks: { at: LocalMinutes; words: string }[];
		/** Of a parcel, a step, or the first and last of some of one component. */
		words: (ids: readonly string[]) => string;
		/** Which component a step is of. */
		componentOf: (stepId: string) => number | undefined;
	}
	let { odds, finish, marks, words, componentOf }: Props = $props();
	/** A build that calendars do not reach is late all the same. */
	const at = (ready: LocalMinutes | null) =>
		ready === null ? `after ${timeWords(odds.until)}` : timeWords(ready);
	const readyOf100 = (at: LocalMinutes) => Math.round(valueOf(oddsFigure(odds, at)));
	const hope = $derived(hopeFigure(odds, finish));
	const deciding = $derived(whatDecides(odds, componentOf).slice(0, 8));
</script>

<ul class="by">
	<!-- By the first of them it is the answer above. -->
	{#each marks.slice(1) as mark (mark.at)}
		{@const figure = oddsFigure(odds, mark.at)}
		<li>
			{#if readyOf100(mark.at) === readyOf100(marks[0]!.at)}<span
					><Working {figure} text="As many" /> {mark.words} {timeWords(mark.at)}</span
				>
			{:else}<b><Working {figure} text="{readyOf100(mark.at)} of 100" /></b>
				<span>{mark.words} {timeWords(mark.at)}</span>{/if}
		</li>
	{/each}
</ul>
<p>
	Half of the builds are ready {at(odds.p50)}, 80 of 100 {at(odds.p80)}, 95 of 100 {at(odds.p95)}.
	{#if hope && valueOf(hope) > 0}
		<b
			>The plan above, on usual minutes, is <Working figure={hope} text={formatWait(valueOf(hope))} /> more hopeful
			than that.</b
		>
	{/if}
</p>
<OddsChart {odds} {marks} />
{#if deciding.length}
	<h3>What decides it</h3>
	{#each scarceHours(odds) as s (s.id)}
		<p>
			<b>Hours of {words([s.id])}</b>: the work that decides waits {formatWait(s.minutes)} for them, on the average.
		</p>
	{/each}
	<ol class="deciding">
		{#each deciding as d (d.ids[0])}
			<li>
				<span class="bar" style:width="{Math.max(2, d.share * 100)}%"></span>
				<span>{words(d.ids)}</span>
				<span class="figure">{of100(d.share)}</span>
			</li>
		{/each}
	</ol>
	<p class="small soft">
		In so many builds it lay on the chain that decided when all was ready.
		{#if odds.wet > 0}Wet days held that chain up in {of100(odds.wet)}.{/if}
	</p>
{/if}

<style>
	.by {
		list-style: none;
		margin: 0 0 8px;
		padding: 0;
		display: flex;
		flex-wrap: wrap;
		gap: 4px 32px;
	}
	.by b {
		display: block;
		font-size: var(--s24);
	}
	h3 {
		margin: 12px 0 4px;
	}
	.deciding {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		gap: 2px;
	}
	.deciding li {
		position: relative;
		display: flex;
		justify-content: space-between;
		gap: 12px;
		padding: 2px 6px;
	}
	.deciding li > :not(.bar) {
		position: relative;
	}
	.bar {
		position: absolute;
		inset: 0 auto 0 0;
		background: var(--pink-wash);
	}
</style>
