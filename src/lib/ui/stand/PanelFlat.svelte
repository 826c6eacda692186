<script lang="ts">
	/** Panels laid flat: how far each is pulled beside what the material gives, its pieces, and the dart that takes most. */
	import pluralize from 'pluralize';
	import { numberedAlone } from '$core/engines/pattern/numbered.ts';
	import type { Component } from '$core/facts/component.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatPercent } from '$core/units/number.ts';
	import Pieces from '../Pieces.svelte';
	import Sheet from '../Sheet.svelte';
	import StrainPieces from './StrainPieces.svelte';
	import TaskBar from '../TaskBar.svelte';
	import type { PanelDraft } from './panelDraft.svelte.ts';

	let { draft, component, unit }: { draft: PanelDraft; component: Component; unit: LengthUnit } = $props();
	const length = (mm: number) => formatLength(mm, unit);
	const result = $derived(draft.result);
	const worst = $derived(result ? result.strains[result.worst]! : null);
	const beyond = $derived(!!worst && worst.max > draft.gives.share * 1.001);
	const proposed = $derived(draft.current ? (result?.proposed ?? null) : null);
</script>

<Sheet title={result ? pluralize('piece', result.pieces.length, true) : 'Pieces'}>
	<TaskBar task={draft.task} going="Laying flat" />
	{#if result && worst}
		<p class="figures">
			<b class:beyond>{formatPercent(worst.max, 1)}</b>
			<span
				>pulled at most, in {result.pieces[result.worst]!.name}; {draft.gives.words} gives
				{formatPercent(draft.gives.share, 1)}</span
			>
		</p>
		<Pieces pieces={numberedAlone(result.pieces, component.code)} label="Panels laid flat" />
		<p class="small soft">
			{length(result.seamLength)} to join; edges with the same number meet, notch on notch.
		</p>
		<StrainPieces flat={result} names={result.pieces.map((p) => p.name)} limit={draft.gives.share} />
		{#if beyond && draft.current}
			{#if proposed}
				<div class="proposal">
					<p>
						A dart of {length(proposed.after.seams - proposed.before.seams)} in {draft.plan.panels[
							proposed.dart.panel
						]!.name}:
						<b>{formatPercent(proposed.before.max, 1)} → {formatPercent(proposed.after.max, 1)}</b>
					</p>
					<button class="button main" type="button" onclick={() => draft.takeDart()}>Take the dart</button>
				</div>
			{:else}
				<TaskBar
					task={draft.seeking}
					label="Look for a dart"
					going="Looking for a dart"
					onstart={() => void draft.seek()}
				/>
			{/if}
		{/if}
	{/if}
</Sheet>

<style>
	.figures {
		display: flex;
		gap: 12px;
		align-items: center;
		margin: 0 0 8px;
	}
	.figures b {
		font: 600 var(--s36) var(--head);
		white-space: nowrap;
	}
	.figures b.beyond {
		color: var(--red-ink);
	}
	.proposal {
		border-left: 4px solid var(--brass);
		padding: 2px 10px 8px;
	}
</style>
