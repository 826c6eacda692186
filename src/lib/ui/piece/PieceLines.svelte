<script lang="ts">
	/** What is drawn of a piece and never pressed: its cut and seam lines, notches, fold, grain, the lengths of its edges. */
	import { notchPlace } from '$core/engines/pattern/piece.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { flatten, edgesOf, edgeLength } from '$core/engines/pattern/outline.ts';
	import { pointAt } from '$core/engines/pattern/cut.ts';
	import { cutLine } from '$core/engines/pattern/allowance.ts';
	import { PieceView } from './pieceView.svelte.ts';

	interface Props {
		piece: Piece;
		view: PieceView;
		length: (mm: number) => string;
	}
	let { piece, view, length }: Props = $props();
	/** More of them than these would lie on each other. */
	const MOST_LENGTHS = 16;
	const { onto, path } = $derived(view);
	const all = $derived(edgesOf(piece.outline));
	const allowed = $derived(piece.outline.edges.some((e) => e.allowance));
	const cut = $derived(allowed ? cutLine(piece) : flatten(piece.outline).points);
	/** Px that a length stands outside of its edge. */
	const BESIDE = 13;
	/** Each length outside of its edge and of what is cut beyond it: a piece lies to the left of its outline. */
	const lengths = $derived.by(() => {
		if (all.length > MOST_LENGTHS) return [];
		return all.map(({ from, edge }, i) => {
			const [at, before, after] = [0.5, 0.49, 0.51].map((t) => onto(pointAt(from, edge, t)));
			const [dx, dy] = [after![0] - before![0], after![1] - before![1]];
			const long = Math.hypot(dx, dy) || 1;
			const [ox, oy] = [-dy / long, dx / long];
			const off = BESIDE + (edge.allowance ?? 0) * view.scale;
			return {
				i,
				x: at![0] + ox * off,
				y: at![1] + oy * off,
				anchor: ox > 0.5 ? 'start' : ox < -0.5 ? 'end' : 'middle',
				mm: edgeLength(from, edge)
			};
		});
	});
</script>

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
	<text x={x + n.out[0] * 22} y={y - n.out[1] * 22} class="pair" text-anchor="middle">{notch.pair}</text>
{/each}
{#if piece.foldEdge !== null && all[piece.foldEdge]}
	{@const fold = all[piece.foldEdge]!}
	<path class="fold" d={path([fold.from, fold.edge.to], false)} />
{/if}
{#if piece.grain !== null}
	{@const [gx, gy] = onto(view.middle)}
	<g class="grain" transform="translate({gx} {gy}) rotate({-piece.grain})">
		<path d="M-44 0H44M-36 -5L-44 0L-36 5M36 -5L44 0L36 5" />
	</g>
{/if}
{#each lengths as l (l.i)}
	<text x={l.x} y={l.y} text-anchor={l.anchor} class="length">{length(l.mm)}</text>
{/each}

<style>
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
	.grain path {
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
	text {
		dominant-baseline: middle;
		font: 12px var(--mono);
		pointer-events: none;
		fill: #12211f;
		paint-order: stroke;
		stroke: #ecdcb9;
		stroke-width: 4px;
	}
	.pair,
	.length {
		fill: var(--on-mat);
		stroke: var(--mat-deep);
	}
</style>
