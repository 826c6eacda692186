<script lang="ts">
	/** Pieces on the cutting mat, to scale: cut lines, sewing lines, holes, folds, grain. One square is 10 mm. */
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { labelPoint } from '$core/engines/pattern/labelPoint.ts';
	import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';
	import { notchPlace } from '$core/engines/pattern/piece.ts';
	import type { NumberedPiece } from '$core/engines/pattern/numbered.ts';
	import { placementChart } from '$core/engines/pattern/placement.ts';
	import { layInRows } from '$core/engines/pattern/tile.ts';

	interface Props {
		pieces: readonly NumberedPiece[];
		label: string;
		small?: boolean;
		/** As they go together, instead of in rows. */
		joined?: boolean;
	}
	let { pieces, label, small = false, joined = false }: Props = $props();
	const uid = $props.id();
	/** About how wide a letter is, in units. */
	const LETTER = 7.5;
	const chart = $derived(joined ? placementChart(pieces) : null);
	const laid = $derived((chart ?? layInRows(pieces)).pieces);
	const box = $derived(boxOf(laid.flatMap((p) => p.cut)));
	const pad = $derived(Math.max(10, (box.right - box.left + box.top - box.bottom) * 0.02));
	const view = $derived({
		x: box.left - pad,
		y: -box.top - pad,
		width: box.right - box.left + 2 * pad,
		height: box.top - box.bottom + 2 * pad
	});
	/** Millimetres for one unit of letters and lines, so that they look alike at every scale. */
	const unit = $derived(Math.max(view.width / (small ? 240 : 760), view.height / (small ? 96 : 420)));
	const moved = (at: Point) => (p: Point) => [p[0] + at[0], p[1] + at[1]] as Point;
</script>

<svg
	viewBox="{view.x} {view.y} {view.width} {view.height}"
	class:small
	class:joined
	role="img"
	aria-label={label}
>
	<defs>
		<pattern id="{uid}-grid" width="10" height="10" patternUnits="userSpaceOnUse">
			<path d="M10 0H0V10" class="line" stroke-width={unit * 0.5} />
		</pattern>
	</defs>
	<rect
		x={view.x - 10 * view.width}
		y={view.y - 10 * view.height}
		width={21 * view.width}
		height={21 * view.height}
		fill="url(#{uid}-grid)"
	/>
	{#each laid as { piece, at, cut, code, count }, index (index)}
		{@const to = moved(at)}
		{@const own = flatten(piece.outline).points.map(to)}
		{@const around = boxOf(cut)}
		<path
			class="piece"
			d="{svgPath(cut)}{piece.holes.map((h) => svgPath(flatten(h).points.map(to))).join('')}"
			fill-rule="evenodd"
			stroke-width={unit * 1.5}
		/>
		{#if piece.outline.edges.some((e) => e.allowance)}<path
				class="sew"
				d={svgPath(own)}
				stroke-width={unit}
				stroke-dasharray="{unit * 6} {unit * 4}"
			/>{/if}
		{#each piece.lines as line, i (i)}<path
				class="sew"
				d={svgPath(line.points.map(to), false)}
				stroke-width={unit}
				stroke-dasharray={line.use === 'fold'
					? `${unit * 9} ${unit * 3} ${unit * 2} ${unit * 3}`
					: `${unit * 2} ${unit * 3}`}
			/>{/each}
		{#each small ? [] : piece.notches as notch, i (i)}
			{@const n = notchPlace(piece, notch)}
			<path
				class="sew"
				d={svgPath([to(n.at), to([n.at[0] + n.out[0] * unit * 8, n.at[1] + n.out[1] * unit * 8])], false)}
				stroke-width={unit * 2}
			/>
		{/each}
		{@const number = code.replace(/^\S+ /, '')}
		{@const words = joined
			? piece.name
			: `${piece.name}, ${count} ×${piece.foldEdge === null ? '' : ', on the fold'}`}
		{@const room = (around.right - around.left) / unit}
		{#if !small && (around.top - around.bottom) / unit > 14 && room > LETTER * number.length}
			{@const [lx, ly] = labelPoint(cut, piece.holes, at)}
			<text class="name" x={lx} y={-ly} font-size={unit * 13} stroke-width={unit * 5}>
				<tspan class="code">{number}</tspan>{#if room > LETTER * (number.length + words.length + 3)}<tspan
						dx={unit * 5}>{words}</tspan
					>{/if}
			</text>
		{/if}
	{/each}
	{#each chart?.joins ?? [] as join (join.name)}
		<circle cx={join.at[0]} cy={-join.at[1]} r={unit * 9} class="join" />
		<text x={join.at[0]} y={-join.at[1]} font-size={unit * 11} class="code">{join.name}</text>
	{/each}
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		max-height: 460px;
		background: var(--mat-deep);
	}
	svg.joined {
		max-height: 320px;
	}
	svg.small {
		height: 96px;
	}
	.line {
		fill: none;
		stroke: rgb(255 255 255 / 13%);
	}
	.piece {
		fill: #ecdcb9;
		stroke: #12211f;
		stroke-linejoin: round;
	}
	.join {
		fill: var(--brass);
	}
	.sew {
		fill: none;
		stroke: #12211f;
	}
	text {
		fill: #12211f;
		text-anchor: middle;
		dominant-baseline: middle;
		font-family: var(--body);
	}
	/* A fold may run through it. */
	.name {
		paint-order: stroke;
		stroke: #ecdcb9;
		stroke-linejoin: round;
	}
	.code {
		font-weight: 700;
	}
</style>
