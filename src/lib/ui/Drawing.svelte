<script lang="ts">
	/** Points being clicked on a picture, before they are anything. */
	import type { Point } from '$core/units/point.ts';
	import type { Onto } from './PictureView.svelte';

	interface Props {
		points: readonly Point[];
		onto: Onto;
		/** Goes back to the first point. */
		closed?: boolean;
		colour?: string;
		numbers?: boolean;
		/** Only the line. */
		bare?: boolean;
	}
	let { points, onto, closed = false, colour = '#f3a0ba', numbers = false, bare = false }: Props = $props();
	const at = $derived(points.map(onto));
	const path = $derived(
		at.length ? `M${at.map((p) => p.join(' ')).join('L')}${closed && at.length > 2 ? 'Z' : ''}` : ''
	);
</script>

<path d={path} class="under" />
<path d={path} class="line" stroke={colour} />
{#each bare ? [] : at as [x, y], i (i)}
	<circle cx={x} cy={y} r="5" fill={colour} />
	{#if numbers}<text x={x + 8} y={y - 8}>{i + 1}</text>{/if}
{/each}

<style>
	path {
		fill: none;
		stroke-linejoin: round;
	}
	.under {
		stroke: #10241f;
		stroke-width: 4.5;
	}
	.line {
		stroke-width: 2;
	}
	circle {
		stroke: #10241f;
		stroke-width: 1.5;
	}
	text {
		font: 600 13px var(--mono);
		fill: #fff;
		paint-order: stroke;
		stroke: #10241f;
		stroke-width: 4px;
	}
</style>
