<script lang="ts">
	/** One piece on the mat, large: its points and edges to choose, points to move, a line to lay over it. */
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { cutLine } from '$core/engines/pattern/allowance.ts';
	import { pointAt } from '$core/engines/pattern/cut.ts';
	import { boxOf, edgeLength, edgesOf, flatten, flattenEdge } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';
	import { notchPlace } from '$core/engines/pattern/piece.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { arrowOf } from '../pressing.ts';
	import ZoomTools from '../ZoomTools.svelte';
	import { Zoomed } from '../zoomed.svelte.ts';

	interface Props {
		piece: Piece;
		/** The piece as it is kept: the view is fitted to it, so that it stands still while a point is moved. */
		kept: Piece;
		label: string;
		point: number | null;
		edges: readonly number[];
		/** Points can be moved. */
		drawable: boolean;
		/** A click lays an end of a line. */
		laying: boolean;
		ends: readonly Point[];
		length: (mm: number) => string;
		onpoint: (i: number) => void;
		onedge: (i: number, more: boolean) => void;
		onmove: (i: number, to: Point, reach: number) => void;
		/** A handle of a curve on its way. */
		onhandle: (edge: number, handle: 'c1' | 'c2', to: Point) => void;
		/** What was moved is dropped. */
		onmoved: () => void;
		onend: (at: Point, reach: number) => void;
	}
	let {
		piece,
		kept,
		label,
		point,
		edges,
		drawable,
		laying,
		ends,
		length,
		onpoint,
		onedge,
		onmove,
		onhandle,
		onmoved,
		onend
	}: Props = $props();

	const HEIGHT = 460;
	const PAD = 36;
	/** Pixels within which a click catches on something. */
	const REACH = 9;
	const MOST_LENGTHS = 16;
	const uid = $props.id();
	let width = $state(700);
	let svg: SVGSVGElement;
	const zoomed = new Zoomed(
		[0.5, 40],
		(event) => event.type === 'wheel' || (event.target as Element).classList.contains('ground')
	);
	const moved = $derived(zoomed.moved);
	let dragging = $state<number | 'c1' | 'c2' | null>(null);
	/** The chosen curve, with the handles that bend it. */
	const curve = $derived.by(() => {
		const i = edges.length === 1 ? edges[0]! : -1;
		const at = all[i];
		return drawable && at?.edge.kind === 'cubic' ? { i, from: at.from, edge: at.edge } : null;
	});

	const box = $derived(boxOf([...flatten(kept.outline, 0.5).points, ...cutLine(kept, 0.5)]));
	const fit = $derived(
		Math.min(
			(width - 2 * PAD) / Math.max(1, box.right - box.left),
			(HEIGHT - 2 * PAD) / Math.max(1, box.top - box.bottom)
		)
	);
	/** Pixels for one mm. */
	const scale = $derived(fit * moved.k);
	const onto = $derived(([x, y]: Point): Point => [
		moved.x + moved.k * (width / 2 + (x - (box.left + box.right) / 2) * fit),
		moved.y + moved.k * (HEIGHT / 2 - (y - (box.top + box.bottom) / 2) * fit)
	]);
	/** svgPath turns y round, and pixels run down already. */
	const path = (points: readonly Point[], closed = true) =>
		svgPath(
			points.map((p) => {
				const [x, y] = onto(p);
				return [x, -y] as Point;
			}),
			closed
		);
	const at = (event: MouseEvent): Point => {
		const { left, top } = svg.getBoundingClientRect();
		const [px, py] = [event.clientX - left, event.clientY - top];
		return [
			((px - moved.x) / moved.k - width / 2) / fit + (box.left + box.right) / 2,
			(HEIGHT / 2 - (py - moved.y) / moved.k) / fit + (box.top + box.bottom) / 2
		];
	};
	/** Squares of 10 mm, and of 100 when those are too small to see. */
	const square = $derived(scale * 10 >= 4 ? 10 : 100);
	const origin = $derived(onto([0, 0]));

	const all = $derived(edgesOf(piece.outline));
	/** What is clicked: it need not follow a point on its way, and hundreds of edges would take the time of a frame. */
	const standing = $derived(edgesOf(kept.outline));
	const allowed = $derived(piece.outline.edges.some((e) => e.allowance));
	const cut = $derived(allowed ? cutLine(piece) : flatten(piece.outline).points);
	const lengths = $derived(
		all.length <= MOST_LENGTHS
			? all.map(({ from, edge }, i) => ({
					i,
					at: onto(pointAt(from, edge, 0.5)),
					mm: edgeLength(from, edge)
				}))
			: []
	);

	function take(event: PointerEvent, i: number) {
		onpoint(i);
		if (!drawable || event.button !== 0) return;
		dragging = i;
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
	}
	function takeHandle(event: PointerEvent, handle: 'c1' | 'c2') {
		if (event.button !== 0) return;
		dragging = handle;
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
	}
	function drag(event: PointerEvent) {
		if (typeof dragging === 'number') onmove(dragging, at(event), event.altKey ? 0 : REACH / scale);
		else if (dragging && curve) onhandle(curve.i, dragging, at(event));
	}
	function drop() {
		if (dragging === null) return;
		dragging = null;
		onmoved();
	}
	/** Arrow keys move by a millimetre, with Shift by ten. */
	function nudged(event: KeyboardEvent, [x, y]: Point): Point | null {
		const by = arrowOf(event);
		const step = event.shiftKey ? 10 : 1;
		return by && [x + by[0] * step, y + by[1] * step];
	}
	function nudge(event: KeyboardEvent, i: number) {
		const to = drawable ? nudged(event, all[i]!.from) : null;
		if (event.key === 'Enter' || event.key === ' ') onpoint(i);
		else if (to) {
			onmove(i, to, 0);
			onmoved();
		} else return;
		event.preventDefault();
	}
	function nudgeHandle(event: KeyboardEvent, handle: 'c1' | 'c2') {
		const to = curve && nudged(event, curve.edge[handle]);
		if (!curve || !to) return;
		onhandle(curve.i, handle, to);
		onmoved();
		event.preventDefault();
	}
