<script lang="ts">
	/** Two kept layouts side by side. */
	import { LEAST_KEPT } from '$core/engines/layout/leftovers.ts';
	import { quantityLaid } from '$core/answers/layPieces.ts';
	import { cutSheets, leftoversOfPlan, useOfPlan } from '$core/engines/layout/cutSheets.ts';
	import { weigh } from '$core/answers/substitute.ts';
	import { planWords } from '$core/formats/planWords.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { formatLength, formatSmallArea } from '$core/units/measure.ts';
	import { formatPrice } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { cutMinutesFigure } from '$core/explain/layout.ts';
	import CutSheets from '$lib/ui/lay/CutSheets.svelte';
	import { takesWords } from '$lib/ui/lay/takesWords.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import Table from '$lib/ui/Table.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/lay`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const currency = $derived(data.record.costume.currency);
	const both = $derived(
		data.both.map((layout) => {
			const { plan } = layout;
			const material = data.workshop.materials.find((m) => m.id === layout.materialId)!;
			const use = useOfPlan(plan);
			const left = leftoversOfPlan(plan, LEAST_KEPT).flatMap((l) => l.leftovers);
			const quantity = quantityLaid(material, plan.stock, use, plan.settings);
			const cutting = cutMinutesFigure(plan, material.family, data.workshop);
			return {
				layout,
				material,
				sheets: cutSheets(plan),
				use,
				quantity,
				costMinor: weigh(material, quantity, 0).costMinor,
				leftArea: left.reduce((sum, l) => sum + l.area, 0),
				leftCount: left.length,
				minutes: valueOf(cutting),
				pieces: plan.placements.length
			};
		})
	);
	type Side = (typeof both)[number];
	/** Less is better, or more; nothing where it is neither. */
	const rows: { name: string; of: (s: Side) => string; better?: (s: Side) => number }[] = $derived([
		{ name: 'Cut from', of: (s) => s.material.name },
		{ name: 'Pieces', of: (s) => String(s.pieces) },
		{
			name: 'Takes',
			of: (s) => takesWords(s.use, s.layout.plan.stock.sheets.length, s.layout.plan.stock.roll !== null, unit)
		},
		{
			name: 'Used of the last one, or of the roll',
			of: (s) => formatLength(s.use.usedLength, unit)
		},
		{
			name: 'New material',
			of: (s) => `${formatNumber(s.quantity)} ${s.material.unit}`,
			better: (s) => s.quantity
		},
		{
			name: 'To buy, beyond the stash',
			of: (s) => formatPrice(s.costMinor, currency),
			better: (s) => s.costMinor ?? NaN
		},
		{
			name: 'Becomes pieces',
			of: (s) => `${formatNumber(s.use.density * 100, 1)} %`,
			better: (s) => -s.use.density
		},
		{
			name: `Left of use, from ${formatLength(LEAST_KEPT, unit)} wide`,
			of: (s) => `${s.leftCount}, ${formatSmallArea(s.leftArea, unit)}`,
			better: (s) => -s.leftArea
		},
		{ name: 'Cutting', of: (s) => formatDuration(s.minutes), better: (s) => s.minutes }
	]);
	/** Layouts of other pieces cost and leave something else: neither is better. */
	const alike = $derived(
		new Set(
			data.both.map((l) =>
				l.plan.placements
					.map((p) => `${p.piece} ${p.copy}`)
					.sort()
					.join(';')
			)
		).size === 1
	);
	const best = (row: (typeof rows)[number], i: number) =>
		alike && row.better !== undefined && row.better(both[i]!) < row.better(both[1 - i]!) - 1e-9;
</script>

<svelte:head><title>Layouts compared · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Two layouts compared">
	<Table>
		{#snippet heads()}<th><span class="visually-hidden">What</span></th>
			{#each both as { layout }, i (i)}<th
					><a href="{base}/{layout.id}">{layout.name}</a>{layout.cutAt === null ? '' : ', cut'}</th
				>{/each}{/snippet}
		{#each rows as row (row.name)}
			<tr>
				<td class="soft">{row.name}</td>
				{#each both as side, i (i)}
					<td
						>{#if best(row, i)}<b>{row.of(side)}</b>
							<span class="better small">better</span>{:else}{row.of(side)}{/if}</td
					>
				{/each}
			</tr>
		{/each}
	</Table>
	{#if !alike}<p class="small soft foot">
			They are of other pieces: their figures stand side by side only.
		</p>{/if}
	<p class="small soft foot"><a href={base}>Back to Lay</a></p>
</Sheet>
<div class="beside">
	{#each both as side, i (i)}
		<Sheet title={side.layout.name}>
			<CutSheets
				sheets={side.sheets}
				name={planWords(side.layout.plan, side.layout.name, side.sheets.length, unit).sheet}
			/>
		</Sheet>
	{/each}
</div>

<style>
	.beside {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
		gap: 16px;
		margin-top: 16px;
		align-items: start;
	}
	.better {
		color: var(--good-ink);
	}
	.foot {
		margin-top: 12px;
	}
</style>
