<script lang="ts">
	/** The layout on the mat: what it takes, drawn, and what becomes of it. */
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import pluralize from 'pluralize';
	import { goto } from '$app/navigation';
	import { leftWithout, partsOf, quantityLaid } from '$core/answers/layPieces.ts';
	import { freshSheets } from '$core/engines/layout/stock.ts';
	import { densityFigure, rollFigure } from '$core/explain/layout.ts';
	import type { LayPlan, StockUse } from '$core/facts/layout.ts';
	import type { Material } from '$core/facts/material.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { sayOf } from '$core/units/problem.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import type { LayDesk } from '$lib/ui/lay/layDesk.svelte.ts';
	import LayMat from '$lib/ui/lay/LayMat.svelte';
	import { takesWords } from '$lib/ui/lay/takesWords.ts';
	import Notice from '$lib/ui/Notice.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		material: Material;
		plan: LayPlan;
		use: StockUse;
		desk: LayDesk;
		/** It is being laid out. */
		busy: boolean;
		base: string;
		unit: LengthUnit;
	}
	let { material, plan, use, desk, busy, base, unit }: Props = $props();
	const length = (mm: number) => formatLength(mm, unit);
	const fresh = $derived(freshSheets(use, plan.stock.sheets.length));
	const without = $derived(busy ? 0 : leftWithout(plan));
	const quantity = $derived(quantityLaid(material, plan.stock, use, plan.settings));
</script>

<Sheet title="{material.name}, {!busy ? 'laid out' : 'best so far'}">
	<p class="result">
		<b class="comes-to" aria-live="polite"
			>{takesWords(use, plan.stock.sheets.length, plan.stock.roll !== null, unit)}</b
		>
		<Working figure={densityFigure(plan, unit)} text="{formatNumber(use.density * 100, 1)} %" /> of it becomes pieces{plan
			.stock.roll === null
			? `; the last sheet is used for ${length(use.usedLength)} of its length`
			: ''}.
		{#if fresh && plan.stock.roll !== null && (plan.settings.shrinkLength || plan.settings.repeat)}
			To buy: <Working figure={rollFigure(plan, unit)} />.
		{/if}
	</p>
	{#if without}<Notice>
			<b>{pluralize('piece', without, true)} found no place</b>: the layout does not say how much {material.name}
			is needed.
		</Notice>{/if}
	{#each desk.unplaced as u (u.piece + u.copy)}<Notice>
			{u.piece}, copy {u.copy}: {sayOf(`lay.${u.why}`)}
		</Notice>{/each}
	<LayMat
		placements={plan.placements}
		pieces={plan.pieces}
		stock={plan.stock}
		settings={plan.settings}
		{use}
		locked={desk.locked}
		{busy}
		onlock={(key) => desk.lock(key)}
		onmove={(to) => desk.move(to)}
	/>
	<p class="small soft">
		{desk.locked.length
			? `${pluralize('piece', desk.locked.length, true)} ${desk.locked.length === 1 ? 'stays where it is' : 'stay where they are'} when the rest is laid again. `
			: ''}Check grain, nap and print by eye before you cut.
		{#if plan.settings.repeat}The print repeats every {length(plan.settings.repeat)}: move pieces that meet at
			a seam so that their notches lie at the same height of it.{/if}
	</p>
	{#if !busy}
		<div class="ends">
			{#if desk.movedByHand}<button class="button" type="button" onclick={() => desk.takeBack()}
					><Undo2 size={16} /> Back by one move</button
				>{/if}
			{#if quantity > 0 && !without}
				<Form
					command="takeLayout"
					label="Take over into needs"
					hidden={{
						materialId: material.id,
						parts: JSON.stringify(partsOf(plan.pieces, quantity))
					}}
				>
					<button class="button">Need {formatNumber(quantity, 2)} {material.unit} of it</button>
				</Form>
			{/if}
			<Form
				command="keepLayout"
				label="Keep this layout"
				hidden={{ materialId: material.id, plan: JSON.stringify(plan) }}
				class="keep"
				onDone={(result) => goto(`${base}/lay/${(result as { id: number }).id}`)}
			>
				<Field name="name" label="Called" value="" />
				<button class="button main">Keep it and plan the cut</button>
			</Form>
		</div>
	{/if}
</Sheet>

<style>
	.ends {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 12px;
		justify-content: flex-end;
		align-items: end;
		margin-top: 12px;
	}
</style>
