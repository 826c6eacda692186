<script lang="ts">
	/** One point: where it is, exactly. */
	import { movePoint, removePoint } from '$core/engines/pattern/edit.ts';
	import { boxOf, edgesOf, flatten } from '$core/engines/pattern/outline.ts';
	import { say } from '$core/units/problem.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import Sheet from '../Sheet.svelte';
	import { announce } from '../announce.ts';
	import TypedField from './TypedField.svelte';
	import type { Typed } from './typed.svelte.ts';

	interface Props {
		/** As it is shown: moved, while it is being moved. */
		piece: Piece;
		kept: Piece;
		point: number;
		drawn: boolean;
		typed: Typed;
		ondraw: (piece: Piece) => void;
		onremoved: () => void;
	}
	let { piece, kept, point, drawn, typed, ondraw, onremoved }: Props = $props();
	const box = $derived(boxOf(flatten(kept.outline).points));
	const at = $derived(edgesOf(piece.outline)[point]!.from);

	function set() {
		const [x, y] = [typed.length('x', at[0] - box.left), typed.length('y', at[1] - box.bottom)];
		if (x !== null && y !== null)
			ondraw({ ...piece, outline: movePoint(piece.outline, point, [x + box.left, y + box.bottom]) });
	}
	function takeOut() {
		const less = removePoint(piece, point);
		if (!less.ok) return announce(say(less.problem), { bad: true, undoable: false });
		onremoved();
		ondraw(less.value);
	}
</script>

<Sheet title="Point {point + 1}" level={3}>
	{#if drawn}
		<div class="grid">
			<TypedField {typed} name="x" label="Across" standing={typed.words(at[0] - box.left)} onenter={set} />
			<TypedField {typed} name="y" label="Up" standing={typed.words(at[1] - box.bottom)} onenter={set} />
		</div>
		<p class="row">
			<button class="button small main" onclick={set}>Move it there</button>
			<button class="button small" onclick={takeOut}>Take the point out</button>
		</p>
		<p class="small soft">From the lower left corner. Drag it, or use the arrow keys: 1 mm, with Shift 10.</p>
	{:else}
		<p class="figure">{typed.words(at[0] - box.left)} across, {typed.words(at[1] - box.bottom)} up</p>
	{/if}
</Sheet>

<style>
	.grid {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px 12px;
	}
	.row {
		margin: 10px 0 0;
	}
</style>
