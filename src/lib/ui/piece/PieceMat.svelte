<script lang="ts">
	/** One piece on the mat, large: its points and edges to choose, points to move, a line to lay over it. */
	import { edgesOf, flattenEdge } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { arrowOf } from '../pressing.ts';
	import ZoomTools from '../ZoomTools.svelte';
	import { Zoomed } from '../zoomed.svelte.ts';
	import PieceLines from './PieceLines.svelte';
	import { PieceView } from './pieceView.svelte.ts';

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
	/** Pixels within which a click catches on something. */
	const REACH = 9;
	const uid = $props.id();
	let svg: SVGSVGElement;
	const zoomed = new Zoomed(
		[0.5, 40],
		(event) => event.type === 'wheel' || (event.target as Element).classList.contains('ground')
	);
	const view = new PieceView(
		() => kept,
		() => zoomed.moved,
		HEIGHT
	);
	const { onto, path } = view;
	let dragging = $state<number | 'c1' | 'c2' | null>(null);
	/** The chosen curve, with the handles that bend it. */
	const curve = $derived.by(() => {
		const i = edges.length === 1 ? edges[0]! : -1;
		const at = all[i];
		return drawable && at?.edge.kind === 'cubic' ? { i, from: at.from, edge: at.edge } : null;
	});
	const at = (event: MouseEvent): Point => {
		const { left, top } = svg.getBoundingClientRect();
		return view.from([event.clientX - left, event.clientY - top]);
	};
	const origin = $derived(onto([0, 0]));
	const all = $derived(edgesOf(piece.outline));
	/** What is clicked: it need not follow a point on its way, and hundreds of edges would take the time of a frame. */
	const standing = $derived(edgesOf(kept.outline));

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
		if (typeof dragging === 'number') onmove(dragging, at(event), event.altKey ? 0 : REACH / view.scale);
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

<div class="mat-view" bind:clientWidth={view.width}>
	<svg
		bind:this={svg}
		{@attach zoomed.attach}
		{@attach (node: SVGSVGElement) => {
			// Not an attribute: the drawing as a whole is no button, the ends of a line are laid from the keyboard by its fields.
			const lay = (event: MouseEvent) => laying && onend(at(event), REACH / view.scale);
			node.addEventListener('click', lay);
			return () => node.removeEventListener('click', lay);
		}}
		viewBox="0 0 {view.width} {HEIGHT}"
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
				width={view.square * view.scale}
				height={view.square * view.scale}
				patternUnits="userSpaceOnUse"
			>
				<path d="M{view.square * view.scale} 0H0V{view.square * view.scale}" class="grid" />
			</pattern>
		</defs>
		<rect width={view.width} height={HEIGHT} fill="url(#{uid}-grid)" class="ground" />
		<PieceLines {piece} {view} {length} />
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
	<p class="square small">one square is {view.square} mm</p>
</div>

<style>
	svg.laying,
	svg.laying * {
		cursor: crosshair;
	}
	.grid {
		fill: none;
		stroke: rgb(255 255 255 / 12%);
		stroke-width: 1;
	}
	.laid {
		fill: none;
		pointer-events: none;
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
	.square {
		position: absolute;
		left: 8px;
		bottom: 6px;
		margin: 0;
		color: var(--on-mat-soft);
		pointer-events: none;
	}
</style>
