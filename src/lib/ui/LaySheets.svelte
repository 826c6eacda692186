<script lang="ts">
	/** Sheets or a roll with the pieces laid on them, to scale. A piece that is chosen stays where it is. */
	import { formsOf, laidPaths } from '$core/formats/layoutSvg.ts';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import type { CostumePiece } from '$core/layout/pieces.ts';
	import type { Placement, Stock } from '$core/layout/stock.ts';
	import { boxOf, type Point } from '$core/pattern/outline.ts';

	interface Props {
		placements: readonly Placement[];
		pieces: readonly CostumePiece[];
		stock: Stock;
		use: { sheets: number; usedLength: number };
		locked: readonly string[];
		onlock: (key: string) => void;
	}
	let { placements, pieces, stock, use, locked, onlock }: Props = $props();
	const byId = $derived(new Map(pieces.map((p) => [p.id, p])));
	/** `A-04 L+R 1/2` is known by its component and its number. */
	const short = (code: string) => `${/^\S+/.exec(code)![0]} ${/\S+$/.exec(code)![0]}`;
	const key = (p: Placement) => `${p.piece} · ${p.copy}`;
	const sheets = $derived(
		formsOf(stock, use).map((form, i) => {
			const own = placements
				.filter((p) => p.sheet === i + 1)
				.map((p) => {
					const piece = byId.get(p.piece)!;
					const paths = laidPaths(piece, p);
					const box = boxOf(paths[0]!);
					return {
						p,
						piece,
						path: paths.map((ring) => svgPath(ring)).join(''),
						middle: [(box.left + box.right) / 2, (box.top + box.bottom) / 2] as Point,
						room: Math.min(box.right - box.left, box.top - box.bottom)
					};
				});
			return { number: i + 1, width: form.width, height: form.height, own };
		})
	);
	/** mm for a letter, so that names are as large on every sheet. */
	const letter = $derived(Math.max(12, (stock.roll ?? stock.more?.width ?? 600) / 26));
</script>

<div class="sheets" class:roll={stock.roll !== null}>
	{#each sheets as sheet (sheet.number)}
		<figure>
			<svg
				viewBox={stock.roll === null
					? `0 ${-sheet.height} ${sheet.width} ${sheet.height}`
					: `0 0 ${sheet.height} ${sheet.width}`}
				role="group"
				aria-label={stock.roll === null ? `Sheet ${sheet.number}` : 'The roll'}
			>
				<!-- A roll lies on its side: its length runs to the right. -->
				<g transform={stock.roll === null ? undefined : 'matrix(0 1 -1 0 0 0)'}>
					<rect y={-sheet.height} width={sheet.width} height={sheet.height} class="sheet" />
					{#each sheet.own as { p, piece, path, middle, room } (key(p))}
						<path
							d={path}
							class="piece"
							class:locked={locked.includes(key(p))}
							fill-rule="evenodd"
							vector-effect="non-scaling-stroke"
							role="button"
							tabindex="0"
							aria-pressed={locked.includes(key(p))}
							aria-label="{piece.code} {piece.name}, copy {p.copy}: keep it where it is"
							onclick={() => onlock(key(p))}
							onkeydown={(event) => {
								if (event.key !== 'Enter' && event.key !== ' ') return;
								event.preventDefault();
								onlock(key(p));
							}}
						/>
						{#if room > letter * 3}
							<text
								x={middle[0]}
								y={-middle[1]}
								font-size={letter}
								transform={stock.roll === null ? undefined : `rotate(-90 ${middle[0]} ${-middle[1]})`}
								>{short(piece.code)}{p.mirrored ? ' ⇋' : ''}</text
							>
						{/if}
					{/each}
				</g>
			</svg>
			{#if stock.roll === null}<figcaption class="small soft">Sheet {sheet.number}</figcaption>{/if}
		</figure>
	{/each}
</div>

<style>
	.sheets {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 260px), 1fr));
		gap: 12px;
	}
	.sheets.roll {
		grid-template-columns: minmax(0, 1fr);
	}
	figure {
		margin: 0;
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
	.piece {
		fill: #ecdcb9;
		stroke: #12211f;
		cursor: pointer;
	}
	.piece:hover {
		fill: #f5ebd2;
	}
	.piece:focus {
		outline: none;
	}
	.piece:focus-visible {
		stroke: #0b57d0;
		stroke-width: 3;
	}
	.piece.locked {
		fill: #f2c14e;
		stroke-width: 2;
	}
	text {
		fill: #12211f;
		font-family: var(--body);
		text-anchor: middle;
		dominant-baseline: middle;
		pointer-events: none;
	}
</style>
