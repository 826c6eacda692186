<script lang="ts">
	/** What is cut from one material, laid out as tightly as the time allows. */
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { onDestroy, untrack } from 'svelte';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { sheetOfOffcut, usableArea } from '$core/engines/layout/offcut.ts';
	import {
		areaOfPieces,
		layGroups,
		partsOf,
		quantityLaid,
		stockOfMaterial
	} from '$core/answers/layPieces.ts';
	import { useOfPlan } from '$core/engines/layout/cutSheets.ts';
	import type { LayPlan } from '$core/facts/layout.ts';
	import { PLAIN_LAY } from '$core/facts/layout.ts';
	import { freshSheets, type Unplaced } from '$core/engines/layout/stock.ts';
	import type { Placement } from '$core/facts/layout.ts';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import { sayOf } from '$core/units/problem.ts';
	import { formatLength, formatSmallArea } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { densityFigure, rollFigure } from '$core/explain/layout.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import KeptLayouts from '$lib/ui/lay/KeptLayouts.svelte';
	import LayMat from '$lib/ui/lay/LayMat.svelte';
	import { LaySettingsForm, usualSettings } from '$lib/ui/lay/laySettings.svelte.ts';
	import LaySettingsFields from '$lib/ui/lay/LaySettingsFields.svelte';
	import { takesWords } from '$lib/ui/lay/takesWords.ts';
	import OtherStock from '$lib/ui/lay/OtherStock.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import TaskBar from '$lib/ui/TaskBar.svelte';
	import { Task } from '$lib/ui/task.svelte.ts';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);

	const groupsWith = (settings: Parameters<typeof layGroups>[4]) =>
		layGroups(data.record.components, data.fit.shapes, fittedOf(data.fit), data.workshop.materials, settings);
	const found = $derived(groupsWith(PLAIN_LAY));
	let chosen = $state<string | number>(page.url.searchParams.get('material') ?? '');
	const material = $derived(
		(
			found.groups.find((g) => g.material.id === Number(chosen)) ??
			found.groups.find(
				(g) => g.material.id === data.open[0]?.materialId && page.url.searchParams.has('open')
			) ??
			found.groups[0]
		)?.material
	);
	const materialId = $derived(material?.id);
	const roll = $derived(material?.lengthMm === null);
	const kept = $derived(data.open.find((l) => l.materialId === materialId));
	/** For each material anew: as its kept layout was laid, else as is usual. */
	const form = $derived.by(() => {
		if (materialId === undefined) return null;
		return untrack(() => new LaySettingsForm(unit, kept?.plan.settings ?? usualSettings(material!)));
	});
	const settings = $derived(form?.read.settings ?? null);
	/** Of sheets no setting changes how the pieces are. */
	const group = $derived(
		(roll && settings ? groupsWith(settings) : found).groups.find((g) => g.material.id === materialId)
	);
	let leftOut = $state.raw<readonly number[]>([]);
	let unused = $state.raw<readonly number[]>([]);
	const components = $derived(
		data.record.components.filter((c) => group?.pieces.some((p) => p.componentId === c.id))
	);
	const pieces = $derived(group?.pieces.filter((p) => !leftOut.includes(p.componentId)) ?? []);
	const copies = $derived(pieces.reduce((sum, p) => sum + p.quantity, 0));
	const area = $derived(areaOfPieces(pieces));
	const offcuts = $derived(data.offcuts.filter((o) => o.materialId === materialId));
	const stock = $derived(
		material && settings
			? stockOfMaterial(material, offcuts.filter((o) => !unused.includes(o.id)).map(sheetOfOffcut), settings)
			: null
	);
	const sized = $derived(material ? stockOfMaterial(material, [], PLAIN_LAY) !== null : false);

	let seconds = $state<string | number>('3');
	let seed = 1;
	const task = new Task<'layout'>();
	onDestroy(() => task.stop());
	/** What lies on the mat, with all that it was laid by; what was moved by hand goes back step by step. */
	let laid = $state.raw<{ plan: LayPlan; unplaced: readonly Unplaced[]; of: number } | null>(null);
	let before = $state.raw<LayPlan[]>([]);
	let locked = $state.raw<readonly string[]>([]);
	const plan = $derived(laid && laid.of === materialId ? laid.plan : null);
	const use = $derived(plan && useOfPlan(plan));
	const fresh = $derived(plan && use ? freshSheets(use, plan.stock.sheets.length) : 0);
	const quantity = $derived(
		plan && use && material ? quantityLaid(material, plan.stock, use, plan.settings) : 0
	);
	const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
	/** The pattern, the offcuts or what was said have changed since. */
	const stale = $derived(
		plan !== null &&
			settings !== null &&
			!(same(plan.pieces, pieces) && same(plan.stock, stock) && same(plan.settings, settings))
	);
	const keyOf = (p: Placement) => `${p.piece} · ${p.copy}`;

	async function lay() {
		if (!stock || !settings || pieces.length === 0 || materialId === undefined) return;
		const of = materialId;
		const own = $state.snapshot({ settings, stock, pieces }) as Omit<LayPlan, 'placements'>;
		const keep = stale ? [] : (plan?.placements.filter((p) => locked.includes(keyOf(p))) ?? []);
		if (stale) locked = [];
		before = [];
		const show = ({ layout }: { layout: { placements: Placement[]; unplaced: Unplaced[] } }) =>
			(laid = { plan: { ...own, placements: layout.placements }, unplaced: layout.unplaced, of });
		// Each time another seed: what is laid again is not the same again.
		const request = { ...own, stock: [own.stock], ...own.settings, seed: seed++, locked: keep };
		const { gap, edge, pieces: all, stock: stocks, locked: held } = request;
		const done = await task.start(
			() => new Worker(new URL('../../../../workers/layout.worker.ts', import.meta.url), { type: 'module' }),
			async () => ({
				kind: 'layout',
				task: { stock: stocks, pieces: all, gap, edge, seed: request.seed, locked: held },
				seconds: Number(seconds)
			}),
			show
		);
		if (done) show(done);
	}
	/** A material that is opened shows what was kept of it; else it is laid at once, which takes less than the look at it. */
	$effect(() => {
		if (materialId === undefined) return;
		untrack(() => {
			[leftOut, unused, locked, before] = [[], [], [], []];
			if (kept) laid = { plan: kept.plan, unplaced: [], of: kept.materialId };
			else void lay();
		});
	});
	const lock = (key: string) =>
		(locked = locked.includes(key) ? locked.filter((k) => k !== key) : [...locked, key]);
	function moved(to: Placement) {
		if (!laid) return;
		before = [...before, laid.plan];
		const placements = laid.plan.placements.map((p) => (keyOf(p) === keyOf(to) ? to : p));
		laid = { ...laid, plan: { ...laid.plan, placements } };
		if (!locked.includes(keyOf(to))) lock(keyOf(to));
	}
	function takeBack() {
		const last = before[before.length - 1];
		if (!last || !laid) return;
		laid = { ...laid, plan: last };
		before = before.slice(0, -1);
	}
	const toggled = (list: readonly number[], id: number) =>
		list.includes(id) ? list.filter((own) => own !== id) : [...list, id];
