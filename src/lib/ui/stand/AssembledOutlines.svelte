<script lang="ts">
	/** All that stands on the wearer as outlines, from the front, the left and the back: on paper, and without WebGL. */
	import type { Assembled } from '$core/answers/assembled.ts';
	import { outlinesOf } from '$core/answers/againstPicture.ts';
	import { covered } from '$core/engines/assembly/outline.ts';
	import { standSurface } from '$core/engines/stand/surface.ts';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import type { Point } from '$core/units/point.ts';

	interface Props {
		assembled: Assembled;
		/** Printed on paper, not drawn on the mat. */
		paper?: boolean;
	}
	let { assembled, paper = false }: Props = $props();
	const views = $derived(
		(['front', 'left', 'back'] as const).map((from) => ({
			from,
			body: covered([standSurface(assembled.stand)], from),
			things: outlinesOf(
				[...assembled.things].sort((a, b) => a.component.layer - b.component.layer),
				from
			)
		}))
	);
	const wide = $derived(assembled.stand.stature * 0.62);
	const paths = (outlines: readonly Point[][]) => outlines.map((o) => svgPath(o, true)).join('');
</script>

<svg
	class:paper
	viewBox="0 {-assembled.stand.stature * 1.08} {3 * wide} {assembled.stand.stature * 1.17}"
	role="img"
	aria-label="On the wearer, from the front, the left and the back"
>
	{#each views as { from, body, things }, i (from)}
		<g transform="translate({(i + 0.5) * wide} 0)">
			<path class="body" d={paths(body)} />
			{#each things as { thing, outlines } (`${thing.shape.id} ${thing.side}`)}
				<path class="thing" d={paths(outlines)} />
			{/each}
			<text y={assembled.stand.stature * 0.055} font-size={assembled.stand.stature * 0.032}>{from}</text>
		</g>
	{/each}
</svg>

<style>
	svg {
		--line: var(--on-mat);
		display: block;
		width: 100%;
		height: 100%;
	}
	.paper {
		--line: #000;
	}
	.body {
		fill: none;
		stroke: var(--line);
		stroke-width: 4;
	}
	.thing {
		fill: rgb(201 155 58 / 35%);
		stroke: var(--line);
		stroke-width: 4;
	}
	text {
		fill: var(--line);
		text-anchor: middle;
	}
</style>
