<script lang="ts">
	/** What is cut from one material, laid out as tightly as the time allows. */
	import { onDestroy, untrack } from 'svelte';
	import { page } from '$app/state';
	import { sheetOfOffcut } from '$core/engines/layout/offcut.ts';
	import { areaOfPieces, layGroups, stockOfMaterial } from '$core/answers/layPieces.ts';
	import { PLAIN_LAY } from '$core/facts/layout.ts';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import KeptLayouts from '$lib/ui/lay/KeptLayouts.svelte';
	import { LaySettingsForm, usualSettings } from '$lib/ui/lay/laySettings.svelte.ts';
	import OtherStock from '$lib/ui/lay/OtherStock.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import { Task } from '$lib/ui/task.svelte.ts';
	import type { PageData } from './$types';
	import Desk from '$lib/ui/Desk.svelte';
	import LayChoices from './LayChoices.svelte';
	import OnTheMat from './OnTheMat.svelte';
	import { LayDesk } from '$lib/ui/lay/layDesk.svelte.ts';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);

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
	const task = new Task<'layout'>();
	onDestroy(() => task.stop());
	const desk = new LayDesk({
		materialId: () => materialId,
		toLay: () =>
			stock && settings && materialId !== undefined ? { materialId, pieces, stock, settings } : null
	});

	async function lay() {
		const begun = desk.begin();
		if (!begun) return;
		const { pieces, stock, settings, seed, locked } = begun.task;
		const { gap, edge } = settings;
		const done = await task.start(
			() => new Worker(new URL('../../../../workers/layout.worker.ts', import.meta.url), { type: 'module' }),
			async () => ({
				kind: 'layout',
				task: { stock: [stock], pieces, gap, edge, seed, locked },
				seconds: Number(seconds)
			}),
			({ layout }) => begun.show(layout)
		);
		if (done) begun.show(done.layout);
	}
	/** A material that is opened shows what was kept of it; else it is laid at once, which takes less than the look at it. */
	$effect(() => {
		if (materialId === undefined) return;
		untrack(() => {
			[leftOut, unused] = [[], []];
			desk.open(kept);
			if (!kept) void lay();
		});
	});
</script>

<!-- What was moved by hand is nearer than what was written before: Ctrl or ⌘ Z takes it back first. -->
<svelte:window
	onkeydowncapture={(event) => {
		if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.key.toLowerCase() !== 'z') return;
		if (!desk.movedByHand || event.target instanceof HTMLInputElement) return;
		event.preventDefault();
		event.stopPropagation();
		desk.takeBack();
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
	<Desk sides="minmax(260px, 4fr) 9fr">
		<div class="stack">
			<LayChoices
				materials={found.groups.map((g) => g.material)}
				{material}
				{copies}
				{area}
				{components}
				bind:leftOut
				{offcuts}
				bind:unused
				{stock}
				{sized}
				without={found.without}
				{form}
				{desk}
				{task}
				bind:seconds
				{unit}
				onchoose={(value) => {
					// The one that lies there already goes on being laid.
					if (Number(value) !== materialId) task.stop();
					chosen = value;
				}}
				onlay={lay}
			/>
			<KeptLayouts layouts={data.layouts} materials={data.workshop.materials} {base} {unit} />
		</div>
		<div class="stack">
			{#if desk.plan && desk.use}
				<OnTheMat
					{material}
					plan={desk.plan}
					use={desk.use}
					{desk}
					busy={task.progress !== null}
					{base}
					{unit}
				/>
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
	</Desk>
{/if}
