<script lang="ts">
	/** How a measure is taken: the body form with its tape. */
	import { BODY_MEASURES, type MeasureKey } from '$core/facts/bodyMeasure.ts';
	import { MIDDLE, SIDE, VIEW_BOX } from './bodyShapes.ts';
	import { MEASURE_LINES } from './measureLines.ts';

	interface Props {
		measure: MeasureKey;
		size?: number;
	}
	let { measure, size = 180 }: Props = $props();
	const at = $derived(MEASURE_LINES[measure]);
	const middle = Object.entries(MIDDLE).filter(([zone]) => zone !== 'back');
</script>

<svg viewBox={VIEW_BOX} height={size} role="img" aria-label="Where {BODY_MEASURES[measure].name} is taken">
	{#each middle as [zone, path] (zone)}<path d={path} class="body" />{/each}
	{#each Object.entries(SIDE) as [zone, path] (zone)}
		<path d={path} class="body" />
		<path d={path} class="body" transform="translate(200 0) scale(-1 1)" />
	{/each}
	{#if 'girth' in at}
		{@const [x, y, half, tilt = 0] = at.girth}
		<g transform="rotate({tilt} {x} {y})">
			<ellipse cx={x} cy={y} rx={half + 3} ry={Math.max(3, half * 0.16)} class="behind" />
			<path
				d="M{x - half - 3} {y}A{half + 3} {Math.max(3, half * 0.16)} 0 0 0 {x + half + 3} {y}"
				class="tape"
			/>
		</g>
	{:else}
		<path d="M{at.line.map((p) => p.join(' ')).join('L')}" class="tape" />
		{#each [at.line[0]!, at.line[at.line.length - 1]!] as [x, y], i (i)}<circle cx={x} cy={y} r="3" />{/each}
	{/if}
</svg>

<style>
	svg {
		display: block;
	}
	.body {
		fill: #cfe0d2;
		stroke: #2d5a58;
		stroke-width: 0.8;
	}
	.behind {
		fill: none;
		stroke: #a8201a;
		stroke-width: 1;
		stroke-dasharray: 2 2;
	}
	.tape {
		fill: none;
		stroke: #a8201a;
		stroke-width: 3;
	}
	circle {
		fill: #a8201a;
	}
</style>
