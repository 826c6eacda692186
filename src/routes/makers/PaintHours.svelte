<script lang="ts">
	/** Hours of a usual week, painted; of a maker who works otherwise every other week, of both. */
	import { hasOddWeek, weekOf, type Week } from '$core/answers/paintWeek.ts';
	import { weeksOf } from '$core/facts/calendar.ts';
	import type { Maker, Place } from '$core/facts/workshop.ts';
	import { dayOf, type LocalMinutes } from '$core/units/localTime.ts';
	import { run } from '$lib/ui/run.ts';
	import PaintWeek from './PaintWeek.svelte';

	interface Props {
		of: Maker | Place;
		/** Of a maker; else of a place. */
		maker: boolean;
		weekStart: number;
		now: LocalMinutes;
	}
	let { of, maker, weekStart, now }: Props = $props();
	interface Weeks {
		even: Week;
		/** Null where every week is alike. */
		odd: Week | null;
	}
	const kept = $derived<Weeks>({
		even: weekOf(of.windows),
		odd: hasOddWeek(of.windows) ? weekOf(of.windows, 'odd') : null
	});
	/** What is painted, until it is kept. */
	let sent = $state.raw<Weeks | null>(null);
	/** The second week is begun, and nothing painted on it yet. */
	let begun = $state(false);
	const shown = $derived(sent ?? kept);
	const odd = $derived(shown.odd ?? (begun ? shown.even : null));
	const thisWeek = $derived(weeksOf(dayOf(now)));

	/** One after another: what is painted while the last is on its way is painted on that. */
	let sending: Promise<unknown> = Promise.resolve();
	async function keep(weeks: Weeks) {
		sent = weeks;
		sending = sending.then(() =>
			run('setWeek', {
				makerId: maker ? of.id : null,
				placeId: maker ? null : of.id,
				week: JSON.stringify(weeks.even),
				odd: JSON.stringify(weeks.odd)
			})
		);
		await sending;
		if (sent === weeks) sent = null;
	}
	const nameOf = (week: 'odd' | 'even') =>
		`${week === 'odd' ? 'Odd' : 'Even'} weeks${thisWeek === week ? ', this one' : ''}`;
	function differ(on: boolean) {
		begun = on;
		if (!on && shown.odd) void keep({ even: shown.even, odd: null });
	}
</script>

<PaintWeek
	week={shown.even}
	name="{odd ? 'Even weeks' : 'Week'} of {of.name}"
	title={odd ? nameOf('even') : ''}
	{weekStart}
	onpaint={(even) => keep({ even, odd })}
/>
{#if maker}
	<label class="tick small"
		><input type="checkbox" checked={odd !== null} onchange={(e) => differ(e.currentTarget.checked)} /> Odd weeks
		are different</label
	>
	{#if odd}
		<PaintWeek
			week={odd}
			name="Odd weeks of {of.name}"
			title={nameOf('odd')}
			{weekStart}
			onpaint={(week) => keep({ even: shown.even, odd: week })}
		/>
	{/if}
{/if}

<style>
	.tick {
		display: flex;
		gap: 6px;
		align-items: center;
		min-height: 30px;
	}
	@media (max-width: 700px) {
		.tick {
			min-height: 44px;
		}
	}
</style>
