<script lang="ts">
	/** A faceted shape unfolded: few large pieces or many small ones, each way with what it takes to join, and kept. */
	import pluralize from 'pluralize';
	import { numberedAlone } from '$core/engines/pattern/numbered.ts';
	import type { KeptForm } from '$core/facts/placement.ts';
	import { UNFOLD_WAYS, type UnfoldWayKey } from '$core/engines/mesh/unfold.ts';
	import { say } from '$core/units/problem.ts';
	import { formatLength } from '$core/units/measure.ts';
	import type { UnfoldedWay } from '../../../workers/protocol.ts';
	import Pieces from '../Pieces.svelte';
	import Sheet from '../Sheet.svelte';
	import KeepPieces from './KeepPieces.svelte';
	import type { BroughtTo } from './brought.ts';

	interface Props extends Pick<BroughtTo, 'name' | 'component' | 'workshop' | 'onDone'> {
		ways: readonly UnfoldedWay[];
		kept: KeptForm | null;
	}
	let { ways, kept, name, component, workshop, onDone }: Props = $props();
	const length = (mm: number) => formatLength(mm, workshop.settings.lengthUnit);
	let chosen = $state<UnfoldWayKey>('few');
	const way = $derived(ways.find((w) => w.key === chosen) ?? ways[0]!);
	const count = (w: UnfoldedWay) => pluralize('piece', w.pieces.length, true);
</script>

<Sheet title={count(way)}>
	{#if ways.length > 1}
		<fieldset>
			<legend class="small">Comes apart as</legend>
			{#each ways as w (w.key)}
				<label>
					<input
						type="radio"
						name="way"
						value={w.key}
						checked={w === way}
						onchange={() => (chosen = w.key)}
					/>
					<b>{count(w)}</b>, {length(w.seamLength)} of seams: {UNFOLD_WAYS[w.key].words}
				</label>
			{/each}
		</fieldset>
	{/if}
	<p>
		<b class="figure">{length(way.seamLength)}</b> of seams. Edges with the same number meet; inner lines are folded.
	</p>
	{#each way.notes as note (note.code)}<p class="warn small">{say(note)}</p>{/each}
	<Pieces pieces={numberedAlone(way.pieces, component.code)} label="Unfolded pieces" />
	<KeepPieces
		pieces={way.pieces}
		origin="unfolded"
		{kept}
		{name}
		{component}
		materials={workshop.materials}
		{onDone}
	/>
</Sheet>

<style>
	fieldset {
		border: 0;
		padding: 0;
		margin: 0 0 10px;
	}
	fieldset label {
		display: block;
		padding: 3px 0;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
		margin: 8px 0;
	}
</style>
