<script lang="ts">
	/** Pieces laid flat with how far each place is pulled, all at one scale. */
	import type { FlatPieces } from '$core/engines/flatten/pieces.ts';
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { formatPercent } from '$core/units/number.ts';
	import { strainPaths } from './strainColours.ts';

	interface Props {
		flat: Pick<FlatPieces, 'laid' | 'strains'>;
		/** What a piece is called. */
		names: readonly string[];
		/** What the material gives, as a share. */
		limit: number;
	}
	let { flat, names, limit }: Props = $props();
	const shown = $derived(
		flat.laid.map(({ triangles, strains }) => ({
			box: boxOf(triangles.flat()),
			paths: strainPaths(triangles, strains, limit)
		}))
	);
	const widest = $derived(
		Math.max(1, ...shown.map(({ box }) => Math.max(box.right - box.left, box.top - box.bottom)))
	);
</script>

<ul class="plain">
	{#each shown as { box, paths }, i (i)}
		{@const [wide, high] = [box.right - box.left, box.top - box.bottom]}
		<li>
			<svg
				viewBox="{box.left} {-box.top} {wide} {high}"
				style:width="{Math.max(24, (150 * wide) / widest)}px"
				role="img"
				aria-label="How far {names[i]} is pulled"
			>
				{#each paths as { colour, triangles } (colour)}
					<path d={triangles.map((t) => svgPath(t, true)).join('')} fill={colour} stroke={colour} />
				{/each}
			</svg>
			<span class="small"
				><b>{names[i]}</b><br />{formatPercent(flat.strains[i]!.max, 1)} at most,<br />
				{formatPercent(flat.strains[i]!.rms, 1)} in the mean</span
			>
		</li>
	{/each}
</ul>

<style>
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 12px 18px;
		align-items: flex-end;
		margin: 8px 0;
	}
	li {
		display: grid;
		gap: 4px;
	}
	svg {
		display: block;
		height: auto;
		print-color-adjust: exact;
	}
	path {
		stroke-width: 0.6;
	}
</style>
