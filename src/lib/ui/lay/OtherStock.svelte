<script lang="ts">
	/** What else the pieces can be cut from: other sheet sizes, thinner sheets stacked; each laid out and weighed. */
	import pluralize from 'pluralize';
	import { substitutesOf, weigh, type Substitute, type Weighed } from '$core/answers/substitute.ts';
	import {
		areaOfPieces,
		areasOfComponents,
		onOther,
		quantityLaid,
		stockOfMaterial
	} from '$core/answers/layPieces.ts';
	import type { CostumePiece, LaySettings } from '$core/facts/layout.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { catalogueOf } from '$core/trade/catalogue.ts';
	import { say } from '$core/units/problem.ts';
	import { formatSmallArea, parseLength, type LengthUnit } from '$core/units/measure.ts';
	import { parseMoney } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { cementFigure, choiceCostFigure, stackMinutesFigure } from '$core/explain/layout.ts';
	import { onDestroy } from 'svelte';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';
	import Sheet from '../Sheet.svelte';
	import TaskBar from '../TaskBar.svelte';
	import { Task } from '../task.svelte.ts';
	import Working from '../Working.svelte';
	import Table from '../Table.svelte';

	interface Props {
		material: Material;
		pieces: readonly CostumePiece[];
		settings: LaySettings;
		materials: readonly Material[];
		workshop: Pick<Workshop, 'rates' | 'handbook'>;
		currency: string;
		unit: LengthUnit;
	}
	let { material, pieces, settings, materials, workshop, currency, unit }: Props = $props();
	const trade = $derived(catalogueOf(workshop.handbook));

	/** A size that is not in the stash, to see what it would do. */
	interface Asked {
		width: number;
		height: number;
		priceMinor: number;
	}
	let asked = $state.raw<Asked[]>([]);
	let width = $state('');
	let height = $state('');
	let price = $state('');
	let wrong = $state('');
	function ask() {
		const read = [parseLength(width, unit), parseLength(height, unit), parseMoney(price, currency)] as const;
		const bad = read.find((r) => !r.ok);
		wrong = bad && !bad.ok ? say(bad.problem) : '';
		const [w, h, p] = read;
		if (!w.ok || !h.ok || !p.ok) return;
		asked = [...asked, { width: w.value, height: h.value, priceMinor: p.value }];
		[width, height, price] = ['', '', ''];
	}
	/** Of a size that is only asked about, nothing is in the stash. */
	const choices = $derived<(Substitute & { asked: boolean })[]>([
		...substitutesOf(material, materials).map((s) => ({ ...s, asked: false })),
		...asked.map((a, i) => ({
			material: {
				...material,
				id: -1 - i,
				name: 'Another size',
				widthMm: a.width,
				lengthMm: a.height,
				packSize: 1,
				packPriceMinor: a.priceMinor,
				stash: 0
			},
			layers: 1,
			asked: true
		}))
	]);
	const area = $derived(areaOfPieces(pieces));
	const glues = $derived(materials.filter((m) => m.family === 'glue' && ['ml', 'l'].includes(m.unit)));
	let glueId = $state('');

	interface Row extends Weighed {
		sheets: number;
		density: number;
		unplaced: number;
	}
	/** What each came to, for the pieces it was laid for. */
	let rows = $state.raw<Record<string, { of: readonly CostumePiece[]; row: Row }>>({});
	const key = (c: Substitute) => `${c.material.id} ${c.layers} ${c.material.widthMm} ${c.material.lengthMm}`;
	const rowOf = (c: Substitute) => {
		const own = rows[key(c)];
		return own && own.of === pieces ? own.row : null;
	};
	const SECONDS = 2;
	const task = new Task<'layout'>();
	onDestroy(() => task.stop());
	let doing = $state('');

	async function compare() {
		const of = pieces;
		for (const choice of choices) {
			const stock = stockOfMaterial(choice.material, [], settings);
			if (!stock) continue;
			doing = choice.material.name;
			const own = onOther(of, stock, choice.layers);
			const done = await task.start(
				() => new Worker(new URL('../../../workers/layout.worker.ts', import.meta.url), { type: 'module' }),
				async () => ({
					kind: 'layout',
					task: {
						stock: [stock],
						pieces: $state.snapshot(own) as CostumePiece[],
						gap: settings.gap,
						edge: settings.edge,
						seed: 1
					},
					seconds: SECONDS
				})
			);
			if (!done) break;
			const [use] = done.layout.stock;
			const quantity = quantityLaid(choice.material, stock, use!, settings);
			const row = {
				...weigh(choice.material, quantity, area * choice.layers),
				sheets: use!.sheets,
				density: use!.density,
				unplaced: done.layout.unplaced.length
			};
			rows = { ...rows, [key(choice)]: { of, row } };
		}
		doing = '';
	}
