<script lang="ts">
	/** A piece with the marks where they sit on its edge. */
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';

	interface Props {
		/** mm, y up. */
		drawn: { outline: readonly Point[]; line: readonly Point[]; marks: readonly Point[] };
		/** Of a mark, mm. */
		wide: number;
		name: string;
	}
	let { drawn, wide, name }: Props = $props();
	const box = $derived(boxOf(drawn.outline));
	const rim = $derived(wide + 4);
	const d = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x} ${-y}`).join('L')}`;
</script>

<svg
	viewBox="{box.left - rim} {-box.top - rim} {box.right - box.left + 2 * rim} {box.top -
		box.bottom +
		2 * rim}"
	role="img"
	aria-label="{name}: {drawn.marks.length} marks along it"
>
	<path d="{d(drawn.outline)}Z" class="piece" />
	<path d={d(drawn.line)} class="line" />
	{#each drawn.marks as [x, y], i (i)}<circle cx={x} cy={-y} r={wide / 2} class:first={i === 0} />{/each}
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		max-height: 320px;
	}
	path {
		vector-effect: non-scaling-stroke;
	}
	.piece {
		fill: var(--sheet-shade);
		stroke: var(--ink-soft);
		stroke-width: 1px;
	}
	.line {
		fill: none;
		stroke: var(--brass);
		stroke-width: 4px;
	}
	circle {
		fill: var(--ink);
	}
	.first {
		fill: var(--red-ink);
	}
</style>
