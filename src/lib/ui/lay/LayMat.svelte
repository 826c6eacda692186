<script lang="ts">
	/**
	 * Sheets or a roll with the pieces laid on them, to scale. A piece is chosen, dragged, turned, turned over; what was
	 * moved or is to be kept stays when the rest is laid again.
	 */
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import { formsOf, laidPaths, nameOfSheet } from '$core/engines/layout/stock.ts';
	import type { CostumePiece, LaySettings, Placement, Stock } from '$core/facts/layout.ts';
	import type { Point } from '$core/units/point.ts';
	import { arrowOf, pressing } from '../pressing.ts';
	import ChosenPiece from './ChosenPiece.svelte';
	import { HandOnSheets, shortCode } from './handOnSheets.svelte.ts';
	import { isLong } from './isLong.ts';
	import { keyOfPlacement } from './layDesk.svelte.ts';
	import SheetDrawing from './SheetDrawing.svelte';
	import SheetGrid from './SheetGrid.svelte';

	interface Props {
		placements: readonly Placement[];
		pieces: readonly CostumePiece[];
		stock: Stock;
		settings: LaySettings;
		use: { sheets: number; usedLength: number };
		/** Keys of what stays. */
		locked: readonly string[];
		/** Nothing can be moved while it is laid out. */
		busy: boolean;
		onlock: (key: string) => void;
		onmove: (to: Placement) => void;
	}
	let { placements, pieces, stock, settings, use, locked, busy, onlock, onmove }: Props = $props();

	const SNAP_PX = 10;
	const planes: Record<number, SVGGElement | null> = $state({});
	const hand = new HandOnSheets({
		placements: () => placements,
		pieces: () => pieces,
		stock: () => stock,
		settings: () => settings,
		// Some pixels, at the scale that the sheet is shown in.
		snap: (sheet) => {
			const scale = planes[sheet]?.getScreenCTM();
			return scale ? Math.min(40, Math.max(8, SNAP_PX / Math.hypot(scale.a, scale.b))) : 8;
		},
		onmove: (to) => onmove(to)
	});

	const sheets = $derived(
		formsOf(stock, use).map((form, i, forms) => {
			const own = placements
				.filter((p) => p.sheet === i + 1)
				.map((kept) => {
					const p = hand.drag?.key === keyOfPlacement(kept) ? hand.drag.to : kept;
					const piece = hand.pieceOf(p);
					const paths = laidPaths(piece, p);
					const box = boxOf(paths[0]!);
					return {
						key: keyOfPlacement(p),
						p,
						piece,
						path: paths.map((ring) => svgPath(ring)).join(''),
						middle: [(box.left + box.right) / 2, (box.top + box.bottom) / 2] as Point,
						room: Math.min(box.right - box.left, box.top - box.bottom)
					};
				});
			const isRoll = stock.roll !== null && i === stock.sheets.length;
			return {
				number: i + 1,
				form,
				isRoll,
				lies: isLong(form),
				name: isRoll ? 'The roll' : nameOfSheet(forms, i),
				own
			};
		})
	);
	const held = $derived(placements.find((p) => keyOfPlacement(p) === hand.chosen));
	/** mm for a letter, so that names are about as large whatever a sheet is shown by. */
	const letterOf = ({ width, height }: { width: number; height: number }) =>
		Math.max(9, Math.max(width, height) / (sheets.length === 1 ? 52 : 34));

	/** mm on a sheet, from a place on the screen. */
	function onPlane(sheet: number, event: PointerEvent): Point {
		const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(
			planes[sheet]!.getScreenCTM()!.inverse()
		);
		return [x, -y];
	}
	const sheetUnder = (event: PointerEvent): number | null => {
		const found = document
			.elementsFromPoint(event.clientX, event.clientY)
			.find((e) => e instanceof SVGSVGElement && e.dataset.sheet);
		return found ? Number((found as SVGSVGElement).dataset.sheet) : null;
	};
	function grab(event: PointerEvent, p: Placement) {
		if (busy || event.button !== 0) return;
		// On a phone the first touch chooses, so that the page can still be moved by what lies on it.
		if (event.pointerType === 'touch' && hand.chosen !== keyOfPlacement(p)) return;
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		hand.grab(p, onPlane(p.sheet, event));
	}
	function move(event: PointerEvent) {
		if (!hand.drag) return;
		const { sheet } = hand.drag.from;
		hand.drawTo(onPlane(sheet, event), sheetUnder(event) ?? sheet);
	}
	const drop = (event: PointerEvent) => hand.drag && hand.letGo(onPlane(hand.drag.over, event));

	function press(event: KeyboardEvent, p: Placement, onItsSide: boolean) {
		if (busy || event.ctrlKey || event.metaKey || event.altKey) return;
		hand.chosen = keyOfPlacement(p);
		const arrow = arrowOf(event);
		if (arrow) {
			event.preventDefault();
			const step = event.shiftKey ? 10 : 1;
			const [x, y] = [arrow[0] * step, arrow[1] * step];
			hand.nudge(p, onItsSide ? [-y, x] : [x, y]);
		} else
			pressing({
				turn: () => hand.turn(p, 1),
				turnBack: () => hand.turn(p, -1),
				turnOver: () => hand.turnOver(p),
				keep: () => onlock(keyOfPlacement(p))
			})(event);
		// A letter that means something here leads nowhere else.
		if (event.defaultPrevented) event.stopPropagation();
	}
