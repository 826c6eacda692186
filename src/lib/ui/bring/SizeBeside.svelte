<script lang="ts">
	/** Pieces beside the body that they are for, to one scale: a wrong unit shows at a glance. */
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { MIDDLE, SIDE } from '../bodyShapes.ts';

	interface Props {
		pieces: readonly Piece[];
		/** Of the wearer, mm. */
		stature: number;
		label: string;
	}
	let { pieces, stature, label }: Props = $props();
	/** The drawn body: crown, soles and half its width, in its own units. */
	const [CROWN, SOLES, MIDLINE, WIDTH] = [8, 416, 100, 168];
	const MOST = 40;
	const k = $derived(stature / (SOLES - CROWN));
	const outlines = $derived(pieces.slice(0, MOST).map((p) => flatten(p.outline, 0.5).points));
	const box = $derived(boxOf(outlines.flat()));
	const gap = $derived(stature * 0.08);
	const wide = $derived(WIDTH * k + gap + (box.right - box.left));
	const high = $derived(Math.max(stature, box.top - box.bottom));
	/** Pieces stand on the floor beside the body, as they lie in the drawing. */
	const moved = ([x, y]: Point): Point => [x - box.left + WIDTH * k + gap, y - box.bottom];
</script>

<svg viewBox="0 {-high} {wide} {high}" role="img" aria-label={label}>
	<g transform="translate({(WIDTH / 2 - MIDLINE) * k} {-SOLES * k}) scale({k})">
		{#each Object.entries(MIDDLE).filter(([zone]) => zone !== 'back') as [zone, path] (zone)}
			<path d={path} class="body" />
		{/each}
		{#each Object.entries(SIDE) as [zone, path] (zone)}
			<path d={path} class="body" />
			<path d={path} class="body" transform="translate({2 * MIDLINE} 0) scale(-1 1)" />
		{/each}
	</g>
	{#each outlines as points, i (i)}
		<path d={svgPath(points.map(moved))} class="piece" vector-effect="non-scaling-stroke" />
	{/each}
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		height: 220px;
		margin-top: 12px;
		background: var(--mat-deep);
		padding: 12px;
	}
	.body {
		fill: #cfe0d2;
	}
	.piece {
		fill: #ecdcb9;
		stroke: #12211f;
	}
</style>
