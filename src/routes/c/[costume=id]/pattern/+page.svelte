<script lang="ts">
	import pluralize from 'pluralize';
	import Plus from '@lucide/svelte/icons/plus';
	import Printer from '@lucide/svelte/icons/printer';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import { say } from '$core/units/problem.ts';
	import { shaperOf } from '$core/engines/shapers/shapers.ts';
	import { driversOf } from '$core/engines/pattern/drivers.ts';
	import { piecesOf } from '$core/answers/shapePieces.ts';
	import { formatLength, formatSmallArea, unitFor } from '$core/units/measure.ts';
	import Recut from '$lib/ui/Recut.svelte';
	import Pieces from '$lib/ui/Pieces.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const components = $derived(data.record.components);
	const wearers = $derived(fittedOf(data.fit));
	const groups = $derived(
		inLedgerOrder(components).flatMap(({ item: component }) => {
			const shapes = piecesOf(
				data.fit.shapes.filter((s) => s.componentId === component.id),
				{ component, components, wearers, materials: data.workshop.materials }
			);
			return shapes.length ? [{ component, shapes }] : [];
		})
	);
	const without = $derived(
		inLedgerOrder(components)
			.map((n) => n.item)
			.filter(
				(c) =>
					c.source !== 'buy' && c.source !== 'have' && !data.fit.shapes.some((s) => s.componentId === c.id)
			)
	);
	const count = $derived(
		groups.flatMap((g) => g.shapes.flatMap((s) => s.pieces)).reduce((sum, p) => sum + p.count, 0)
	);
	const failing = $derived(groups.flatMap((g) => g.shapes).filter((s) => !s.done.ok).length);
</script>

<svelte:head><title>Pattern · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Pattern">
	{#snippet tools()}
		{#if count}<a class="button" href="{base}/pattern/print"><Printer size={16} /> Print</a>{/if}
		<a class="button main" href="{base}/pattern/new" data-add><Plus size={16} /> Shape</a>
	{/snippet}
	{#if groups.length}
		<p class="lead">
			{pluralize('piece', count, true)} to cut{failing
				? `, ${failing} ${failing === 1 ? 'shape gives' : 'shapes give'} none`
				: ''}.
		</p>
		<p class="small soft">
			Worked out from their shapes{wearers[0] ? `, for ${wearers[0].name}` : ''}: when a measure or a layer
			beneath changes, the pieces that follow it change.
		</p>
	{:else}
		<p>
			No shapes yet. A shape makes exact pieces from a few sizes: a bracer from two girths, a dome from gores,
			a skirt from its waist. It can follow the wearer’s measures.
		</p>
	{/if}
</Sheet>
{#if data.recut.pieces.length}
	<Sheet title="Cut before it was measured anew">
		<Recut pieces={data.recut.pieces} totals={data.recut.totals} {unit} {base} />
	</Sheet>
{/if}
<div class="groups">
	{#each groups as { component, shapes } (component.id)}
		<Sheet>
			<p class="row between">
				<Tag {component} href="{base}/look/{component.id}" />
				<a class="button quiet small" href="{base}/pattern/new?of={component.id}"><Plus size={14} /> Shape</a>
			</p>
			<ul>
				{#each shapes as { shape, done, pieces } (shape.id)}
					<li>
						<a class="card" href="{base}/pattern/{shape.id}">
							{#if done.ok}
								{@const d = driversOf(done.value.pieces)}
								<Pieces {pieces} label="Pieces of {shape.name || shaperOf(shape.shaper).name}" small />
								<b>{shape.name || shaperOf(shape.shaper).name}</b>
								<span class="small soft"
									>{pluralize('piece', d.pieces, true)} ·
									<span class="figure">{formatSmallArea(d.area, unit)}</span>
									·
									<span class="figure"
										>{formatLength(
											d.outline,
											unitFor(d.outline, unit, data.workshop.settings.clothUnit)
										)}</span
									> to cut</span
								>
							{:else}
								<b>{shape.name || shaperOf(shape.shaper).name}</b>
								<span class="error">{say(done.problem)}</span>
							{/if}
						</a>
					</li>
				{/each}
			</ul>
		</Sheet>
	{/each}
</div>
{#if groups.length && without.length}
	<Sheet title="No shape yet" level={3}>
		<p class="row">
			{#each without as component (component.id)}<Tag
					{component}
					href="{base}/pattern/new?of={component.id}"
				/>{/each}
		</p>
	</Sheet>
{/if}

<style>
	.lead {
		font-family: var(--head);
		font-size: 1.35rem;
		font-weight: 700;
	}
	.groups {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 340px), 1fr));
		gap: 16px;
		align-items: start;
	}
	ul {
		list-style: none;
		margin: 12px 0 0;
		padding: 0;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 200px), 1fr));
		gap: 12px;
	}
	.card {
		display: grid;
		gap: 4px;
		color: inherit;
		text-decoration: none;
	}
	.card:hover b {
		text-decoration: underline;
	}
	.between {
		justify-content: space-between;
	}
	.error {
		color: var(--red-ink);
	}
</style>