</script>

<!-- What was moved by hand is nearer than what was written before: Ctrl or ⌘ Z takes it back first. -->
<svelte:window
	onkeydowncapture={(event) => {
		if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.key.toLowerCase() !== 'z') return;
		if (before.length === 0 || event.target instanceof HTMLInputElement) return;
		event.preventDefault();
		event.stopPropagation();
		takeBack();
	}}
/>
<svelte:head><title>Lay · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if !material || !group || !form}
	<Sheet title="Lay out">
		<p>
			There is nothing to lay out yet: <a href="{base}/pattern">shape or bring in pieces</a> and say what they are
			cut from.
		</p>
		{#if found.without}<p class="small soft">{found.without} pieces have no material yet.</p>{/if}
	</Sheet>
{:else}
	<div class="desk">
		<div class="left">
			<Sheet title="Lay out">
				<Field
					name="material"
					label="Cut from"
					options={found.groups.map((g) => ({ value: g.material.id, label: g.material.name }))}
					value={material.id}
					onchange={(value) => {
						task.stop();
						chosen = value;
					}}
				/>
				<p class="of">
					<b>{copies} {copies === 1 ? 'piece' : 'pieces'}</b>, {formatSmallArea(area, unit)} in all{stock
						? stock.roll !== null
							? `, on ${settings?.folded ? 'folded cloth' : 'a roll'} ${length(stock.roll)} wide`
							: `, on sheets of ${length(stock.more!.width)} × ${length(stock.more!.height)}`
						: ''}.
				</p>
				{#if !sized}
					<p class="warn small">
						Nobody has said how large it comes: give its width, and of a sheet its length, in <a href="/stash"
							>Stash</a
						>.
					</p>
				{:else}
					{#if components.length > 1}
						<details class="choice">
							<summary>
								{leftOut.length
									? `${components.length - leftOut.length} of ${components.length} components`
									: `All ${components.length} components`}
							</summary>
							{#each components as c (c.id)}
								<label class="tick"
									><input
										type="checkbox"
										checked={!leftOut.includes(c.id)}
										onchange={() => (leftOut = toggled(leftOut, c.id))}
									/>
									{c.code}
									{c.name}</label
								>
							{/each}
						</details>
					{/if}
					{#if offcuts.length && !settings?.folded}
						<details class="choice" open>
							<summary>Offcuts from the stash, filled first</summary>
							{#each offcuts as o (o.id)}
								<label class="tick"
									><input
										type="checkbox"
										checked={!unused.includes(o.id)}
										onchange={() => (unused = toggled(unused, o.id))}
									/>
									{o.name}, {formatSmallArea(usableArea(o), unit)}
									{#if o.note}<span class="soft">{o.note}</span>{/if}</label
								>
							{/each}
						</details>
					{/if}
					<LaySettingsFields {form} {roll} />
					<p class="gap"></p>
					<Field
						name="seconds"
						label="Look for"
						options={[
							{ value: '3', label: '3 seconds' },
							{ value: '10', label: '10 seconds' },
							{ value: '60', label: 'a minute' },
							{ value: '300', label: '5 minutes' }
						]}
						bind:value={seconds}
					/>
					{#if stale}<p class="warn small">
							What lies there was laid otherwise: pieces, offcuts or settings have changed since.
						</p>{/if}
					<TaskBar
						{task}
						label={locked.length && plan && !stale
							? 'Lay the rest again'
							: plan
								? 'Lay it again'
								: 'Lay it out'}
						going="Laying out"
						onstart={lay}
						disabled={!settings || pieces.length === 0}
					/>
				{/if}
				{#if found.without}<p class="small soft">
						{found.without} pieces of this costume have no material yet: say it at their shape.
					</p>{/if}
			</Sheet>
			<KeptLayouts layouts={data.layouts} materials={data.workshop.materials} {base} {unit} />
		</div>
		<div class="right">
			{#if plan && use}
				<Sheet title="{material.name}, {task.progress === null ? 'laid out' : 'best so far'}">
					<p class="result">
						<b class="lead" aria-live="polite"
							>{takesWords(use, plan.stock.sheets.length, plan.stock.roll !== null, unit)}</b
						>
						<Working figure={densityFigure(plan, unit)} text="{formatNumber(use.density * 100, 1)} %" /> of it becomes
						pieces{plan.stock.roll === null
							? `; the last sheet is used for ${length(use.usedLength)} of its length`
							: ''}.
						{#if fresh && plan.stock.roll !== null && (plan.settings.shrinkLength || plan.settings.repeat)}
							To buy: <Working figure={rollFigure(plan, unit)} />.
						{/if}
					</p>
					{#each laid?.unplaced ?? [] as u (u.piece + u.copy)}<p class="warn small">
							{u.piece}, copy {u.copy}: {sayOf(`lay.${u.why}`)}
						</p>{/each}
					<LayMat
						placements={plan.placements}
						pieces={plan.pieces}
						stock={plan.stock}
						settings={plan.settings}
						{use}
						{locked}
						busy={task.progress !== null}
						onlock={lock}
						onmove={moved}
					/>
					<p class="small soft">
						{locked.length
							? `${locked.length} ${locked.length === 1 ? 'piece stays' : 'pieces stay'} where ${locked.length === 1 ? 'it is' : 'they are'} when the rest is laid again. `
							: ''}Check grain, nap and print by eye before you cut.
						{#if plan.settings.repeat}The print repeats every {length(plan.settings.repeat)}: move pieces that
							meet at a seam so that their notches lie at the same height of it.{/if}
					</p>
					{#if task.progress === null}
						<div class="ends">
							{#if before.length}<button class="button" type="button" onclick={takeBack}
									><Undo2 size={16} /> Back by one move</button
								>{/if}
							{#if quantity > 0}
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
				{#if !roll && settings}
					<OtherStock
						{material}
						{pieces}
						{settings}
						materials={data.workshop.materials}
						workshop={data.workshop}
						currency={data.record.costume.currency}
						{unit}
					/>
				{/if}
			{:else}
				<Sheet title="Layout">
					<p class="soft">
						{pieces.length
							? 'The first whole layout comes at once; it becomes tighter for as long as you let it look.'
							: 'Every component is left out: tick one.'}
					</p>
				</Sheet>
			{/if}
		</div>
	</div>
{/if}

<style>
	.desk {
		display: grid;
		grid-template-columns: minmax(260px, 4fr) 9fr;
		gap: 16px;
		align-items: start;
	}
	.left,
	.right {
		min-width: 0;
		display: grid;
		gap: 16px;
	}
	.of {
		margin-top: 8px;
	}
	.choice {
		margin-top: 8px;
	}
	.choice summary {
		cursor: pointer;
		min-height: 30px;
		font-weight: 600;
		font-size: var(--s13);
	}
	.tick {
		display: flex;
		gap: 6px;
		align-items: center;
		min-height: 28px;
		font-size: var(--s13);
	}
	.gap {
		height: 10px;
	}
	.lead {
		font-family: var(--head);
		font-size: var(--s24);
		margin-right: 8px;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
	}
	.ends {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 12px;
		justify-content: flex-end;
		align-items: end;
		margin-top: 12px;
	}
	:global(form.keep) {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: end;
	}
	@media (max-width: 900px) {
		.desk {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
