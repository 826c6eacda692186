<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { runShaper, type Shaper } from '$core/engines/pattern/shaper.ts';
	import { SHAPER_KEYS, SHAPERS, type ShaperKey } from '$core/engines/shapers/shapers.ts';
	import { mainlyCutFrom } from '$core/answers/cutFrom.ts';
	import { followsPieces } from '$core/answers/followPieces.ts';
	import ShapeDesk from '$lib/ui/shape/ShapeDesk.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Solid from '$lib/ui/Solid.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(data.record.components);
	const of = $derived(Number(page.url.searchParams.get('of')) || null);
	const component = $derived(components.find((c) => c.id === of) ?? null);
	const key = $derived(SHAPER_KEYS.find((k) => k === page.url.searchParams.get('shaper')) ?? null);
	const address = (id: number | null, shaper: ShaperKey | null) =>
		`?${[id ? `of=${id}` : '', shaper ? `shaper=${shaper}` : ''].filter(Boolean).join('&')}`;
	const gallery = SHAPER_KEYS.map((k) => {
		const shaper: Shaper = SHAPERS[k];
		const done = runShaper(shaper, {});
		return { key: k, shaper, solid: done.ok ? done.value.solid : [] };
	});
</script>

<svelte:head><title>New shape · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if component && key}
	{#key `${component.id} ${key}`}
		<ShapeDesk
			shaperKey={key}
			{component}
			{components}
			fit={data.fit}
			workshop={data.workshop}
			currency={data.record.costume.currency}
			following={followsPieces(data.record, component.id)}
			usual={mainlyCutFrom(component, data.record.needs, data.workshop.materials)}
			{base}
			onDone={(result) => goto(`${base}/pattern/${(result as { id: number }).id}`)}
		/>
	{/key}
{:else if !components.length}
	<Sheet title="New shape"
		><p>A shape belongs to a component: <a href="{base}/look">add one first</a>.</p></Sheet
	>
{:else}
	<Sheet title="New shape">
		<label class="of"
			>Of
			<select
				value={component?.id ?? ''}
				onchange={(e) => goto(address(Number(e.currentTarget.value), key), { replaceState: true })}
			>
				<option value="" disabled>choose a component</option>
				{#each inLedgerOrder(components) as { item, depth } (item.id)}<option value={item.id}
						>{'  '.repeat(depth)}{item.code} {item.name}</option
					>{/each}
			</select></label
		>
		<ul>
			{#each gallery as g (g.key)}
				<li>
					<a class="card" href={address(component?.id ?? components[0]!.id, g.key)}>
						<span class="drawing"><Solid lines={g.solid} label="" /></span>
						<b>{g.shaper.name}</b>
						<span class="small soft">{g.shaper.makes}</span>
					</a>
				</li>
			{/each}
		</ul>
	</Sheet>
{/if}

<style>
	.of select {
		max-width: 320px;
	}
	.of {
		display: flex;
		gap: 8px;
		align-items: center;
		font-weight: 600;
	}
	ul {
		list-style: none;
		margin: 16px 0 0;
		padding: 0;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
		gap: 12px;
	}
	.card {
		display: grid;
		gap: 2px;
		height: 100%;
		align-content: start;
		padding: 8px;
		color: inherit;
		text-decoration: none;
		border: 1px solid var(--rule);
	}
	.card:hover {
		border-color: currentColor;
	}
	.drawing {
		height: 84px;
		display: block;
	}
</style>
