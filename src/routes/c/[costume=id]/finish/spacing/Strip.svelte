<script lang="ts">
	/** One part of a strip: at its true size on paper, as wide as there is room on a screen. */
	import { markOutline, OVER, type Strip, type StripPart } from '$core/engines/spacing/stencil.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';

	interface Props {
		part: StripPart;
		strip: Strip;
		unit: LengthUnit;
		/** Of a whole part, mm: a shorter one is drawn as much shorter. */
		row: number;
	}
	let { part, strip, unit, row }: Props = $props();
	/** For what a mark at the end reaches over, and the words beneath, mm. */
	const SIDE = $derived(strip.wide / 2 + OVER);
	const FOOT = 5;
	const wide = $derived(part.to - part.from);
	const points = $derived(
		markOutline(strip.mark, strip.wide, strip.markHigh)
			.map(([x, y]) => `${x},${y}`)
			.join(' ')
	);
</script>

<figure style:--share="{(100 * (wide + 2 * SIDE)) / (row + 2 * SIDE)}%">
	<svg
		width="{wide + 2 * SIDE}mm"
		height="{strip.high + FOOT}mm"
		viewBox="{-SIDE} 0 {wide + 2 * SIDE} {strip.high + FOOT}"
		role="img"
		aria-label="From {formatLength(part.from, unit)} to {formatLength(part.to, unit)}: {part.marks
			.length} marks"
	>
		<rect width={wide} height={strip.high} class="edge" />
		{#each part.marks as { number, at } (number)}
			<g transform="translate({at} {strip.high / 2})">
				<polygon {points} class="mark" />
				<path d="M-1.5 0h3M0 -1.5v3" class="middle" />
			</g>
			<text x={at} y={strip.high + FOOT - 1} text-anchor="middle">{number}</text>
		{/each}
	</svg>
	<figcaption class="small soft">{formatLength(part.from, unit)} to {formatLength(part.to, unit)}</figcaption>
</figure>

<style>
	figure {
		margin: 0;
	}
	svg {
		display: block;
		max-width: var(--share);
		height: auto;
	}
	.edge {
		fill: none;
		stroke: currentColor;
		stroke-width: 0.3;
	}
	.mark {
		fill: var(--pink-wash);
		stroke: currentColor;
		stroke-width: 0.3;
	}
	.middle {
		stroke: currentColor;
		stroke-width: 0.2;
		fill: none;
	}
	text {
		font: 3.2px var(--mono);
		fill: currentColor;
	}
	@media print {
		svg {
			max-width: none;
		}
		.mark {
			fill: none;
		}
	}
</style>
