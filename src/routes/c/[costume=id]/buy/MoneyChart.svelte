<script lang="ts">
	/** Money as a thread along the days, the limit as the knot it should not pass, the hours of each day beneath. */
	import type { MoneyDay } from '$core/answers/moneyOverDays.ts';
	import type { Costume } from '$core/facts/costume.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { formatMoney, minorDigits } from '$core/units/money.ts';
	import Chart from '$lib/ui/plan/Chart.svelte';

	interface Props {
		days: readonly MoneyDay[];
		costume: Costume;
		today: number;
	}
	let { days, costume, today }: Props = $props();
	const currency = $derived(costume.currency);
	const main = (minor: number) => minor / 10 ** minorDigits(currency);
	/** Where something happens: what a table of it needs. */
	const told = $derived(days.filter((d, i) => d.minutes > 0 || d.minor !== (days[i - 1]?.minor ?? 0)));

	const options = $derived((colour: (name: string) => string, text: object) => ({
		grid: { left: 56, right: 48, top: 34, bottom: 28 },
		legend: { top: 0, left: 0, itemHeight: 8, textStyle: text },
		xAxis: { type: 'category', data: days.map((d) => dayWords(d.day)), axisLabel: text },
		yAxis: [
			{
				type: 'value',
				axisLabel: text,
				max: (range: { max: number }) =>
					Math.ceil(Math.max(range.max, main(costume.limitMinor ?? 0)) / 50) * 50,
				splitLine: { lineStyle: { color: colour('--rule'), type: 'dotted' } }
			},
			{ type: 'value', axisLabel: { ...text, formatter: '{value} h' }, splitLine: { show: false } }
		],
		series: [
			{
				name: `spent by then, ${currency}`,
				type: 'line',
				step: 'end',
				symbol: 'none',
				data: days.map((d) => main(d.minor)),
				lineStyle: { color: colour('--brass'), width: 3 },
				itemStyle: { color: colour('--brass') },
				z: 3,
				markLine: {
					symbol: 'none',
					lineStyle: { color: colour('--brass-ink'), type: 'dashed', width: 1.5 },
					label: { ...text, color: colour('--brass-ink'), formatter: '{b}', position: 'insideStartTop' },
					data: [
						...(costume.limitMinor === null
							? []
							: [{ name: 'limit', yAxis: main(costume.limitMinor), symbol: 'circle' }]),
						{
							name: 'today',
							xAxis: dayWords(today),
							lineStyle: { color: colour('--pink-ink'), type: 'solid' },
							label: { ...text, color: colour('--pink-ink'), position: 'insideEndTop', rotate: 0 }
						}
					]
				}
			},
			{
				name: 'hours that day',
				type: 'bar',
				yAxisIndex: 1,
				barMaxWidth: 14,
				data: days.map((d) => Math.round(d.minutes / 6) / 10),
				itemStyle: { color: colour('--blue') }
			}
		]
	}));
</script>

<Chart {options} height={260} />
<details class="small">
	<summary>The chart as a table</summary>
	<table>
		<thead
			><tr><th>Day</th><th class="number">spent by then</th><th class="number">work that day</th></tr></thead
		>
		<tbody>
			{#each told as d (d.day)}
				<tr
					><td>{dayWords(d.day)}</td><td class="number">{formatMoney(d.minor, currency)}</td><td
						class="number">{d.minutes ? formatDuration(d.minutes) : ''}</td
					></tr
				>
			{/each}
		</tbody>
	</table>
</details>
