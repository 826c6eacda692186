<script lang="ts">
	/** How large a mesh is: its triangles, its box, its surface, what it holds. */
	import type { figuresOfMesh } from '$core/engines/mesh/mesh.ts';
	import { formatLength, formatSmallArea, type LengthUnit } from '$core/units/measure.ts';
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

<dl>
	<div>
		<dt>Triangles</dt>
		<dd>{formatNumber(triangles)}</dd>
	</div>
	{#if figures && sides}
		<div>
			<dt>Wide, deep, high</dt>
			<dd>{sides.join(' × ')}</dd>
		</div>
		<div>
			<dt>Surface</dt>
			<dd>{formatSmallArea(figures.area, unit)}</dd>
		</div>
		{#if figures.closed}
			<div>
				<dt>Holds</dt>
				<dd>{formatNumber(figures.volume / 1e6, 2)} l</dd>
			</div>
		{/if}
	{/if}
</dl>

<style>
	dl {
		margin: 0 0 12px;
	}
	dl div {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 12px;
		border-bottom: 1px solid var(--rule);
		padding: 5px 0;
	}
	dd {
		margin: 0;
		font-family: var(--mono);
		font-size: var(--s13);
	}
</style>
