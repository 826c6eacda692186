<script lang="ts">
	/** A form as outlines from the front, the side and the back, at one scale: what stands there until it can be turned, and without WebGL. */
	import type { Stand } from '$core/engines/stand/form.ts';
	import { covered } from '$core/engines/assembly/outline.ts';
	import { standSurface } from '$core/engines/stand/surface.ts';
	import { svgPath } from '$core/formats/patternSvg.ts';

	let { stand }: { stand: Stand } = $props();
	const VIEWS = ['front', 'left', 'back'] as const;
	const surface = $derived(standSurface(stand, 2));
	const views = $derived(VIEWS.map((view) => ({ view, lines: covered([surface], view) })));
	const wide = $derived(stand.stature * 0.62);
	const x = { front: 0.5, left: 1.5, back: 2.5 };
</script>

<svg
	viewBox="0 {-stand.stature * 1.04} {3 * wide} {stand.stature * 1.12}"
	role="img"
	aria-label="The form from the front, the left side and the back"
>
	{#each views as { view, lines } (view)}
		<g transform="translate({x[view] * wide} 0)">
			<path d={lines.map((l) => svgPath(l, true)).join('')} />
			<text y={stand.stature * 0.055} font-size={stand.stature * 0.032}>{view}</text>
		</g>
	{/each}
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		height: 100%;
	}
	path {
		fill: rgb(255 255 255 / 12%);
		stroke: var(--on-mat);
		stroke-width: 5;
	}
	text {
		fill: var(--on-mat);
		text-anchor: middle;
	}
</style>
