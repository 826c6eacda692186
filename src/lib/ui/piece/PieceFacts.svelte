<script lang="ts">
	/** What a piece comes to: how large, how much of it is cut, sewn and bevelled, what it weighs. */
	import { weightFigure } from '$core/explain/pieces.ts';
	import type { NumberedPiece } from '$core/engines/pattern/numbered.ts';
	import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
	import { sizesOfPiece } from '$core/engines/pattern/piece.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { formatSmallArea, type LengthUnit } from '$core/units/measure.ts';
	import Fact from '../Fact.svelte';
	import Facts from '../Facts.svelte';
	import Working from '../Working.svelte';

	interface Props {
		/** As it is shown: moved, while a point is being moved. */
		piece: Piece;
		numbered: NumberedPiece;
		material: Material | undefined;
		unit: LengthUnit;
		/** A length in words. */
		words: (mm: number) => string;
	}
	let { piece, numbered, material, unit, words }: Props = $props();
	const sizes = $derived(sizesOfPiece(piece));
	const box = $derived(boxOf(flatten(piece.outline).points));
</script>

<Facts look="grid">
	<Fact name="Code">{numbered.code}</Fact>
	<Fact name="Cut">{numbered.count} ×{piece.mirrored ? ', half mirrored' : ''}</Fact>
	<Fact name="Size">{words(box.right - box.left)} × {words(box.top - box.bottom)}</Fact>
	<Fact name="Area">{formatSmallArea(sizes.area, unit)}</Fact>
	<Fact name="To cut along">{words(sizes.cutLength)}</Fact>
	<Fact name="Seam edges">{words(sizes.seam)}</Fact>
	{#if sizes.bevelled}<Fact name="Bevelled">{words(sizes.bevelled)}</Fact>{/if}
	{#if material && material.gramsPerM2 !== null}
		<Fact name="Weight{piece.quantity > 1 ? `, ${piece.quantity} ×` : ''}"
			><Working figure={weightFigure(piece, material)} /></Fact
		>
	{/if}
</Facts>
