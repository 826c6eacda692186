<script lang="ts">
	/** Every edge of a piece with its figures, to be chosen by a tick. */
	import { edgeLength, edgesOf } from '$core/engines/pattern/outline.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Sheet from '../Sheet.svelte';
	import Table from '../Table.svelte';

	interface Props {
		piece: Piece;
		chosen: readonly number[];
		/** A length in words. */
		words: (mm: number) => string;
		onchoose: (edge: number) => void;
	}
	let { piece, chosen, words, onchoose }: Props = $props();

	const KIND_WORDS = { line: 'straight', arc: 'arc', cubic: 'curve' };
	const edges = $derived(edgesOf(piece.outline));
</script>

<Sheet title="Edges" level={3}>
	<div class="tall">
		<Table>
			{#snippet heads()}<th><span class="visually-hidden">Choose</span></th><th>Edge</th><th class="number"
					>Length</th
				><th class="number">Allowance</th><th class="number">Bevel</th>{/snippet}
			{#each edges as { from, edge }, i (i)}
				<tr class:chosen={chosen.includes(i)}>
					<td
						><input
							type="checkbox"
							aria-label="Edge {i + 1}"
							checked={chosen.includes(i)}
							onchange={() => onchoose(i)}
						/></td
					>
					<td
						>{i + 1}
						<span class="soft">{KIND_WORDS[edge.kind]}{i === piece.foldEdge ? ', fold' : ''}</span></td
					>
					<td class="number">{words(edgeLength(from, edge))}</td>
					<td class="number">{edge.allowance ? words(edge.allowance) : ''}</td>
					<td class="number">{edge.bevel ? `${formatNumber(edge.bevel, 1)}°` : ''}</td>
				</tr>
			{/each}
		</Table>
	</div>
</Sheet>

<style>
	.tall {
		max-height: 280px;
		overflow: auto;
	}
	tr.chosen {
		background: var(--yellow-wash);
	}
</style>
