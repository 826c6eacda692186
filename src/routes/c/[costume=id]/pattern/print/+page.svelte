<script lang="ts">
	import Download from '@lucide/svelte/icons/download';
	import Printer from '@lucide/svelte/icons/printer';
	import { SvelteSet } from 'svelte/reactivity';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import { piecesOf } from '$core/answers/shapePieces.ts';
	import { PAPERS, tile, type PaperKey } from '$core/engines/pattern/tile.ts';
	import Pieces from '$lib/ui/Pieces.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';
	import Desk from '$lib/ui/Desk.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/pattern`);
	const wearers = $derived(fittedOf(data.fit));
	const groups = $derived(
		inLedgerOrder(data.record.components).flatMap(({ item: component }) => {
			const pieces = piecesOf(
				data.fit.shapes.filter((s) => s.componentId === component.id),
				{ component, components: data.record.components, wearers, materials: data.workshop.materials }
			).flatMap(({ shape, pieces: own }) =>
				own.map((numbered, i) => ({
					numbered,
					key: `${shape.id}.${i}`,
					href: `${base}/${shape.id}/${i + 1}`
				}))
			);
			return pieces.length ? [{ component, pieces }] : [];
		})
	);
	/** What is left out, so that a new piece is printed without being ticked. */
	const without = new SvelteSet<string>();
	const all = $derived(groups.flatMap((g) => g.pieces));
	const chosen = $derived(all.filter((p) => !without.has(p.key)));
	let paper = $state<PaperKey>('a4');
	const pages = $derived(
		chosen.length
			? tile(
					chosen.map((p) => p.numbered),
					paper
				).pages.length
			: 0
	);
	const query = $derived(
		[`paper=${paper}`, ...(chosen.length === all.length ? [] : chosen.map((p) => `piece=${p.key}`))].join('&')
	);
	const set = (keys: readonly string[], on: boolean) => {
		for (const key of keys)
			if (on) without.delete(key);
			else without.add(key);
	};
</script>

<svelte:head><title>Print the pattern · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if all.length === 0}
	<Sheet title="Print"><p>There are no pieces yet: <a href="{base}/new">shape one first</a>.</p></Sheet>
{:else}
	<Desk sides="minmax(260px, 4fr) 7fr">
		<Sheet title="Which pieces">
			{#snippet tools()}
				<button class="button small" onclick={() => without.clear()}>All</button>
				<button
					class="button small"
					onclick={() =>
						set(
							all.map((p) => p.key),
							false
						)}>None</button
				>
			{/snippet}
			{#each groups as { component, pieces } (component.id)}
				{@const keys = pieces.map((p) => p.key)}
				<fieldset>
					<legend
						><label
							><input
								type="checkbox"
								aria-label="All of {component.code} {component.name}"
								checked={keys.every((k) => !without.has(k))}
								indeterminate={keys.some((k) => without.has(k)) && keys.some((k) => !without.has(k))}
								onchange={(event) => set(keys, event.currentTarget.checked)}
							/>
							<Tag {component} /></label
						></legend
					>
					<ul>
						{#each pieces as p (p.key)}
							<li>
								<label
									><input
										type="checkbox"
										checked={!without.has(p.key)}
										onchange={(event) => set([p.key], event.currentTarget.checked)}
									/>
									<span class="figure">{p.numbered.code.replace(/^\S+ /, '')}</span>
									{p.numbered.piece.name}</label
								>
								<a class="small" href={p.href} aria-label="Open {p.numbered.code}">{p.numbered.count} ×</a>
							</li>
						{/each}
					</ul>
				</fieldset>
			{/each}
		</Sheet>
		<div class="stack right">
			<Sheet title="Print">
				<p class="lead">
					{chosen.length} of {all.length} pieces{pages
						? `, ${pages + 1} pages ${paper === 'plotter' ? 'for a plotter' : `of ${PAPERS[paper].name}`}`
						: ''}
				</p>
				<label class="paper"
					>Paper <select bind:value={paper}
						>{#each Object.entries(PAPERS) as [value, p] (value)}<option {value}>{p.name}</option
							>{/each}</select
					></label
				>
				<div class="outs" aria-disabled={chosen.length === 0}>
					{#if chosen.length}
						<p>
							<a class="button main" href="{base}/out/pdf?{query}" download
								><Printer size={16} /> Pattern at 1:1</a
							>
							<span class="small soft"
								>A first page with a 100 mm square to check the print by, and a map. Pages overlap by 10 mm.</span
							>
						</p>
						<p>
							<a class="button" href="{base}/out/chart?{query}" download
								><Printer size={16} /> Placement chart</a
							>
							<span class="small soft">The numbered pieces as they go together, on one page.</span>
						</p>
						<p>
							<a class="button" href="{base}/out/tags?{query}" download><Printer size={16} /> Tags</a>
							<span class="small soft"
								>Code, count, side, and a QR code that opens the piece’s page here.</span
							>
						</p>
						<p>
							<a class="button" href="{base}/out/svg?{query}" download><Download size={16} /> SVG at 1:1</a>
							<span class="small soft">For a cutter or a drawing program, in mm.</span>
						</p>
						<p>
							<a class="button" href="{base}/out/dxf?{query}" download><Download size={16} /> DXF at 1:1</a>
							<span class="small soft">For cutters and pattern programs: a block a piece, in mm.</span>
						</p>
					{:else}<p class="soft">Tick what is to be printed.</p>{/if}
				</div>
			</Sheet>
			{#if chosen.length}
				<Sheet title="How they go together" level={3}>
					{#each groups as { component, pieces } (component.id)}
						{@const shown = pieces.filter((p) => !without.has(p.key)).map((p) => p.numbered)}
						{#if shown.length}
							<p class="small name">{component.code} {component.name}</p>
							<Pieces pieces={shown} joined label="Placement of {component.code} {component.name}" />
						{/if}
					{/each}
				</Sheet>
			{/if}
		</div>
	</Desk>
{/if}

<style>
	fieldset {
		border: 0;
		padding: 0;
		margin: 0 0 12px;
	}
	label {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 30px;
		cursor: pointer;
	}
	ul {
		list-style: none;
		margin: 4px 0 0;
		padding: 0 0 0 24px;
	}
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
	}
	.lead {
		font-family: var(--head);
		font-size: var(--s24);
		font-weight: 700;
		margin: 0 0 8px;
	}
	.paper select {
		width: auto;
	}
	.outs p {
		display: flex;
		gap: 4px 12px;
		align-items: center;
		flex-wrap: wrap;
		margin: 10px 0 0;
	}
	.name {
		font-weight: 700;
		margin: 10px 0 4px;
	}
	@media (max-width: 900px) {
		/* What is printed first, then the choice, then how it goes together. */
		.right {
			display: contents;
		}
		.right > :global(:first-child) {
			order: -1;
		}
		label {
			min-height: 44px;
		}
	}
</style>
