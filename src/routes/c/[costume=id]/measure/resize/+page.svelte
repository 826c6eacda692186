<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { definitionOf, latest, type MeasureKey } from '$core/facts/bodyMeasure.ts';
	import { wearersOf } from '$core/facts/measureRecord.ts';
	import { NOT_SCALED, printPercent, resize, WARN_PERCENT } from '$core/engines/body/resize.ts';
	import { shaperOf } from '$core/engines/shapers/shapers.ts';
	import type { StoredShape } from '$core/facts/shape.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';
	import NewNominalSize from './NewNominalSize.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import ResizeTable from './ResizeTable.svelte';
	import NewNominal from './NewNominal.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const wearers = $derived(wearersOf(data.fit));
	let wearerId = $state('');
	const wearer = $derived(wearers.find((w) => String(w.id) === wearerId) ?? wearers[0]);
	let adding = $state(false);
	let sizing = $state(false);
	/** The wearer's measure: the larger side, because a pattern is printed once for both. */
	const body = (key: MeasureKey) => {
		if (!wearer) return null;
		const sides = definitionOf(key).sided ? (['left', 'right'] as const) : (['none'] as const);
		const found = sides.flatMap((side) => latest(wearer.measures, key, side)?.mm ?? []);
		return found.length ? Math.max(...found) : null;
	};
	const groups = $derived(
		inLedgerOrder(data.record.components).flatMap(({ item }) => {
			const rows = data.fit.nominals
				.filter((n) => n.componentId === item.id)
				.map((n) => ({ ...n, body: body(n.measure) }));
			if (rows.length === 0) return [];
			const known = rows.flatMap((r) =>
				r.body === null
					? []
					: [
							{
								direction: r.direction,
								nominal: r.nominalMm,
								madeFor: r.madeFor,
								body: r.body,
								ease: r.easeMm
							}
						]
			);
			return [{ component: item, rows, result: resize(known) }];
		})
	);
	const options = $derived(
		inLedgerOrder(data.record.components).map(({ item }) => ({
			value: item.id,
			label: `${item.code} ${item.name}`
		}))
	);
	const WARNING = {
		outsideWarn: `Outside ${WARN_PERCENT[0]} to ${WARN_PERCENT[1]} %: its shape is lost. Draft it anew, or look for another size.`,
		outsideUsual: 'Larger than usual (75 to 105 %): make a mock-up first.',
		spread:
			'The factors lie more than 5 % apart: one print cannot serve them all. Take the largest and take in the rest.'
	};
	const percent = (factor: number) => `${formatNumber(printPercent(factor), 1)} %`;
	/** Patterns that were brought in: what a shaper makes follows the wearer by itself. */
	const broughtOf = (componentId: number) =>
		data.fit.shapes.filter((s) => s.componentId === componentId && s.drawn !== null);
	const resizedTo = (shape: StoredShape) => {
		const work = shape.works.find((w) => w.kind === 'resize');
		return work ? `${percent(work.width)} × ${percent(work.height)}` : null;
	};
</script>

<svelte:head><title>Resize · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Resize a pattern">
	{#snippet tools()}
		{#if wearers.length > 1}
			<label class="small"
				>For
				<select bind:value={wearerId}>
					{#each wearers as w (w.id)}<option value={String(w.id)}>{w.name}</option>{/each}
				</select></label
			>
		{/if}
		<button class="button small" onclick={() => (sizing = true)}>By clothes size</button>
		<button class="button main small" data-add onclick={() => (adding = true)}
			><Plus size={14} /> Pattern measure</button
		>
	{/snippet}
	{#if !wearer}
		<p><a href="{base}/measure">Say who wears it</a> first: the pattern is resized to their measures.</p>
	{:else if groups.length === 0}
		<p>
			A bought or older pattern was made for other girths. Enter what it was made for, and the ease you want:
			this gives the size to print it at, for width and height apart.
		</p>
	{/if}
	{#each groups as { component, rows, result } (component.id)}
		<section>
			<div class="head">
				<Tag {component} href="{base}/look/{component.id}" />
				<p class="print">
					{#if result.same}print at <b>{percent(result.width!)}</b>
					{:else}
						{#if result.width !== null}<span>width <b>{percent(result.width)}</b></span>{/if}
						{#if result.height !== null}<span>height <b>{percent(result.height)}</b></span>{/if}
					{/if}
				</p>
			</div>
			{#each broughtOf(component.id) as shape (shape.id)}
				{@const width = result.width ?? result.height}
				{@const height = result.height ?? result.width}
				{#if width !== null && height !== null}
					<div class="apply">
						<Act command="resizeShape" id={shape.id} version={shape.version} hidden={{ width, height }}
							>Resize the pieces of {shape.name || shaperOf(shape.shaper).name} to {percent(width)} × {percent(
								height
							)}</Act
						>
						{#if resizedTo(shape)}<span class="small soft">now at {resizedTo(shape)}</span>{/if}
					</div>
				{/if}
			{/each}
			{#each result.warnings as w (w)}<Notice>{WARNING[w]}</Notice>{/each}
			<ResizeTable {rows} {wearer} {base} {unit} />
		</section>
	{/each}
	{#if groups.length}
		<div class="keeps">
			<h3>What keeps its size</h3>
			<p class="small">{NOT_SCALED.join(' · ')}. Add the seam allowance after resizing (common practice).</p>
		</div>
	{/if}
</Sheet>

<NewNominal bind:open={adding} {options} />
<NewNominalSize bind:open={sizing} {options} />

<style>
	.apply {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 12px;
		align-items: center;
		margin: 4px 0;
	}
	section {
		margin-top: 16px;
	}
	.head {
		display: flex;
		justify-content: space-between;
		gap: 4px 16px;
		flex-wrap: wrap;
		align-items: center;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 6px;
	}
	.print {
		display: flex;
		gap: 16px;
	}
	.print b {
		font: 600 var(--s24) / 1 var(--head);
	}
	.keeps {
		margin-top: 16px;
	}
	label select {
		width: auto;
	}
</style>