</script>

<Sheet title="What else it can be cut from">
	<p class="small soft">
		Other sheets of the same thickness, and thinner ones stacked, as the <a href="/stash">Stash</a> has them{material.thicknessMm ===
		null
			? '; say there how thick this is'
			: ''}. Each is laid out for {SECONDS} seconds.
	</p>
	<Table>
		{#snippet heads()}<th>Sheets</th>
			<th class="number">Takes</th>
			<th class="number">In the stash</th>
			<th class="number">To buy</th>
			<th class="number">Pieces</th>
			<th class="number">Waste</th>
			<th><span class="visually-hidden">Cut from it</span></th>{/snippet}
		{#each choices as choice (key(choice))}
			{@const row = rowOf(choice)}
			{@const other = choice.material}
			<tr>
				<td class="name">
					<b>{choice.layers > 1 ? `${choice.layers} layers of ` : ''}{other.name}</b>
					<span class="small soft"
						>{formatNumber(other.widthMm ?? 0, 0)} × {formatNumber(other.lengthMm ?? 0, 0)} mm</span
					>
					{#if choice.layers > 1}
						<p class="small">
							<Working
								figure={cementFigure(area, choice.layers, trade)}
								text="{formatNumber(valueOf(cementFigure(area, choice.layers, trade)), 0)} ml"
							/> of glue,
							<Working figure={stackMinutesFigure(area, choice.layers, workshop)} /> more
						</p>
					{/if}
				</td>
				{#if row}
					<td class="number"
						>{pluralize('sheet', row.sheets, true)}{row.unplaced ? `, ${row.unplaced} do not fit` : ''}</td
					>
					<td class="number">{choice.asked ? '' : formatNumber(other.stash, 2)}</td>
					<td class="number"
						>{#if other.packPriceMinor === null && row.packs > 0}not known{:else}<Working
								figure={choiceCostFigure(row.packs, other.packPriceMinor ?? 0, currency)}
							/>{/if}</td
					>
					<td class="number">{formatNumber(row.density * 100, 1)} %</td>
					<td class="number">{formatSmallArea(row.waste, unit)}</td>
				{:else}<td class="number soft" colspan="5">{doing === other.name ? 'laying out…' : ''}</td>{/if}
				<td class="number">
					{#if !choice.asked && other.id !== material.id}
						<Form
							command="cutFrom"
							label="Cut from {other.name}"
							hidden={{
								materialId: material.id,
								otherId: other.id,
								layers: choice.layers,
								glueId: choice.layers > 1 ? glueId : '',
								glue: JSON.stringify(
									choice.layers > 1 && glueId
										? [...areasOfComponents(pieces)].map(([componentId, own]) => ({
												componentId,
												quantity: valueOf(cementFigure(own, choice.layers, trade))
											}))
										: []
								)
							}}
						>
							<button class="button small">Cut from it</button>
						</Form>
					{/if}
				</td>
			</tr>
		{/each}
	</Table>
	<div class="ask">
		<Field name="askWidth" label="Another size, width" bind:value={width} />
		<Field name="askHeight" label="Length" bind:value={height} />
		<Field name="askPrice" label="Price of one" bind:value={price} inputmode="decimal" />
		<button class="button" type="button" onclick={ask}>Add to the list</button>
		{#if choices.some((c) => c.layers > 1)}
			<Field
				name="glueId"
				label="Layers are joined with"
				options={glues.map((g) => ({ value: g.id, label: g.name }))}
				none="not counted"
				bind:value={glueId}
			/>
		{/if}
	</div>
	{#if wrong}<p class="error" role="alert">{wrong}</p>{/if}
	<TaskBar
		{task}
		label="Lay out each"
		going="Laying out {doing}"
		onstart={compare}
		disabled={pieces.length === 0}
	/>
</Sheet>

<style>
	.ask {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
		gap: 8px 12px;
		align-items: end;
		margin-top: 12px;
	}
	.name {
		min-width: 190px;
	}
	.error {
		color: var(--red-ink);
		font-weight: 600;
	}
</style>
