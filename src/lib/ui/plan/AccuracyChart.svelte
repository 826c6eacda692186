<script lang="ts">
	/** How far estimates were off, step after step: the middle of the last ten, with and without learning. */
	import { typicalError, type EstimateError } from '$core/answers/rates.ts';
	import { dayOf, dayWords } from '$core/units/localTime.ts';
	import Chart from './Chart.svelte';

	interface Props {
		errors: readonly EstimateError[];
	}
	let { errors }: Props = $props();
	const SPAN = 10;
	const off = (key: 'started' | 'learned', i: number) =>
		Math.round((typicalError(errors.slice(Math.max(0, i - SPAN + 1), i + 1).map((e) => e[key]))! - 1) * 100);
	const options = $derived((colour: (name: string) => string, text: object) => ({
		grid: { left: 48, right: 32, top: 30, bottom: 28 },
		legend: { top: 0, right: 8, textStyle: text, itemWidth: 18 },
		xAxis: {
			type: 'category',
			data: errors.map((e) => dayWords(dayOf(e.doneAt))),
			axisLabel: text
		},
		yAxis: {
			type: 'value',
			axisLabel: { ...text, formatter: '{value} %' },
			splitLine: { lineStyle: { color: colour('--rule'), type: 'dotted' } }
		},
		series: [
			{
				name: 'starting values',
				type: 'line',
				symbol: 'none',
				data: errors.map((_, i) => off('started', i)),
				lineStyle: { color: colour('--ink-soft'), type: 'dashed', width: 2 },
				itemStyle: { color: colour('--ink-soft') }
			},
			{
				name: 'as learned by then',
				type: 'line',
				symbol: 'none',
				data: errors.map((_, i) => off('learned', i)),
				lineStyle: { color: colour('--pink-ink'), width: 2 },
				itemStyle: { color: colour('--pink-ink') }
			}
		]
	}));
</script>

<Chart {options} height={180} />

<p class="small soft">
	How far the estimate of a step was off, in per cent: the middle of the last {SPAN} steps.
</p>
