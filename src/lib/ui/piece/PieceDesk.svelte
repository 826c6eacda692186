<script lang="ts">
	/** One piece of a shape: exact numbers of its points and edges, and everything that is done to it. */
	import { tick } from 'svelte';
	import { goto } from '$app/navigation';
	import X from '@lucide/svelte/icons/x';
	import type { Component } from '$core/facts/component.ts';
	import type { Material } from '$core/facts/material.ts';
	import { moveHandle, movePoint, snap, type Snap } from '$core/engines/pattern/edit.ts';
	import { boxOf, edgeLength, edgesOf, flatten } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';
	import { sizesOfPiece } from '$core/engines/pattern/piece.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { shaperOf } from '$core/engines/shapers/shapers.ts';
	import type { NumberedPiece } from '$core/engines/pattern/numbered.ts';
	import type { StoredShape } from '$core/facts/shape.ts';
	import { operationWords } from '$core/engines/pattern/operations.ts';
	import type { PieceOperation } from '$core/facts/pieceOperation.ts';
	import { formatSmallArea, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '../Act.svelte';
	import Form from '../Form.svelte';
	import Sheet from '../Sheet.svelte';
	import Tag from '../Tag.svelte';
	import Working from '../Working.svelte';
	import { weightFigure } from '$core/explain/pieces.ts';
	import EdgePanel from './EdgePanel.svelte';
	import LinePanel from './LinePanel.svelte';
	import PieceMat from './PieceMat.svelte';
	import PointPanel from './PointPanel.svelte';
	import { Typed } from './typed.svelte.ts';
	import WholePanel from './WholePanel.svelte';

	interface Props {
		shape: StoredShape;
		component: Component;
		material: Material | undefined;
		index: number;
		pieces: readonly NumberedPiece[];
		unit: LengthUnit;
		/** Of the shape. */
		base: string;
	}
	let { shape, component, material, index, pieces, unit, base }: Props = $props();

	const KIND_WORDS = { line: 'straight', arc: 'arc', cubic: 'curve' };
	const CAUGHT_WORDS = {
		point: 'a point',
		middle: 'the middle of an edge',
		level: 'level with a point',
		grid: 'the grid'
	};
	const typed = new Typed(() => unit);
	const kept = $derived(pieces[index]!.piece);
	/** While a point is being moved. */
	let draft = $state.raw<{ of: Piece; piece: Piece; caught: Snap['to'] } | null>(null);
	const piece = $derived(draft?.of === kept ? draft.piece : kept);
	const drawn = $derived(shape.drawn !== null);
	const all = $derived(edgesOf(piece.outline));
	/** The table waits until a moved point is dropped. */
	const listed = $derived(edgesOf(kept.outline));
	const f = $derived(sizesOfPiece(piece));
	const box = $derived(boxOf(flatten(piece.outline).points));
	const weighs = $derived(material?.gramsPerM2 != null);

	let tool = $state<'choose' | 'line'>('choose');
	let point = $state<number | null>(null);
	let edges = $state<number[]>([]);
	const chosen = $derived(edges.filter((e) => e < all.length));
	let ends = $state.raw<Point[]>([]);
	/** Points catch on whole steps of this; 0: on other points only. */
	let grid = $state('1');

	// --- What is done is kept at once, as everywhere; undo takes it back. Faster hands than the server wait in a row.
	let working: HTMLFormElement | undefined = $state();
	let drawing: HTMLFormElement | undefined = $state();
	let workText = $state('');
	let drawnText = $state('');
	/** What is to be kept, with what stood in the fields and was clicked for it: only that is done with afterwards. */
	type Kept = ({ work: PieceOperation } | { draw: Piece }) & { texts: Record<string, string>; ends: Point[] };
	let row: Kept[] = [];
	let busy: Kept | null = null;
	function work(own: PieceOperation) {
		row.push({ work: own, texts: { ...typed.texts }, ends });
		send();
	}
	function draw(own: Piece) {
		draft = { of: kept, piece: own, caught: null };
		// Each drawing holds the ones before it: only the last of a row has to be kept.
		if (row.at(-1) && 'draw' in row.at(-1)!) row.pop();
		row.push({ draw: own, texts: { ...typed.texts }, ends });
		send();
	}
	async function send() {
		if (busy) return;
		const first = row.shift();
		if (!first) return;
		busy = first;
		typed.wrong = null;
		if ('work' in first) workText = JSON.stringify(first.work);
		else {
			draft = { of: kept, piece: first.draw, caught: null };
			drawnText = JSON.stringify(pieces.map((p, i) => (i === index ? first.draw : p.piece)));
		}
		await tick();
		('work' in first ? working : drawing)?.requestSubmit();
	}
	function sent(done: boolean) {
		const first = busy;
		busy = null;
		if (done && first) {
			typed.done(first.texts);
			if (ends === first.ends) ends = [];
		}
		if (!done) {
			// What was typed stays, to be mended; what was drawn goes back to what is kept.
			row = [];
			draft = null;
		} else if (row.length) send();
		else draft = null;
	}
	function start() {
		typed.clear();
		ends = [];
		draft = null;
	}

	function take(own: 'choose' | 'line') {
		tool = own;
		ends = [];
		typed.clear();
	}
	function choosePoint(i: number) {
		typed.clear();
		point = i;
		edges = [];
	}
	function chooseEdge(i: number, more: boolean) {
		typed.clear();
		point = null;
		edges = !more ? [i] : edges.includes(i) ? edges.filter((e) => e !== i) : [...edges, i];
	}
	function move(i: number, to: Point, reach: number) {
		const caught: Snap = reach > 0 ? snap(kept.outline, to, reach, Number(grid), i) : { at: to, to: null };
		draft = {
			of: kept,
			piece: { ...piece, outline: movePoint(piece.outline, i, caught.at) },
			caught: caught.to
		};
	}
	function bend(edge: number, handle: 'c1' | 'c2', to: Point) {
		draft = {
			of: kept,
			piece: { ...piece, outline: moveHandle(piece.outline, edge, handle, to) },
			caught: null
		};
	}
	function end(at: Point, reach: number) {
		const caught = snap(piece.outline, at, reach, Number(grid), null).at;
		ends = ends.length === 1 ? [ends[0]!, caught] : [caught];
		typed.clear();
	}
	function leave(event: KeyboardEvent) {
		if (event.key !== 'Escape') return;
		point = null;
		edges = [];
		start();
	}
</script>

<svelte:window onkeydown={leave} />

<div class="hidden" aria-hidden="true">
	<Form
		command="workShape"
		id={shape.id}
		version={shape.version}
		hidden={{ work: workText }}
		onDone={() => sent(true)}
		onFail={() => sent(false)}
	>
		<button tabindex="-1" {@attach (node) => void (working = node.closest('form') ?? undefined)}>Do</button>
	</Form>
	<Form
		command="drawShape"
		id={shape.id}
		version={shape.version}
		hidden={{ pieces: drawnText }}
		onDone={() => sent(true)}
		onFail={() => sent(false)}
	>
		<button tabindex="-1" {@attach (node) => void (drawing = node.closest('form') ?? undefined)}>Draw</button>
	</Form>
</div>

<div class="desk">
	<Sheet title={piece.name}>
		{#snippet tools()}
			<Tag {component} href={base} />
			<select
				aria-label="Piece"
				value={String(index)}
				onchange={(event) => {
					point = null;
					edges = [];
					start();
					goto(`${base}/${Number(event.currentTarget.value) + 1}`);
				}}
			>
				{#each pieces as p, i (p.code)}<option value={String(i)}>{p.code} {p.piece.name}</option>{/each}
			</select>
		{/snippet}
		<div class="bar" role="toolbar" aria-label="What a click does">
			<button class="button small" aria-pressed={tool === 'choose'} onclick={() => take('choose')}
				>Choose</button
			>
			<button class="button small" aria-pressed={tool === 'line'} onclick={() => take('line')}
				>Line, split, measure</button
			>
			<label class="small"
				>catch on
				<select bind:value={grid} aria-label="What points catch on">
					<option value="0">points only</option>
					<option value="1">1 mm</option>
					<option value="5">5 mm</option>
					<option value="10">10 mm</option>
				</select></label
			>
			{#if draft?.caught}<span class="small soft" role="status">{CAUGHT_WORDS[draft.caught]}</span>{/if}
		</div>
		<PieceMat
			{piece}
			{kept}
			label="{piece.name}, {all.length} edges"
			{point}
			edges={chosen}
			drawable={drawn && tool === 'choose'}
			laying={tool === 'line'}
			{ends}
			length={(mm) => typed.words(mm)}
			onpoint={choosePoint}
			onedge={chooseEdge}
			onmove={move}
			onhandle={bend}
			onmoved={() => draft && draw(draft.piece)}
			onend={end}
		/>
		<dl class="figures">
			<div>
				<dt>Code</dt>
				<dd>{pieces[index]!.code}</dd>
			</div>
			<div>
				<dt>Cut</dt>
				<dd>{pieces[index]!.count} ×{piece.mirrored ? ', half mirrored' : ''}</dd>
			</div>
			<div>
				<dt>Size</dt>
				<dd>{typed.words(box.right - box.left)} × {typed.words(box.top - box.bottom)}</dd>
			</div>
			<div>
				<dt>Area</dt>
				<dd>{formatSmallArea(f.area, unit)}</dd>
			</div>
			<div>
				<dt>To cut along</dt>
				<dd>{typed.words(f.cutLength)}</dd>
			</div>
			<div>
				<dt>Seam edges</dt>
				<dd>{typed.words(f.seam)}</dd>
			</div>
			{#if f.bevelled}
				<div>
					<dt>Bevelled</dt>
					<dd>{typed.words(f.bevelled)}</dd>
				</div>
			{/if}
			{#if weighs}
				<div>
					<dt>Weight{piece.quantity > 1 ? `, ${piece.quantity} ×` : ''}</dt>
					<dd><Working figure={weightFigure(piece, material!)} /></dd>
				</div>
			{/if}
		</dl>
	</Sheet>

	<div class="right">
		{#if tool === 'line'}
			<LinePanel {piece} {index} {typed} {ends} onends={(e) => (ends = e)} onwork={work} />
		{:else if point !== null && all[point]}
			<PointPanel {piece} {kept} {point} {drawn} {typed} ondraw={draw} onremoved={() => (point = null)} />
		{:else if chosen.length}
			<EdgePanel {piece} {index} {pieces} {chosen} {drawn} {typed} onwork={work} ondraw={draw} />
		{:else}
			<WholePanel
				{piece}
				{index}
				others={pieces.length > 1}
				{drawn}
				from={shape.name || shaperOf(shape.shaper).name}
				{typed}
				onwork={work}
				ondraw={draw}
			/>
		{/if}

		{#if shape.works.length}
			<Sheet title="Done to the pieces" level={3}>
				<ol>
					{#each shape.works as w, i (i)}
						{@const words = operationWords(w, `Piece ${w.piece + 1}`, (mm) => typed.words(mm))}
						<li>
							<span>{words}</span>
							<Act
								command="unworkShape"
								id={shape.id}
								version={shape.version}
								hidden={{ index: i }}
								look="quiet"
								label="Take out: {words}"><X size={14} /></Act
							>
						</li>
					{/each}
				</ol>
				<p class="small soft">Done again, in this order, whenever the shape changes.</p>
			</Sheet>
		{/if}

		<Sheet title="Edges" level={3}>
			<div class="scroll">
				<table>
					<thead
						><tr
							><th><span class="visually-hidden">Choose</span></th><th>Edge</th><th class="number">Length</th
							><th class="number">Allowance</th><th class="number">Bevel</th></tr
						></thead
					>
					<tbody>
						{#each listed as { from, edge }, i (i)}
							<tr class:chosen={chosen.includes(i)}>
								<td
									><input
										type="checkbox"
										aria-label="Edge {i + 1}"
										checked={chosen.includes(i)}
										onchange={() => chooseEdge(i, true)}
									/></td
								>
								<td
									>{i + 1}
									<span class="soft">{KIND_WORDS[edge.kind]}{i === piece.foldEdge ? ', fold' : ''}</span></td
								>
								<td class="number">{typed.words(edgeLength(from, edge))}</td>
								<td class="number">{edge.allowance ? typed.words(edge.allowance) : ''}</td>
								<td class="number">{edge.bevel ? `${formatNumber(edge.bevel, 1)}°` : ''}</td>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
		</Sheet>
	</div>
</div>

<style>
	.hidden {
		display: none;
	}
	.desk {
		display: grid;
		grid-template-columns: minmax(0, 7fr) minmax(280px, 4fr);
		gap: 16px;
		align-items: start;
	}
	.right {
		display: grid;
		gap: 16px;
		min-width: 0;
	}
	.bar {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 12px;
		align-items: center;
		margin-bottom: 8px;
	}
	.bar select,
	.desk :global(header select) {
		width: auto;
		max-width: 240px;
	}
	.bar button[aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	.figures {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
		gap: 8px 16px;
		margin: 12px 0 0;
	}
	.figures dt {
		font-size: var(--s13);
		color: var(--ink-soft);
	}
	.figures dd {
		margin: 0;
		font-family: var(--mono);
		font-size: var(--s13);
	}
	ol {
		margin: 0;
		padding-left: 20px;
	}
	li > span {
		margin-right: 6px;
	}
	.scroll {
		max-height: 280px;
		overflow: auto;
	}
	tr.chosen {
		background: var(--yellow-wash);
	}
	@media (max-width: 900px) {
		.desk {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