</script>

<SheetGrid count={sheets.length}>
	{#each sheets as sheet (sheet.number)}
		{@const letter = letterOf(sheet.form)}
		<SheetDrawing
			form={sheet.form}
			name={sheet.name}
			number={sheet.number}
			role="group"
			caption={!sheet.isRoll || stock.sheets.length > 0}
			whole={sheet.isRoll}
			above={hand.drag?.from.sheet === sheet.number}
			bind:plane={planes[sheet.number]}
		>
			{#if settings.folded && sheet.isRoll}<line
					x1="0"
					x2="0"
					y1="0"
					y2={-sheet.form.height}
					class="fold"
				/>{/if}
			{#each sheet.own as { key, p, piece, path, middle, room } (key)}
				<path
					d={path}
					class="piece"
					class:locked={locked.includes(key)}
					class:chosen={hand.chosen === key}
					class:clash={hand.drag?.key === key && !hand.drag.free}
					fill-rule="evenodd"
					role="button"
					tabindex="0"
					aria-pressed={hand.chosen === key}
					aria-label="{piece.code} {piece.name}, copy {p.copy}{locked.includes(key) ? ', kept there' : ''}"
					onclick={() => (hand.chosen = key)}
					onfocus={() => (hand.chosen = key)}
					onkeydown={(event) => press(event, p, sheet.lies)}
					onpointerdown={(event) => grab(event, p)}
					onpointermove={move}
					onpointerup={drop}
					onpointercancel={() => hand.cancel()}
				/>
				{#if room > letter * 3}
					<text
						x={middle[0]}
						y={-middle[1]}
						font-size={letter}
						transform={sheet.lies ? `rotate(-90 ${middle[0]} ${-middle[1]})` : undefined}
						>{shortCode(piece.code)}{p.mirrored ? ' ⇋' : ''}</text
					>
				{/if}
			{/each}
			{#each sheet.own.filter((o) => o.key === hand.drag?.key) as { path, key } (key)}
				<path d={path} class="piece dragged" class:clash={!hand.drag!.free} fill-rule="evenodd" />
			{/each}
		</SheetDrawing>
	{/each}
</SheetGrid>
<!-- Beneath, so that nothing on the mat moves when a piece is chosen. -->
<ChosenPiece
	{hand}
	{held}
	locked={held !== undefined && locked.includes(keyOfPlacement(held))}
	{busy}
	sheets={use.sheets}
	more={stock.more !== null}
	onlock={() => held && onlock(keyOfPlacement(held))}
/>

<style>
	.fold {
		stroke: #12211f;
		stroke-width: 3;
		stroke-dasharray: 14 4 2 4;
		vector-effect: non-scaling-stroke;
	}
	.piece {
		cursor: grab;
	}
	.piece:hover {
		fill: #f5ebd2;
	}
	.piece:focus {
		outline: none;
	}
	.piece.locked {
		fill: #f2c14e;
	}
	.piece.chosen {
		stroke: #0b57d0;
		stroke-width: 3;
		/* What is chosen is dragged, all else moves the page. */
		touch-action: none;
	}
	.piece.dragged {
		pointer-events: none;
		opacity: 0.9;
	}
	.piece.clash {
		fill: #e58b83;
		stroke: #a8201a;
	}
	text {
		font-family: var(--body);
	}
</style>
