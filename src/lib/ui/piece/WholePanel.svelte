<script lang="ts">
	/** The piece as a whole: name, quantity, grain, holes. */
	import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { shareOf } from '$core/engines/pattern/operations.ts';
	import type { PieceOperation } from '$core/facts/pieceOperation.ts';
	import Sheet from '../Sheet.svelte';
	import TypedField from './TypedField.svelte';
	import type { Typed } from './typed.svelte.ts';

	interface Props {
		piece: Piece;
		index: number;
		/** Another piece stays when this one is left out. */
		others: boolean;
		drawn: boolean;
		from: string;
		typed: Typed;
		onwork: (work: PieceOperation) => void;
		ondraw: (piece: Piece) => void;
	}
	let { piece, index, others, drawn, from, typed, onwork, ondraw }: Props = $props();
	const USUAL_HOLE = 10;
	const box = $derived(boxOf(flatten(piece.outline).points));

	function rename() {
		const name = (typed.texts.name ?? piece.name).trim();
		if (name === '' || name.length > 80) typed.refuse('name', 'Needs a name of at most 80 letters.');
		else onwork({ kind: 'name', piece: index, name });
	}
	function role() {
		const role = (typed.texts.role ?? piece.role ?? '').trim();
		if (role.length > 40) typed.refuse('role', 'At most 40 letters.');
		else onwork({ kind: 'role', piece: index, role });
	}
	function quantity() {
		const n = typed.number('quantity', piece.quantity);
		if (n === null) return;
		if (!Number.isInteger(n) || n < 1 || n > 1000) typed.refuse('quantity', 'A whole number from 1 to 1000.');
		else onwork({ kind: 'quantity', piece: index, quantity: n });
	}
	function grain() {
		const none = (typed.texts.grain ?? '').trim() === '';
		const degrees = none ? null : typed.number('grain', 0);
		if (degrees !== null && Math.abs(degrees) > 360) typed.refuse('grain', 'At most 360 degrees.');
		else if (none || degrees !== null) onwork({ kind: 'grain', piece: index, degrees });
	}
	function grow() {
		const mm = typed.length('grow', 0);
		if (mm === null) return;
		if (mm === 0 || Math.abs(mm) > 500) typed.refuse('grow', 'More or less than nothing, at most 50 cm.');
		else onwork({ kind: 'grow', piece: index, mm });
	}
	function hole() {
		const x = typed.length('holeX', (box.right - box.left) / 2);
		const y = typed.length('holeY', (box.top - box.bottom) / 2);
		const diameter = typed.length('diameter', USUAL_HOLE);
		if (x === null || y === null || diameter === null) return;
		if (diameter <= 0 || diameter > 5000) typed.refuse('diameter', 'Must be more than nothing.');
		else onwork({ kind: 'hole', piece: index, at: shareOf(piece, [x + box.left, y + box.bottom]), diameter });
	}
</script>

<Sheet title="The piece" level={3}>
	<p class="small soft">Choose an edge or a point on the mat, Shift for several edges.</p>
	<div class="pairs">
		<TypedField {typed} name="name" label="Name" standing={piece.name} onenter={rename} />
		<button class="button small" onclick={rename}>Rename</button>
		<TypedField
			{typed}
			name="role"
			label="For (lining, facing …)"
			standing={piece.role ?? ''}
			onenter={role}
		/>
		<button class="button small" onclick={role}>Set role</button>
		<TypedField
			{typed}
			name="quantity"
			label="Quantity, one copy"
			standing={String(piece.quantity)}
			onenter={quantity}
		/>
		<button class="button small" onclick={quantity}>Set quantity</button>
		<TypedField
			{typed}
			name="grain"
			label="Grain, degrees from level"
			standing={piece.grain === null ? '' : String(piece.grain)}
			onenter={grain}
		/>
		<button class="button small" onclick={grain}>Set grain</button>
		<TypedField
			{typed}
			name="grow"
			label="Larger all round by (− smaller)"
			standing={typed.words(0)}
			onenter={grow}
		/>
		<button class="button small" onclick={grow}>Resize</button>
	</div>
	<div class="three">
		<TypedField {typed} name="diameter" label="Hole, across" standing={typed.words(USUAL_HOLE)} />
		<TypedField {typed} name="holeX" label="at, across" standing={typed.words((box.right - box.left) / 2)} />
		<TypedField {typed} name="holeY" label="at, up" standing={typed.words((box.top - box.bottom) / 2)} />
	</div>
	<p class="row">
		<button class="button small" onclick={hole}>Cut the hole</button>
		{#if !piece.mirrored}<button class="button small" onclick={() => onwork({ kind: 'pair', piece: index })}
				>Make a mirrored pair</button
			>{/if}
		{#if others}<button class="button small quiet" onclick={() => onwork({ kind: 'remove', piece: index })}
				>Leave it out</button
			>{/if}
	</p>
	{#if !drawn}
		<hr />
		<p class="small">
			Its points come from <b>{from}</b>. To move them, draw on by hand: the pieces then stay as they are and
			follow no measure.
		</p>
		<p class="row"><button class="button small" onclick={() => ondraw(piece)}>Draw on by hand</button></p>
	{/if}
</Sheet>

<style>
	.three {
		display: grid;
		grid-template-columns: repeat(3, 1fr);
		gap: 8px 12px;
		align-items: end;
		margin-top: 10px;
	}
	.row {
		margin: 10px 0 0;
	}
	hr {
		border: 0;
		border-top: 1px solid var(--rule);
		margin: 14px 0 4px;
	}
</style>
