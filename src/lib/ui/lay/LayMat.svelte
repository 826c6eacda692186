<script lang="ts">
	/**
	 * Sheets or a roll with the pieces laid on them, to scale. A piece is chosen, dragged, turned, turned over; let go, it is moved off
	 * what it covers and laid against what it nearly touches. What was moved or is to be kept stays when the rest is laid again.
	 */
	import FlipHorizontal2 from '@lucide/svelte/icons/flip-horizontal-2';
	import Pin from '@lucide/svelte/icons/pin';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import RotateCw from '@lucide/svelte/icons/rotate-cw';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { isLong } from './isLong.ts';
	import SheetDrawing from './SheetDrawing.svelte';
	import SheetGrid from './SheetGrid.svelte';
	import { ByHand, nextTurn, turnedTo } from '$core/engines/layout/byHand.ts';
	import type { CostumePiece } from '$core/facts/layout.ts';
	import type { LaySettings } from '$core/facts/layout.ts';
	import { formsOf, laidPaths, nameOfSheet } from '$core/engines/layout/stock.ts';
	import type { Placement, Stock } from '$core/facts/layout.ts';
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';

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

	const byId = $derived(new Map(pieces.map((p) => [p.id, p])));
	/** `A-04 L+R 1/2` is known by its component and its number. */
	const short = (code: string) => `${/^\S+/.exec(code)![0]} ${/\S+$/.exec(code)![0]}`;
	const keyOf = (p: Placement) => `${p.piece} · ${p.copy}`;
	const SNAP_PX = 10;
	let chosen = $state<string | null>(null);
	let told = $state('');
	interface Drag {
		key: string;
		hand: ByHand;
		index: number;
		from: Placement;
		began: Point;
		to: Placement;
		free: boolean;
		/** It lies over another sheet, where it is tried when it is let go. */
		over: number;
	}
	let drag = $state.raw<Drag | null>(null);

	const sheets = $derived(
		formsOf(stock, use).map((form, i, forms) => {
			const own = placements
				.filter((p) => p.sheet === i + 1)
				.map((kept) => {
					const p = drag?.key === keyOf(kept) ? drag.to : kept;
					const piece = byId.get(p.piece)!;
					const paths = laidPaths(piece, p);
					const box = boxOf(paths[0]!);
					return {
						key: keyOf(p),
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
	const held = $derived(placements.find((p) => keyOf(p) === chosen));
	const heldPiece = $derived(held && byId.get(held.piece));
	/** mm for a letter, so that names are about as large whatever a sheet is shown by. */
	const letterOf = ({ width, height }: { width: number; height: number }) =>
		Math.max(9, Math.max(width, height) / (sheets.length === 1 ? 52 : 34));

	const onSheet = (sheet: number) => placements.filter((p) => p.sheet === sheet);
	const handOf = (sheet: number, laid: readonly Placement[]) =>
		new ByHand(stock, sheet, pieces, laid, settings);
	/** mm within which a hand that is not exact means touching: some pixels, at the scale that the sheet is shown in. */
	function snapOf(sheet: number): number {
		const scale = planes[sheet]?.getScreenCTM();
		return scale ? Math.min(40, Math.max(8, SNAP_PX / Math.hypot(scale.a, scale.b))) : 8;
	}
	/** Lays a piece down so, or says why not. */
	function layDown(to: Placement) {
		const others = onSheet(to.sheet).filter((p) => keyOf(p) !== keyOf(to));
		const at = handOf(to.sheet, [...others, to]).letGo(others.length, snapOf(to.sheet));
		told = at ? '' : `There is no room for ${short(byId.get(to.piece)!.code)} there.`;
		if (at) onmove(at);
	}

	const planes: Record<number, SVGGElement | null> = $state({});
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
		const key = keyOf(p);
		// On a phone the first touch chooses, so that the page can still be moved by what lies on it.
		if (event.pointerType === 'touch' && chosen !== key) return;
		chosen = key;
		told = '';
		const laid = onSheet(p.sheet);
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		drag = {
			key,
			hand: handOf(p.sheet, laid),
			index: laid.findIndex((own) => keyOf(own) === key),
			from: p,
			began: onPlane(p.sheet, event),
			to: p,
			free: true,
			over: p.sheet
		};
	}
	function move(event: PointerEvent) {
		if (!drag) return;
		const { from, began, hand, index } = drag;
		const [x, y] = onPlane(from.sheet, event);
		const to = { ...from, x: from.x + x - began[0], y: from.y + y - began[1] };
		const over = sheetUnder(event) ?? from.sheet;
		drag = { ...drag, to, over, free: hand.put(index, to) || over !== from.sheet };
	}
	function drop(event: PointerEvent) {
		if (!drag) return;
		const { from, to, over, began } = drag;
		const [x, y] = onPlane(over, event);
		drag = null;
		if (Math.hypot(to.x - from.x, to.y - from.y) < 1 && over === from.sheet) return;
		// On another sheet it is held by the same place of it.
		layDown(
			over === from.sheet ? to : { ...from, sheet: over, x: from.x + x - began[0], y: from.y + y - began[1] }
		);
	}
	function nudge(event: KeyboardEvent, p: Placement, onItsSide: boolean) {
		const by = event.shiftKey ? 10 : 1;
		const way = { ArrowRight: [by, 0], ArrowLeft: [-by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[
			event.key
		];
		if (!way) return false;
		const [dx, dy] = onItsSide ? [-way[1]!, way[0]!] : [way[0]!, way[1]!];
		const laid = onSheet(p.sheet);
		const to = { ...p, x: p.x + dx, y: p.y + dy };
		const free = handOf(p.sheet, laid).put(
			laid.findIndex((own) => keyOf(own) === keyOf(p)),
			to
		);
		told = free ? '' : 'Something is in the way.';
		if (free) onmove(to);
		return true;
	}
	function press(event: KeyboardEvent, p: Placement, onItsSide: boolean) {
		if (busy || event.ctrlKey || event.metaKey || event.altKey) return;
		chosen = keyOf(p);
		const keys: Record<string, () => void> = {
			r: () => turn(p, 1),
			R: () => turn(p, -1),
			f: () => turnOver(p),
			' ': () => onlock(keyOf(p)),
			Enter: () => onlock(keyOf(p))
		};
		if (!nudge(event, p, onItsSide)) {
			if (!keys[event.key]) return;
			keys[event.key]!();
		}
		event.preventDefault();
		event.stopPropagation();
	}
	function turn(p: Placement, by: 1 | -1) {
		const piece = byId.get(p.piece)!;
		const rotation = nextTurn(piece, p.rotation, by);
		if (rotation === p.rotation) told = 'It may lie only this way.';
		else layDown(turnedTo(piece, p, { rotation }));
	}
	function turnOver(p: Placement) {
		layDown(turnedTo(byId.get(p.piece)!, p, { mirrored: !p.mirrored }));
	}
	function moveTo(p: Placement, sheet: number) {
		const others = onSheet(sheet);
		const at = handOf(sheet, [...others, { ...p, sheet }]).findRoom(others.length);
		told = at ? '' : `There is no room for ${short(byId.get(p.piece)!.code)} there.`;
		if (at) onmove(at);
	}
	/** Sheets that it can be put on: those that are begun, and one more. */
	const others = $derived(
		held
			? Array.from({ length: use.sheets + (stock.more ? 1 : 0) }, (_, i) => i + 1).filter(
					(n) => n !== held.sheet
				)
			: []
	);
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
			above={drag?.from.sheet === sheet.number}
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
					class:chosen={chosen === key}
					class:clash={drag?.key === key && !drag.free}
					fill-rule="evenodd"
					role="button"
					tabindex="0"
					aria-pressed={chosen === key}
					aria-label="{piece.code} {piece.name}, copy {p.copy}{locked.includes(key) ? ', kept there' : ''}"
					onclick={() => (chosen = key)}
					onfocus={() => (chosen = key)}
					onkeydown={(event) => press(event, p, sheet.lies)}
					onpointerdown={(event) => grab(event, p)}
					onpointermove={move}
					onpointerup={drop}
					onpointercancel={() => (drag = null)}
				/>
				{#if room > letter * 3}
					<text
						x={middle[0]}
						y={-middle[1]}
						font-size={letter}
						transform={sheet.lies ? `rotate(-90 ${middle[0]} ${-middle[1]})` : undefined}
						>{short(piece.code)}{p.mirrored ? ' ⇋' : ''}</text
					>
				{/if}
			{/each}
			{#each sheet.own.filter((o) => o.key === drag?.key) as { path, key } (key)}
				<path d={path} class="piece dragged" class:clash={!drag!.free} fill-rule="evenodd" />
			{/each}
		</SheetDrawing>
	{/each}
</SheetGrid>
<!-- Beneath, so that nothing on the mat moves when a piece is chosen. -->
<div class="tools" role="toolbar" aria-label="The chosen piece">
	{#if held && heldPiece}
		<b>{short(heldPiece.code)}</b>
		<span class="small">{heldPiece.name}, copy {held.copy}{held.mirrored ? ', mirrored' : ''}</span>
		<button class="button small" type="button" disabled={busy} onclick={() => turn(held, 1)}
			><RotateCcw size={14} /> Turn</button
		>
		<button
			class="button small"
			type="button"
			disabled={busy}
			aria-label="Turn the other way"
			onclick={() => turn(held, -1)}><RotateCw size={14} /></button
		>
		{#if !heldPiece.onFold}
			<button class="button small" type="button" disabled={busy} onclick={() => turnOver(held)}
				><FlipHorizontal2 size={14} /> Turn over</button
			>
		{/if}
		<button
			class="button small"
			type="button"
			aria-pressed={locked.includes(keyOf(held))}
			onclick={() => onlock(keyOf(held))}
			><Pin size={14} /> {locked.includes(keyOf(held)) ? 'Kept there' : 'Keep it there'}</button
		>
		{#if others.length}
			<select
				class="to"
				aria-label="Move it to"
				disabled={busy}
				value=""
				onchange={(event) => {
					moveTo(held, Number(event.currentTarget.value));
					event.currentTarget.value = '';
				}}
			>
				<option value="">to sheet…</option>
				{#each others as n (n)}<option value={n}>{n > use.sheets ? 'to a new sheet' : `to sheet ${n}`}</option
					>{/each}
			</select>
		{/if}
	{:else}
		<span class="small soft"
			>Choose a piece to move, turn or keep it. Drag it; or arrows, R, F and Enter.</span
		>
	{/if}
	<span class="small told" role="status">{told}</span>
</div>

<style>
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 8px;
		align-items: center;
		min-height: 46px;
		padding: 8px 0;
		position: sticky;
		bottom: 0;
		z-index: 2;
		background: var(--sheet);
	}
	.to {
		width: auto;
		min-height: 30px;
		padding: 2px 4px;
	}
	.told:not(:empty) {
		color: var(--red-ink);
		font-weight: 600;
	}
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
	@media (max-width: 700px) {
		.tools {
			bottom: 62px;
		}
	}
	text {
		font-family: var(--body);
	}
</style>
