<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import { page } from '$app/state';
	import { goto } from '$app/navigation';
	import { tagWords, inLedgerOrder } from '$core/facts/component.ts';
	import { calloutNumbers } from '$core/answers/callouts.ts';
	import { referencesOf } from '$core/facts/picture.ts';
	import { dayOf, dayWords } from '$core/units/localTime.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { componentHoursFigure } from '$core/explain/plan.ts';
	import { lookViews } from '$lib/lookViews.ts';
	import AssembledOutlines from '$lib/ui/stand/AssembledOutlines.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { PageData } from './$types';
	import NumberedPicture from './NumberedPicture.svelte';
	import Table from '$lib/ui/Table.svelte';

	let { data }: { data: PageData } = $props();
	const costume = $derived(data.record.costume);
	const base = $derived(`/c/${costume.id}`);
	const picture = $derived(
		data.look.pictures.find((p) => String(p.id) === page.url.searchParams.get('picture')) ??
			referencesOf(data.look.pictures)[0]
	);
	const callouts = $derived(
		data.look.callouts.filter((c) => c.pictureId === picture?.id && c.componentId !== null)
	);
	const numbers = $derived(calloutNumbers(callouts));
	/** Numbered ones first, in their order; then those that this picture does not show. */
	const rows = $derived(
		inLedgerOrder(data.record.components)
			.map(({ item, depth }) => ({ item, depth, number: numbers.get(item.id) ?? null }))
			.sort((a, b) => (a.number ?? 9999) - (b.number ?? 9999))
	);
	const stuff = (id: number) =>
		data.record.needs
			.filter((n) => n.componentId === id)
			.map((n) => data.workshop.materials.find((m) => m.id === n.materialId)?.name)
			.filter(Boolean)
			.join(', ');
</script>

<svelte:head><title>Breakdown sheet · {costume.name} · Dapper Ledger</title></svelte:head>

<Views label="Look" views={lookViews(base)} />
<Sheet>
	<header class="no-print">
		{#if referencesOf(data.look.pictures).length > 1}
			<label
				>Picture
				<select
					value={String(picture?.id)}
					onchange={(e) => goto(`?picture=${e.currentTarget.value}`, { noScroll: true, replaceState: true })}
				>
					{#each referencesOf(data.look.pictures) as p (p.id)}<option value={String(p.id)}
							>{p.title || `Picture, ${p.angle}`}</option
						>{/each}
				</select></label
			>
		{/if}
		<button class="button main small" onclick={() => window.print()}><Printer size={14} /> Print</button>
	</header>
	<div class="page" data-own-head>
		<div class="title">
			<h2>{costume.name}</h2>
			<p>
				{[costume.wearer && `for ${costume.wearer}`, costume.eventName, dayWords(dayOf(costume.eventAt))]
					.filter(Boolean)
					.join(' · ')}
			</p>
		</div>
		<div class="body" class:bare={!picture && !data.shaped}>
			{#if picture || data.shaped}
				<div class="stack">
					{#if picture}<NumberedPicture {picture} {callouts} {numbers} />{/if}
					{#if data.shaped}
						<figure class="worn">
							<AssembledOutlines {base} />
							<figcaption class="small">
								On the wearer, from the front, the left and the back: what is shaped so far.
							</figcaption>
						</figure>
					{/if}
				</div>
			{/if}
			{#if !picture}
				<p class="no-print">
					No picture yet: <a href="{base}/look/pictures">add one and place the components on it</a>. The table
					below prints without.
				</p>
			{/if}
			<Table>
				{#snippet heads()}<th class="number">No.</th><th>Code</th><th>Component</th><th>Get</th><th
						class="number">Layer</th
					><th>Form and materials</th><th class="number">Hours</th>{/snippet}
				{#each rows as { item, number } (item.id)}
					{@const hours = valueOf(componentHoursFigure(item, data.record, data.plan))}
					<tr>
						<td class="number">{number ?? ''}</td>
						<td class="figure code">{item.code}</td>
						<td><b>{item.name}</b> {tagWords(item)}</td>
						<td>{item.source}</td>
						<td class="number">{item.layer}</td>
						<td class="small">{[item.form, stuff(item.id)].filter(Boolean).join(' — ')}</td>
						<td class="number">{hours ? formatDuration(hours) : '–'}</td>
					</tr>
				{:else}<tr
						><td colspan="7">No component yet: <a href="{base}/look">break the costume down</a>.</td></tr
					>{/each}
			</Table>
		</div>
	</div>
</Sheet>

<style>
	header {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 12px;
		margin-bottom: 12px;
	}
	select {
		width: auto;
	}
	.title {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		gap: 16px;
		flex-wrap: wrap;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 4px;
		margin-bottom: 12px;
	}
	.body {
		display: grid;
		grid-template-columns: minmax(200px, 2fr) minmax(0, 3fr);
		gap: 16px;
		align-items: start;
	}
	.bare {
		grid-template-columns: minmax(0, 1fr);
	}
	.worn {
		margin: 0;
		background: #fff;
		border: 1px solid var(--rule);
		padding: 8px;
		color: #000;
		break-inside: avoid;
	}
	td,
	th {
		padding: 4px 6px;
	}
	.code {
		white-space: nowrap;
	}
	@media (max-width: 900px) {
		.body {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	@media print {
		/* Named, so that no other sheet is turned by it. */
		@page breakdown {
			size: A4 landscape;
			margin: 10mm;
		}
		.page {
			page: breakdown;
		}
		.body {
			grid-template-columns: 2fr 3fr;
		}
		.bare {
			grid-template-columns: 1fr;
		}
		.worn :global(img) {
			max-height: 42mm;
		}
		.worn {
			padding: 2mm;
		}
		.page :global(table) {
			font-size: 9pt;
		}
		td,
		th {
			padding: 1pt 4pt;
		}
		tr {
			break-inside: avoid;
		}
	}
</style>
