<script lang="ts">
	import Link2 from '@lucide/svelte/icons/link-2';
	import type { Component } from '$core/facts/component.ts';
	import { beneathOf, garmentOrder, orderSlips, zoneStacks } from '$core/answers/layers.ts';
	import { weaveOf } from '$core/trade/weave.ts';
	import { zoneWords, type Zone } from '$core/facts/zone.ts';
	import { lookViews } from '$lib/lookViews.ts';
	import Act from '$lib/ui/Act.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Views from '$lib/ui/Views.svelte';
	import Weave from '$lib/ui/Weave.svelte';
	import type { PageData } from './$types';
	import Table from '$lib/ui/Table.svelte';
	import BesideFigure from '$lib/ui/BesideFigure.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(data.record.components);
	let zone = $state<Zone | null>(null);
	let looked = $state<Component | null>(null);
	const stacks = $derived(zoneStacks(components).filter((s) => !zone || s.zone === zone));
	const deepest = $derived(Math.max(0, ...components.map((c) => c.layer)));
	const order = $derived(garmentOrder(components));
	const slips = $derived(orderSlips(data.record, data.plan));
	const nowhere = $derived(components.filter((c) => c.zones.length === 0));
</script>

<svelte:head><title>Layers · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Views label="Look" views={lookViews(base)} />
<BesideFigure
	{components}
	progress={data.progress}
	bind:zone
	{looked}
	legend={zone ? '' : 'Choose a zone to see what lies on it.'}
>
	<div class="stack">
		<Sheet title="From the skin outwards">
			{#if stacks.length}
				<Table>
					{#snippet heads()}<th>Zone</th>{#each { length: deepest + 1 } as _, layer (layer)}<th class="layer"
								>{layer === 0 ? '0, skin' : layer}</th
							>{/each}{/snippet}
					{#each stacks as stack (stack.zone)}
						<tr>
							<th scope="row">{zoneWords(stack.zone)}</th>
							{#each { length: deepest + 1 } as _, layer (layer)}
								{@const here = stack.components.filter((c) => c.layer === layer)}
								<td class:filled={here.length}>
									{#each here as c (c.id)}
										<a
											href="{base}/look/{c.id}"
											title="{c.name}{beneathOf(c, components).length
												? `, over ${beneathOf(c, components)
														.map((b) => b.name)
														.join(', ')}`
												: ', on the skin'}"
											onpointerenter={() => (looked = c)}
											onpointerleave={() => (looked = null)}
											><Weave weave={weaveOf(c)} size={13} /> <span>{c.code}</span></a
										>
									{/each}
								</td>
							{/each}
						</tr>
					{/each}
				</Table>
			{:else if zone}<p class="soft">Nothing lies on the {zoneWords(zone)}.</p>
			{:else}<p>
					No component has a zone yet. Give each its zones and its layer, then this shows what lies beneath
					what.
				</p>{/if}
			{#if nowhere.length}
				<p class="row small note">
					Without a zone: {#each nowhere as c (c.id)}<Tag component={c} href="{base}/look/{c.id}" />{/each}
				</p>
			{/if}
		</Sheet>
		<Sheet title="Making order of the garments">
			{#if order.length}
				<p class="small soft lead">
					What is worn beneath is made and fitted first: the next layer is measured over it.
				</p>
				<ol>
					{#each order as { component, after } (component.id)}
						{@const wrong = slips.filter((s) => s.outer.id === component.id)}
						<li>
							<Tag {component} href="{base}/look/{component.id}" />
							<span class="small soft">layer {component.layer}, {data.stages[component.id]}</span>
							{#if after.length}<span class="small">after {after.map((a) => a.name).join(', ')}</span>{/if}
							{#if wrong.length}
								<div class="early">
									The plan begins “{wrong[0]!.first.name}” before {wrong.map((w) => w.inner.name).join(', ')}
									{wrong.length === 1 ? 'is' : 'are'} there to measure over.
									<Act
										command="followLayers"
										id={component.id}
										hidden={{ inner: wrong.map((w) => w.inner.id).join(' ') }}
										><Link2 size={14} /> Let it wait</Act
									>
								</div>
							{/if}
						</li>
					{/each}
				</ol>
			{:else}<p class="soft">No garment in this costume.</p>{/if}
		</Sheet>
	</div>
</BesideFigure>

<style>
	th.layer {
		min-width: 64px;
	}
	td {
		padding: 3px 6px;
		border-left: 1px dashed var(--rule);
	}
	td.filled {
		background: var(--sheet-shade);
	}
	td a {
		display: flex;
		align-items: center;
		gap: 4px;
		font: 600 var(--s13) var(--mono);
		text-decoration: none;
	}
	td a:hover {
		text-decoration: underline;
	}
	.lead,
	.note {
		margin: 0 0 8px;
	}
	.note {
		margin-top: 12px;
	}
	ol {
		margin: 0;
		padding-left: 24px;
		display: grid;
		gap: 8px;
	}
	.early {
		margin-top: 4px;
		padding: 6px 10px;
		background: var(--yellow-wash);
		border-left: 4px solid var(--yellow-ink);
	}
	@media (max-width: 700px) {
		td a {
			min-height: 44px;
		}
	}
</style>
