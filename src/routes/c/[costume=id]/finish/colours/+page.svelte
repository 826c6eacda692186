<script lang="ts">
	/** What parts are meant to look like, and what there is that looks so. */
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import { nearMisses } from '$core/answers/palette.ts';
	import { differenceFigure } from '$core/explain/colour.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import ColourCard from './ColourCard.svelte';
	import PickColour from './PickColour.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const trade = $derived(handbook());
	const { settings, materials } = $derived(data.workshop);
	const missed = $derived(
		nearMisses(data.record, materials, trade, [settings.nearMissLeast, settings.nearMissMost])
	);
</script>

<svelte:head><title>Colours · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#each missed as { colour, a, b, difference } (`${colour.id} ${a.component.id} ${b.component.id}`)}
	<div class="missed" role="note">
		<TriangleAlert size={18} aria-hidden="true" />
		<div>
			<p>
				<b>{colour.name} reads as a mistake:</b>
				<Tag component={a.component} /> and <Tag component={b.component} /> are
				<Working
					figure={differenceFigure(
						`${a.component.code} and ${b.component.code}`,
						[a.lab, a.material.name],
						[b.lab, b.material.name]
					)}
					text="{formatNumber(difference, 1)} apart"
				/>: told from each other at a seam, and too near to look meant.
			</p>
			<p class="small">
				{a.material.name} beside {b.material.name}. Paint both with one, or take one well away.
			</p>
		</div>
	</div>
{/each}

<div class="palette">
	{#each data.record.palette as colour (colour.id)}
		<ColourCard {colour} {data} {trade} />
	{:else}
		<Sheet>
			<p class="soft">
				No colours yet. Pick what a part is meant to look like on a reference picture, or type it: then what
				is owned is held against it, and mixed for it in drops.
			</p>
		</Sheet>
	{/each}
</div>

<PickColour {data} />

<style>
	.palette {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 320px), 1fr));
		gap: 12px;
		align-items: start;
	}
	.missed {
		display: flex;
		gap: 8px;
		padding: 10px 14px;
		background: var(--yellow-wash);
		border-left: 4px solid var(--yellow-ink);
	}
	.missed :global(svg) {
		flex: none;
	}
</style>
