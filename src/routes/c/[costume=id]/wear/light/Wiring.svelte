<script lang="ts">
	/** How it is wired: cells, fuse and switch on the left, strings side by side between the rails. */
	import type { CELLS, Circuit, LightAnswer } from '$core/engines/light/circuit.ts';
	import { formatNumber } from '$core/units/number.ts';

	interface Props {
		circuit: Circuit;
		answer: LightAnswer;
		cell: keyof typeof CELLS;
	}
	let { circuit, answer, cell }: Props = $props();
	/** So many strings are drawn; the rest are alike. */
	const MOST = 6;
	const STEP = 74;
	const LEFT = 150;
	const each = $derived(Math.max(1, Math.floor(MOST / circuit.strands.length)));
	/** What is drawn from left to right: a string, or how many more there are. */
	const columns = $derived(
		circuit.strands.flatMap((strand, of) => {
			const drawn = Array.from({ length: Math.min(each, strand.strings) }, () => ({
				leds: Math.min(MOST, strand.inSeries),
				ohm: answer.strands[of]!.ohm ?? 0,
				more: null as string | null
			}));
			const words = `… ${strand.strings} in all`;
			return strand.strings > each ? [...drawn, { leds: 0, ohm: 0, more: words }] : drawn;
		})
	);
	/** Words take more room than a string. */
	const WORDS = 120;
	const xs = $derived(
		columns.map((_, i) => LEFT + columns.slice(0, i).reduce((x, c) => x + (c.more ? WORDS : STEP), 0))
	);
	const last = $derived(xs[columns.findLastIndex((c) => c.more === null)] ?? LEFT);
	const bottom = $derived(110 + Math.max(...columns.map((c) => c.leds)) * 44);
	const wide = $derived((xs.at(-1) ?? LEFT) + (columns.at(-1)?.more ? WORDS : STEP + 10));
	const strands = $derived(
		circuit.strands.map((s) => `${s.strings} strings of a resistor and ${s.inSeries} LEDs`).join(', ')
	);
</script>

<!-- What is moved along by a finger is moved by keys too. -->
<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div class="chart" role="region" aria-label="Wiring chart" tabindex="0">
	<svg
		style:min-width="{Math.min(wide, 640)}px"
		viewBox="0 0 {wide} {bottom + 26}"
		role="img"
		aria-label="Wiring: {circuit.inSeries} cells {cell} in a row, fuse and switch, then {strands}"
	>
		<path class="wire" d="M40 {bottom}H{last}M40 30H62M98 30H110M134 24L112 30M134 30H{last}" />
		<circle cx="112" cy="30" r="2.5" /><circle cx="134" cy="30" r="2.5" />
		<text x="116" y="16">switch</text>
		{#if circuit.fuseMilliamps !== null}
			<rect x="62" y="23" width="36" height="14" /><path class="wire" d="M62 30H98" />
			<text x="56" y="16">{formatNumber(circuit.fuseMilliamps, 0)} mA</text>
		{:else}<path class="wire" d="M62 30H98" />{/if}
		<path
			class="wire"
			d="M40 30V{bottom / 2 - 8}M40 {bottom / 2 + 8}V{bottom}M24 {bottom / 2 - 8}H56M32 {bottom / 2 + 8}H48"
		/>
		<text x="8" y={bottom / 2 - 14}>+</text>
		<text x="62" y={bottom / 2 + 2}>{circuit.inSeries} × {cell}</text>
		{#if circuit.rows > 1}<text x="62" y={bottom / 2 + 18}>{circuit.rows} rows</text>{/if}
		{#each columns as { leds, ohm, more }, i (i)}
			{#if more}
				<text x={xs[i]! - 14} y="84">{more}</text>
			{:else}
				<g transform="translate({xs[i]} 30)">
					<path class="wire" d="M0 0V18M0 54V64M0 {64 + leds * 44}V{bottom - 30}" />
					<rect x="-7" y="18" width="14" height="36" />
					<text x="11" y="40">{formatNumber(ohm, 0)} Ω</text>
					{#each { length: leds }, k (k)}
						<g transform="translate(0 {64 + k * 44})">
							<path class="wire" d="M0 0V12M0 32V44M-10 32H10M14 14l8-8m-5 0h5v5M18 24l8-8m-5 0h5v5" />
							<path class="led" d="M-10 12H10L0 32Z" />
						</g>
					{/each}
				</g>
			{/if}
		{/each}
	</svg>
</div>

<style>
	/* On a phone it is moved along rather than read with a glass. */
	.chart {
		overflow-x: auto;
		margin: 12px 0;
		background: var(--sheet-shade);
	}
	svg {
		display: block;
		width: 100%;
		max-height: 340px;
	}
	.wire {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	rect,
	.led {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	.led {
		fill: var(--yellow);
	}
	circle {
		fill: var(--ink);
	}
	text {
		font: 600 12px var(--mono);
		fill: var(--ink);
	}
	@media print {
		.chart {
			background: none;
		}
	}
</style>
