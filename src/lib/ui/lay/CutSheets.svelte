<script lang="ts">
	/** The sheets of a cut plan to scale: pieces numbered in the order in which they are cut, what is left of use dashed. */
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { lies } from './lies.ts';
	import type { Leftover } from '$core/layout/leftovers.ts';
	import type { CutSheet } from '$core/layout/plan.ts';
	import { labelPoint } from '$core/pattern/labelPoint.ts';
	import { boxOf, type Point } from '$core/pattern/outline.ts';

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
			const onItsSide = lies(sheet.form);
			const letter = Math.max(sheet.form.width, sheet.form.height) / (sheets.length === 1 ? 40 : 26);
			return {
				sheet,
				lies: onItsSide,
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

<div class="sheets" class:one={sheets.length === 1}>
	{#each drawn as { sheet, lies: onItsSide, left, pieces } (sheet.number)}
		{@const { width, height } = sheet.form}
		<figure class:wide={onItsSide}>
			<svg
				viewBox={onItsSide ? `0 0 ${height} ${width}` : `0 ${-height} ${width} ${height}`}
				role="img"
				aria-label={name(sheet)}
			>
				<g transform={onItsSide ? 'matrix(0 1 -1 0 0 0)' : undefined}>
					{#if sheet.form.outline}<path d={svgPath(sheet.form.outline)} class="sheet" />
					{:else}<rect y={-height} {width} {height} class="sheet" />{/if}
					{#each sheet.form.flaws ?? [] as flaw, k (k)}<path d={svgPath(flaw)} class="flaw" />{/each}
					{#each left as path, k (k)}<path d={path} class="left" fill-rule="evenodd" />{/each}
					{#each pieces as { place, path, x, y, size } (place.order)}
						<path d={path} class="piece" class:marked={marked === place.order} fill-rule="evenodd" />
						<text {x} {y} font-size={size} transform={onItsSide ? `rotate(-90 ${x} ${y})` : undefined}
							>{place.order}</text
						>
					{/each}
				</g>
			</svg>
			<figcaption class="small soft">{name(sheet)}</figcaption>
		</figure>
	{/each}
</div>

<style>
	.sheets {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 260px), 1fr));
		gap: 12px;
		align-items: start;
	}
	.sheets:has(.wide) {
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 330px), 1fr));
	}
	.sheets.one {
		grid-template-columns: minmax(0, 1fr);
	}
	figure {
		margin: 0;
		break-inside: avoid;
	}
	svg {
		display: block;
		width: 100%;
		max-height: 460px;
		background: var(--mat-deep);
	}
	.sheet {
		fill: #b9c2bb;
	}
	.flaw {
		fill: #6d7671;
	}
	.left {
		fill: #cfdccf;
		stroke: #3d5a45;
		stroke-dasharray: 6 4;
		vector-effect: non-scaling-stroke;
	}
	.piece {
		fill: #ecdcb9;
		stroke: #12211f;
		vector-effect: non-scaling-stroke;
	}
	.piece.marked {
		fill: #f2c14e;
	}
	text {
		fill: #12211f;
		font-family: var(--mono);
		font-weight: 600;
		text-anchor: middle;
		dominant-baseline: central;
	}
</style>
