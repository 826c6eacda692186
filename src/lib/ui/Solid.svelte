<script lang="ts">
	/** The assembled thing in lines. Without a label it only goes with words beside it. */
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import type { Point3 } from '$core/units/point.ts';
	import { projected } from '$core/engines/pattern/solid.ts';

	let { lines, label }: { lines: readonly (readonly Point3[])[]; label: string } = $props();
	const flat = $derived(projected(lines));
	const box = $derived(boxOf(flat.flat()));
	const size = $derived(Math.max(box.right - box.left, box.top - box.bottom, 1));
</script>

{#if flat.length}
	<svg
		viewBox="{box.left - size * 0.04} {-box.top - size * 0.04} {box.right - box.left + size * 0.08} {box.top -
			box.bottom +
			size * 0.08}"
		role={label ? 'img' : 'presentation'}
		aria-label={label || undefined}
	>
		<path d={flat.map((l) => svgPath(l, false)).join('')} stroke-width={size / 140} />
	</svg>
{/if}

<style>
	svg {
		display: block;
		width: 100%;
		height: 100%;
		max-height: 220px;
	}
	path {
		fill: none;
		stroke: currentColor;
		stroke-linejoin: round;
		stroke-linecap: round;
	}
</style>
