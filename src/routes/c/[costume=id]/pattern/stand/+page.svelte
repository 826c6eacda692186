<script lang="ts">
	/** Panels on the form of the wearer: for which component, or which panels that are kept. */
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import PanelDesk from '$lib/ui/stand/PanelDesk.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(data.record.components);
	const shape = $derived(
		data.fit.shapes.find((s) => String(s.id) === page.url.searchParams.get('shape') && s.panels && !s.drawn)
	);
	const component = $derived(
		components.find((c) => c.id === (shape?.componentId ?? Number(page.url.searchParams.get('of')))) ?? null
	);
</script>

<svelte:head><title>From the stand · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if !components.length}
	<Sheet title="From the stand"
		><p>Panels belong to a component: <a href="{base}/look">add one first</a>.</p></Sheet
	>
{:else if component}
	{#key `${component.id} ${shape?.id} ${shape?.version}`}
		<PanelDesk
			{component}
			{shape}
			{components}
			record={data.record}
			fit={data.fit}
			workshop={data.workshop}
			onDone={(id) => goto(`${base}/pattern/${id}`)}
		/>
	{/key}
{:else}
	<Sheet title="From the stand">
		<p>
			Seams are drawn on a form that has the wearer’s measures, as on a wrap of film and tape; each panel is
			laid flat with the least strain. When a measure changes, the pieces do.
		</p>
		<label class="of"
			>Of
			<select value="" onchange={(event) => goto(`?of=${event.currentTarget.value}`)}>
				<option value="" disabled>choose a component</option>
				{#each inLedgerOrder(components) as { item, depth } (item.id)}<option value={item.id}
						>{'  '.repeat(depth)}{item.code} {item.name}</option
					>{/each}
			</select></label
		>
	</Sheet>
{/if}

<style>
	.of {
		display: flex;
		gap: 10px;
		align-items: center;
	}
</style>
