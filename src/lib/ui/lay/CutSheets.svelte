<script lang="ts">
	/** The sheets of a cut plan to scale: pieces numbered in the order in which they are cut, what is left of use dashed. */
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { isLong } from './isLong.ts';
	import SheetDrawing from './SheetDrawing.svelte';
	import SheetGrid from './SheetGrid.svelte';
	import type { Leftover } from '$core/engines/layout/leftovers.ts';
	import type { CutSheet } from '$core/engines/layout/cutSheets.ts';
	import { labelPoint } from '$core/engines/pattern/labelPoint.ts';
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';

	interface Props {
		sheets: readonly CutSheet[];
		leftovers?: readonly { sheet: number; leftovers: readonly Leftover[] }[];
		name: (sheet: CutSheet) => string;
		/** Those that are marked, by their order. */
		marked?: number | null;
	}
	let { sheets, leftovers = [], name, marked = $bindable(null) }: Props = $props();
	const drawn = $derived(
		sheets.map((sheet) => {
			const onItsSide = isLong(sheet.form);
			const letter = Math.max(sheet.form.width, sheet.form.height) / (sheets.length === 1 ? 40 : 26);
			return {
				sheet,
				onItsSide,
				letter,
				left: (leftovers.find((l) => l.sheet === sheet.number)?.leftovers ?? []).map((l) =>
					[l.outline, ...l.holes]
						.map((ring) => svgPath(ring.map(([x, y]): Point => [x + l.at[0], y + l.at[1]])))
						.join('')
				),
				pieces: sheet.pieces.map((place) => {
					const box = boxOf(place.paths[0]!);
					const [x, y] = labelPoint(place.paths[0]!, [], [0, 0]);
					return {
						place,
						path: place.paths.map((ring) => svgPath(ring)).join(''),
						x,
						y: -y,
						size: Math.max(
							letter * 0.6,
							Math.min(letter, Math.min(box.right - box.left, box.top - box.bottom) / 1.6)
						)
					};
				})
			};
		})
	);
</script>

<SheetGrid count={sheets.length}>
	{#each drawn as { sheet, onItsSide, left, pieces } (sheet.number)}
		<SheetDrawing form={sheet.form} name={name(sheet)} number={sheet.number} role="img">
			{#each left as path, k (k)}<path d={path} class="left" fill-rule="evenodd" />{/each}
			{#each pieces as { place, path, x, y, size } (place.order)}
				<path d={path} class="piece" class:marked={marked === place.order} fill-rule="evenodd" />
				<text {x} {y} font-size={size} transform={onItsSide ? `rotate(-90 ${x} ${y})` : undefined}
					>{place.order}</text
				>
			{/each}
		</SheetDrawing>
	{/each}
</SheetGrid>

<style>
	.left {
		fill: #cfdccf;
		stroke: #3d5a45;
		stroke-dasharray: 6 4;
		vector-effect: non-scaling-stroke;
	}
	.piece.marked {
		fill: #f2c14e;
	}
	text {
		font-family: var(--mono);
		font-weight: 600;
	}
</style>
