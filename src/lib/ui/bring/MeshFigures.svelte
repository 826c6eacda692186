<script lang="ts">
	/** How large a mesh is: its triangles, its box, its surface, what it holds. */
	import type { figuresOfMesh } from '$core/engines/mesh/mesh.ts';
	import { formatLength, formatSmallArea, type LengthUnit } from '$core/units/measure.ts';
	import Fact from '../Fact.svelte';
	import Facts from '../Facts.svelte';
	import { formatNumber } from '$core/units/number.ts';

	interface Props {
		triangles: number;
		/** Null while its size is not known. */
		figures: ReturnType<typeof figuresOfMesh> | null;
		unit: LengthUnit;
	}
	let { triangles, figures, unit }: Props = $props();
	const sides = $derived(figures?.high.map((v, k) => formatLength(v - figures.low[k]!, unit)));
</script>

<div class="facts">
	<Facts>
		<Fact name="Triangles">{formatNumber(triangles)}</Fact>
		{#if figures && sides}
			<Fact name="Wide, deep, high">{sides.join(' × ')}</Fact>
			<Fact name="Surface">{formatSmallArea(figures.area, unit)}</Fact>
			{#if figures.closed}<Fact name="Holds">{formatNumber(figures.volume / 1e6, 2)} l</Fact>{/if}
		{/if}
	</Facts>
</div>

<style>
	.facts {
		margin-bottom: 12px;
	}
</style>