</script>

<div class="view" bind:clientWidth={width}>
	<svg
		bind:this={svg}
		{@attach zoomed.attach}
		{@attach (node: SVGSVGElement) => {
			// Not an attribute: the drawing as a whole is no button, the ends of a line are laid from the keyboard by its fields.
			const lay = (event: MouseEvent) => laying && onend(at(event), REACH / scale);
			node.addEventListener('click', lay);
			return () => node.removeEventListener('click', lay);
		}}
		viewBox="0 0 {width} {HEIGHT}"
		height={HEIGHT}
		role="group"
		aria-label={label}
		class:laying
	>
		<defs>
			<pattern
				id="{uid}-grid"
				x={origin[0]}
				y={origin[1]}
				width={square * scale}
				height={square * scale}
				patternUnits="userSpaceOnUse"
			>
				<path d="M{square * scale} 0H0V{square * scale}" class="grid" />
			</pattern>
		</defs>
		<rect {width} height={HEIGHT} fill="url(#{uid}-grid)" class="ground" />
		<path
			class="piece ground"
			d="{path(cut)}{piece.holes.map((h) => path(flatten(h).points)).join('')}"
			fill-rule="evenodd"
		/>
		{#if allowed}<path class="sew" d={path(flatten(piece.outline).points)} />{/if}
		{#each piece.lines as line, i (i)}<path class="inner {line.use}" d={path(line.points, false)} />{/each}
		{#each piece.notches as notch, i (i)}
			{@const n = notchPlace(piece, notch)}
			{@const [x, y] = onto(n.at)}
			<path class="notch" d="M{x} {y}l{n.out[0] * 12} {-n.out[1] * 12}" />
			<text x={x + n.out[0] * 22} y={y - n.out[1] * 22} class="pair">{notch.pair}</text>
		{/each}
		{#if piece.foldEdge !== null && all[piece.foldEdge]}
			{@const fold = all[piece.foldEdge]!}
			<path class="fold" d={path([fold.from, fold.edge.to], false)} />
		{/if}
		{#if piece.grain !== null}
			{@const [gx, gy] = onto([(box.left + box.right) / 2, (box.top + box.bottom) / 2])}
			<g class="grain" transform="translate({gx} {gy}) rotate({-piece.grain})">
				<path d="M-44 0H44M-36 -5L-44 0L-36 5M36 -5L44 0L36 5" />
			</g>
		{/if}
		{#each standing as { from, edge }, i (i)}
			<path
				class="edge"
				class:chosen={edges.includes(i)}
				d={path([from, ...flattenEdge(from, edge)], false)}
				role="button"
				tabindex="-1"
				aria-label="Edge {i + 1}"
				onclick={(event) => {
					if (laying) return;
					onedge(i, event.shiftKey);
				}}
				onkeydown={(event) => event.key === 'Enter' && onedge(i, event.shiftKey)}
			/>
		{/each}
		{#each lengths as l (l.i)}
			<text x={l.at[0]} y={l.at[1]} class="length">{length(l.mm)}</text>
		{/each}
		{#if !laying}
			{#each all as { from }, i (i)}
				{@const [x, y] = onto(from)}
				<circle
					class="point"
					class:chosen={point === i}
					class:drawable
					cx={x}
					cy={y}
					r={all.length > 60 ? 4 : 6}
					role="button"
					tabindex={all.length > 60 && point !== i ? -1 : 0}
					aria-label="Point {i + 1}"
					aria-pressed={point === i}
					onpointerdown={(event) => take(event, i)}
					onpointermove={drag}
					onpointerup={drop}
					onkeydown={(event) => nudge(event, i)}
				/>
			{/each}
		{/if}
		{#if curve && !laying}
			{#each ['c1', 'c2'] as const as handle (handle)}
				{@const [hx, hy] = onto(curve.edge[handle])}
				{@const [px, py] = onto(handle === 'c1' ? curve.from : curve.edge.to)}
				<path class="arm" d="M{px} {py}L{hx} {hy}" />
				<rect
					class="handle"
					x={hx - 6}
					y={hy - 6}
					width="12"
					height="12"
					role="button"
					tabindex="0"
					aria-label="Handle {handle === 'c1' ? 1 : 2} of edge {curve.i + 1}"
					onpointerdown={(event) => takeHandle(event, handle)}
					onpointermove={drag}
					onpointerup={drop}
					onkeydown={(event) => nudgeHandle(event, handle)}
				/>
			{/each}
		{/if}
		{#if ends.length === 2}
			<path class="laid" d={path(ends, false)} />
		{/if}
		{#each ends as end, i (i)}
			{@const [x, y] = onto(end)}
			<circle class="end" cx={x} cy={y} r="5" />
		{/each}
	</svg>
	<ZoomTools {zoomed} all="Show the whole piece" />
	<p class="square small">one square is {square} mm</p>
</div>

<style>
	.view {
		position: relative;
		background: var(--mat-deep);
		min-width: 0;
	}
	svg {
		display: block;
		width: 100%;
		touch-action: none;
		cursor: grab;
	}
	svg.laying,
	svg.laying * {
		cursor: crosshair;
	}
	.grid {
		fill: none;
		stroke: rgb(255 255 255 / 12%);
		stroke-width: 1;
	}
	.piece {
		fill: #ecdcb9;
		stroke: #12211f;
		stroke-width: 1.5;
		stroke-linejoin: round;
	}
	.sew,
	.inner,
	.fold,
	.notch,
	.grain path,
	.laid {
		fill: none;
		stroke: #12211f;
		pointer-events: none;
	}
	.sew {
		stroke-dasharray: 6 4;
	}
	.inner {
		stroke-dasharray: 2 3;
	}
	.inner.fold {
		stroke-dasharray: 9 3 2 3;
	}
	.fold {
		stroke-width: 3;
		stroke-dasharray: 12 3 3 3;
	}
	.notch {
		stroke-width: 2.5;
	}
	.grain path {
		stroke: #5a4a22;
		stroke-width: 1.5;
	}
	.laid {
		stroke: var(--red-ink);
		stroke-width: 2;
		stroke-dasharray: 8 4;
	}
	.edge {
		fill: none;
		stroke: transparent;
		stroke-width: 14;
		cursor: pointer;
		outline: none;
	}
	.edge:hover {
		stroke: rgb(201 155 58 / 35%);
	}
	.edge.chosen {
		stroke: var(--brass);
		stroke-width: 6;
	}
	.point {
		fill: #fff;
		stroke: #12211f;
		stroke-width: 1.5;
		cursor: pointer;
	}
	.point.drawable {
		cursor: move;
	}
	.point.chosen {
		fill: var(--brass);
		r: 8px;
	}
	.arm {
		fill: none;
		stroke: var(--brass);
		pointer-events: none;
	}
	.handle {
		fill: var(--brass);
		stroke: #12211f;
		cursor: move;
	}
	text {
		text-anchor: middle;
		dominant-baseline: middle;
		font: 12px var(--mono);
		pointer-events: none;
		fill: #12211f;
		paint-order: stroke;
		stroke: #ecdcb9;
		stroke-width: 4px;
	}
	.pair {
		fill: var(--on-mat);
		stroke: var(--mat-deep);
	}
	.square {
		position: absolute;
		left: 8px;
		bottom: 6px;
		margin: 0;
		color: var(--on-mat-soft);
		pointer-events: none;
	}
</style>
