<script lang="ts">
	/** Panels laid flat: how far each is pulled beside what the material gives, its pieces, and what would help. */
	import pluralize from 'pluralize';
	import { numberedAlone } from '$core/engines/pattern/numbered.ts';
	import type { Component } from '$core/facts/component.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { isBeyond } from '$core/trade/laidFlat.ts';
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
	const beyond = $derived(!!worst && isBeyond(worst.max, draft.gives.share));
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
			{#if proposed?.length}
				<table class="reliefs">
					<caption
						>{draft.plan.panels[proposed[0]!.panel]!.name}, pulled by {formatPercent(
							proposed[0]!.before.max,
							1
						)}</caption
					>
					<thead>
						<tr
							><th>With</th><th>pulled by</th><th>pieces</th><th>more to join</th><th
								><span class="visually-hidden">take it</span></th
							></tr
						>
					</thead>
					<tbody>
						{#each proposed as relief (relief.kind)}
							<tr>
								<th scope="row">a {relief.kind}</th>
								<td class:beyond={isBeyond(relief.after.max, draft.gives.share)}
									><b>{formatPercent(relief.after.max, 1)}</b></td
								>
								<td>{relief.before.pieces} → {relief.after.pieces}</td>
								<td>{length(relief.joins)}</td>
								<td
									><button class="button small" type="button" onclick={() => draft.take(relief)}
										>Take the {relief.kind}</button
									></td
								>
							</tr>
						{/each}
					</tbody>
				</table>
			{:else if proposed}
				<p class="small">
					No cut into one panel lowers it: a thinner or more giving material, or panels drawn otherwise.
				</p>
			{:else}
				<TaskBar
					task={draft.seeking}
					label="Look for a dart, gusset or seam"
					going="Looking for what helps"
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
	.beyond {
		color: var(--red-ink);
	}
	.reliefs {
		border-left: 4px solid var(--brass);
		width: 100%;
	}
	.reliefs caption {
		text-align: left;
		padding: 0 10px 4px;
	}
	.reliefs :is(th, td) {
		text-align: left;
		padding: 3px 10px;
	}
	.reliefs thead {
		font-size: var(--s13);
	}
</style>
