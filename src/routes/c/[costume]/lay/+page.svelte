<script lang="ts">
	/** What is cut from one material, laid out as tightly as the time allows. */
	import Download from '@lucide/svelte/icons/download';
	import { onDestroy, untrack } from 'svelte';
	import { layoutSvg } from '$core/formats/layoutSvg.ts';
	import { layGroups, partsOf, quantityLaid, stockOfMaterial } from '$core/layout/pieces.ts';
	import type { Layout } from '$core/layout/stock.ts';
	import { wearersOf } from '$core/measure/body/measureRecord.ts';
	import { say } from '$core/messages.ts';
	import { formatLength, formatSmallArea, parseLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import LaySheets from '$lib/ui/LaySheets.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import TaskBar from '$lib/ui/TaskBar.svelte';
	import { Task } from '$lib/ui/task.svelte.ts';
	import Tick from '$lib/ui/Tick.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);

	let oneWay = $state(false);
	const found = $derived(
		layGroups(data.record.components, data.fit.shapes, wearersOf(data.fit), data.workshop.materials, oneWay)
	);
	let chosen = $state<string | number>('');
	const group = $derived(found.groups.find((g) => g.material.id === Number(chosen)) ?? found.groups[0]);
	const stock = $derived(group ? stockOfMaterial(group.material) : null);
	const copies = $derived(group?.pieces.reduce((sum, p) => sum + p.quantity, 0) ?? 0);

	let gapText = $state('3 mm');
	let edgeText = $state('5 mm');
	let seconds = $state<string | number>('5');
	let seed = 1;
	const gap = $derived(parseLength(gapText, unit));
	const edge = $derived(parseLength(edgeText, unit));

	const task = new Task<'layout'>();
	onDestroy(() => task.stop());
	let result = $state.raw<{ layout: Layout; seconds: number; of: number } | null>(null);
	let locked = $state.raw<string[]>([]);
	/** What was laid of another material is no layout of this one. */
	const shown = $derived(result && result.of === group?.material.id ? result.layout : null);
	const use = $derived(shown?.stock[0]);
	const quantity = $derived(group && use ? quantityLaid(group.material, use) : 0);

	async function lay() {
		if (!group || !stock || !gap.ok || !edge.ok) return;
		const of = group.material.id;
		const kept = shown?.placements.filter((p) => locked.includes(`${p.piece} · ${p.copy}`)) ?? [];
		// Each time another seed: what is laid again is not the same again.
		const own = {
			stock: [stock],
			pieces: $state.snapshot(group.pieces),
			gap: gap.value,
			edge: edge.value,
			seed: seed++,
			locked: kept
		};
		const done = await task.start(
			() => new Worker(new URL('../../../../workers/layout.worker.ts', import.meta.url), { type: 'module' }),
			async () => ({ kind: 'layout', task: own, seconds: Number(seconds) }),
			(best) => (result = { ...best, of })
		);
		if (done) result = { ...done, of };
	}
	/** A material that is opened is laid at once: the first whole layout takes less than the look at it. */
	$effect(() => {
		if (group?.material.id) untrack(lay);
	});
	/** The layout as a file: it is made here, as it is nowhere else. */
	function save() {
		if (!group || !stock || !shown || !use) return;
		const title = `${data.record.costume.name}, ${group.material.name}`;
		const svg = layoutSvg(shown.placements, group.pieces, stock, use, title);
		const href = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
		const link = document.createElement('a');
		link.href = href;
		link.download = `${title.replace(/[^\p{L}\p{N} ]/gu, '').trim()} layout.svg`;
		link.click();
		URL.revokeObjectURL(href);
	}
	const lock = (key: string) =>
		(locked = locked.includes(key) ? locked.filter((k) => k !== key) : [...locked, key]);
</script>

<svelte:head><title>Lay · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if !group}
	<Sheet title="Lay out">
		<p>
			There is nothing to lay out yet: <a href="{base}/pattern">shape or bring in pieces</a> and say what they are
			cut from.
		</p>
		{#if found.without}<p class="small soft">{found.without} pieces have no material yet.</p>{/if}
	</Sheet>
{:else}
	<div class="desk">
		<Sheet title="Lay out">
			<Field
				name="material"
				label="Cut from"
				options={found.groups.map((g) => ({ value: g.material.id, label: g.material.name }))}
				value={group.material.id}
				onchange={(value) => {
					task.stop();
					chosen = value;
					locked = [];
				}}
			/>
			<p>
				<b>{copies} {copies === 1 ? 'piece' : 'pieces'}</b>, {formatSmallArea(group.area, unit)} in all{stock
					? stock.roll !== null
						? `, on a roll ${length(stock.roll)} wide`
						: `, on sheets of ${length(stock.more!.width)} × ${length(stock.more!.height)}`
					: ''}.
			</p>
			{#if !stock}
				<p class="warn small">
					Nobody has said how large it comes: give its width, and of a sheet its length, in <a href="/stash"
						>Stash</a
					>.
				</p>
			{:else}
				<div class="fields">
					<Field
						name="gap"
						label="Between pieces"
						bind:value={gapText}
						hint={gap.ok ? 'for the blade or the scissors' : say(gap.problem)}
					/>
					<Field
						name="edge"
						label="To the border"
						bind:value={edgeText}
						hint={edge.ok ? (stock.roll === null ? undefined : 'the selvedge') : say(edge.problem)}
					/>
					<Field
						name="seconds"
						label="Look for"
						options={[
							{ value: '5', label: '5 seconds' },
							{ value: '15', label: '15 seconds' },
							{ value: '60', label: 'a minute' },
							{ value: '300', label: '5 minutes' }
						]}
						bind:value={seconds}
					/>
				</div>
				{#if stock.roll !== null}<Tick
						name="oneWay"
						label="Nap or print runs one way"
						bind:checked={oneWay}
					/>{/if}
				<TaskBar
					{task}
					label={locked.length && shown ? 'Lay the rest again' : 'Lay it out'}
					going="Laying out"
					onstart={lay}
					disabled={!gap.ok || !edge.ok}
				/>
			{/if}
			{#if found.without}<p class="small soft">
					{found.without} pieces of this costume have no material yet: say it at their shape.
				</p>{/if}
		</Sheet>
		<div class="right">
			{#if shown && use && stock}
				<Sheet title="{group.material.name}, {task.progress === null ? 'laid out' : 'best so far'}">
					<p>
						<b class="lead" aria-live="polite"
							>{stock.roll === null
								? `${use.sheets} ${use.sheets === 1 ? 'sheet' : 'sheets'}`
								: length(use.usedLength)}</b
						>
						{formatNumber(use.density * 100, 1)} % of it becomes pieces{stock.roll === null
							? `; the last sheet is used for ${length(use.usedLength)} of its length`
							: ''}.
					</p>
					{#each shown.unplaced as u (u.piece + u.copy)}<p class="warn small">
							{u.piece}, copy {u.copy}: {say({ code: `lay.${u.why}`, path: [] })}
						</p>{/each}
					<LaySheets
						placements={shown.placements}
						pieces={group.pieces}
						{stock}
						{use}
						{locked}
						onlock={lock}
					/>
					<p class="small soft">
						Choose pieces to keep where they are, and lay the rest again around them{locked.length
							? `: ${locked.length} kept`
							: ''}. Check grain, nap and print by eye before you cut.
					</p>
					{#if task.progress === null && quantity > 0}
						<p class="row">
							<button class="button" type="button" onclick={save}><Download size={16} /> SVG at 1:1</button>
							<span class="small soft"
								>Every sheet with its cut lines, in mm, for a cutter or a drawing program.</span
							>
						</p>
						<Form
							command="takeLayout"
							label="Take over into needs"
							hidden={{ materialId: group.material.id, parts: JSON.stringify(partsOf(group, quantity)) }}
						>
							<p class="row end">
								<button class="button main"
									>Need {formatNumber(quantity, 2)}
									{group.material.unit} of it</button
								>
							</p>
						</Form>
					{/if}
				</Sheet>
			{:else}
				<Sheet title="Layout">
					<p class="soft">
						The first whole layout comes at once; it becomes tighter for as long as you let it look.
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
	.right {
		min-width: 0;
	}
	.fields {
		margin-top: 12px;
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
	.end {
		justify-content: flex-end;
		margin-top: 12px;
	}
	@media (max-width: 900px) {
		.desk {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
