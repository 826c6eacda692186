<script lang="ts">
	/** A line over the piece: to measure, to split by, to draw. */
	import { distance, type Point } from '$core/units/point.ts';
	import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { placeOn, shareOf } from '$core/engines/pattern/operations.ts';
	import type { PieceOperation } from '$core/facts/pieceOperation.ts';
	import Sheet from '../Sheet.svelte';
	import TypedField from './TypedField.svelte';
	import type { Typed } from './typed.svelte.ts';

	interface Props {
		piece: Piece;
		index: number;
		typed: Typed;
		ends: readonly Point[];
		onends: (ends: Point[]) => void;
		onwork: (work: PieceOperation) => void;
	}
	let { piece, index, typed, ends, onends, onwork }: Props = $props();
	const box = $derived(boxOf(flatten(piece.outline).points));
	const fromCorner = ([x, y]: Point): Point => [x - box.left, y - box.bottom];

	function across(from: readonly [number, number], to: readonly [number, number]) {
		typed.clear();
		onends([placeOn(piece, from), placeOn(piece, to)]);
	}
	/** As they were typed, as shares of the piece. */
	function shares(): [[number, number], [number, number]] | null {
		const [from, to] = ends.map((end, i): [number, number] | null => {
			const [x, y] = fromCorner(end);
			const [nx, ny] = [typed.length(`x${i}`, x), typed.length(`y${i}`, y)];
			return nx === null || ny === null ? null : shareOf(piece, [nx + box.left, ny + box.bottom]);
		});
		return from && to ? [from, to] : null;
	}
	function split() {
		const line = shares();
		const [allowance, marks] = [typed.length('splitAllowance', 0), typed.number('marks', 2)];
		if (!line || allowance === null || marks === null) return;
		if (allowance < 0) return typed.refuse('splitAllowance', 'Cannot be less than nothing.');
		if (!Number.isInteger(marks) || marks < 0 || marks > 20)
			return typed.refuse('marks', 'A whole number up to 20.');
		onwork({ kind: 'split', piece: index, from: line[0], to: line[1], allowance, marks });
	}
	function draw(use: 'fold' | 'detail' | 'placement') {
		const line = shares();
		if (line) onwork({ kind: 'line', piece: index, use, from: line[0], to: line[1] });
	}
</script>

<Sheet title="A line over it" level={3}>
	{#if ends.length < 2}
		<p class="small">Click two points on the mat{ends.length ? ': now the second' : ', or take a middle'}.</p>
		<p class="row">
			<button class="button small" onclick={() => across([0.5, 0], [0.5, 1])}>Middle, upright</button>
			<button class="button small" onclick={() => across([0, 0.5], [1, 0.5])}>Middle, level</button>
		</p>
	{:else}
		<p class="lead">{typed.words(distance(ends[0]!, ends[1]!))}</p>
		<div class="grid">
			{#each ends as end, i (i)}
				{@const [x, y] = fromCorner(end)}
				<TypedField {typed} name="x{i}" label={i ? 'To, across' : 'From, across'} standing={typed.words(x)} />
				<TypedField {typed} name="y{i}" label={i ? 'To, up' : 'From, up'} standing={typed.words(y)} />
			{/each}
			<TypedField
				{typed}
				name="splitAllowance"
				label="Allowance on both sides"
				standing={typed.words(0)}
				onenter={split}
			/>
			<TypedField {typed} name="marks" label="Register marks" standing="2" onenter={split} />
		</div>
		<p class="row">
			<button class="button small main" onclick={split}>Split along it</button>
			<button class="button small" onclick={() => draw('fold')}>Fold line</button>
			<button class="button small" onclick={() => draw('detail')}>Detail line</button>
			<button class="button small" onclick={() => draw('placement')}>Placement line</button>
			<button class="button small quiet" onclick={() => onends([])}>Another</button>
		</p>
	{/if}
</Sheet>

<style>
	.lead {
		font-family: var(--head);
		font-size: var(--s24);
		font-weight: 700;
		margin: 0;
	}
	.grid {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px 12px;
		margin-top: 8px;
	}
	.row {
		margin: 10px 0 0;
	}
</style>
