<script lang="ts">
	/** Simulated builds by the day on which they are ready, and the share that is ready by then. */
	import type { Odds } from '$core/engines/schedule/odds.ts';
	import { dayOf, dayWords, type LocalMinutes } from '$core/units/localTime.ts';
	import Chart from './Chart.svelte';

	interface Props {
		odds: Odds;
		/** Moments marked on it. */
		marks: { at: LocalMinutes; words: string }[];
	}
	let { odds, marks }: Props = $props();

	const days = $derived.by(() => {
		const told = [...odds.days.map((d) => d.day), ...marks.map((m) => dayOf(m.at))];
		const [first, last] = [Math.min(...told), Math.max(...told)];
		const shares = new Map(odds.days.map((d) => [d.day, d.share]));
		let ready = 0;
		return Array.from({ length: last - first + 1 }, (_, i) => {
			ready += shares.get(first + i) ?? 0;
			return { day: first + i, share: shares.get(first + i) ?? 0, ready };
		});
	});
	/** Words at either edge stand inwards of their line, clear of the axis. */
	const alignAt = (day: number) => {
		const share = (day - days[0]!.day) / days.length;
		return share < 0.1 ? 'left' : share > 0.9 ? 'right' : 'center';
	};
	const percent = (share: number) => Math.round(share * 1000) / 10;

	const options = $derived((colour: (name: string) => string, text: object) => ({
		grid: { left: 44, right: 12, top: 50, bottom: 28 },
		xAxis: { type: 'category', data: days.map((d) => dayWords(d.day)), axisLabel: text },
		yAxis: {
			type: 'value',
			max: 100,
			axisLabel: text,
			splitLine: { lineStyle: { color: colour('--rule'), type: 'dotted' } }
		},
		series: [
			{
				name: 'ready that day, of 100',
				type: 'bar',
				barMaxWidth: 26,
				data: days.map((d) => percent(d.share)),
				itemStyle: { color: colour('--pink') }
			},
			{
				name: 'ready by then, of 100',
				type: 'line',
				step: 'middle',
				symbol: 'none',
				data: days.map((d) => percent(d.ready)),
				lineStyle: { color: colour('--pink-ink'), width: 2 },
				itemStyle: { color: colour('--pink-ink') },
				markLine: {
					symbol: 'none',
					lineStyle: { color: colour('--brass-ink'), type: 'solid', width: 2 },
					label: { ...text, color: colour('--brass-ink'), formatter: '{b}', position: 'end' },
					// Two days beside each other: their words stand one above the other.
					data: marks.map((m, i) => ({
						name: m.words,
						xAxis: dayWords(dayOf(m.at)),
						label: { distance: 4 + 14 * i, align: alignAt(dayOf(m.at)) }
					}))
				}
			}
		]
	}));
</script>

<Chart {options} height={220} />
<details class="small">
	<summary>The chart as a table</summary>
	<table>
		<thead
			><tr><th>Day</th><th class="number">ready that day</th><th class="number">ready by then</th></tr></thead
		>
		<tbody>
			{#each days.filter((d) => d.share > 0) as d (d.day)}
				<tr
					><td>{dayWords(d.day)}</td><td class="number">{percent(d.share)}</td><td class="number"
						>{percent(d.ready)}</td
					></tr
				>
			{/each}
		</tbody>
	</table>
</details>
