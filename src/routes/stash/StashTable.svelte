<script lang="ts">
	/** Materials: what is owned, to whom it is promised, what a pack costs and how long it takes to come. */
	import type { PageData } from './$types';
	import { sorted } from '$lib/sort.ts';
	import { formatNumber } from '$core/units/number.ts';
	import type { Material } from '$core/facts/material.ts';
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import Act from '$lib/ui/Act.svelte';
	import { formatPrice } from '$core/units/money.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import type { Sorting } from '$lib/sort.ts';
	import Weave from '$lib/ui/Weave.svelte';
	import SortHead from '$lib/ui/SortHead.svelte';
	import Table from '$lib/ui/Table.svelte';
	import LotLine from './LotLine.svelte';

	interface Props {
		materials: readonly Material[];
		/** By lot: to whom what of it is promised. */
		promised: PageData['promised'];
		/** By material: what is promised to nobody. */
		free: PageData['free'];
		/** What they were filtered by. */
		query: string;
		today: number;
		onedit: (material: number) => void;
		/** A lot is to be changed, or another put in the stash. */
		onlot: (of: { material: number; lot: number | null }) => void;
	}
	let { materials, promised, free, query, today, onedit, onlot }: Props = $props();
	let by = $state<Sorting | null>(null);
	const shown = $derived(sorted(materials, by, (m, key) => m[key as keyof Material] as string | number));
</script>

<div class="stash-table">
	<Table>
		{#snippet heads()}<SortHead key="name" label="Material" bind:by />
			<SortHead key="family" label="Family" bind:by />
			<SortHead key="stash" label="In the stash" bind:by />
			<SortHead key="packSize" label="Pack" number bind:by />
			<SortHead key="packPriceMinor" label="Price" number bind:by />
			<SortHead key="supplier" label="Supplier" bind:by />
			<SortHead key="leadDays" label="Lead" number bind:by />
			<th><span class="visually-hidden">Change</span></th>{/snippet}
		{#each shown as m (m.id)}
			<tr id="material-{m.id}">
				<td
					><b>{m.name}</b><span class="small soft phone"
						>{formatPrice(m.packPriceMinor, m.currency)} for {formatNumber(m.packSize, 3)}
						{m.unit}{m.supplier ? `, ${m.supplier}` : ''}</span
					></td
				>
				<td class="small"><Weave weave={WEAVE_OF_FAMILY[m.family] ?? 'plain'} /> {m.family}</td>
				<td class="stash">
					<div class="lots" class:none={m.lots.length === 0}>
						<ul>
							{#each m.lots as lot (lot.id)}
								<LotLine
									material={m}
									{lot}
									promised={promised[lot.id] ?? []}
									{today}
									onedit={() => onlot({ material: m.id, lot: lot.id })}
								/>
							{/each}
							{#if m.lots.length > 1}<li class="small soft">
									together {formatNumber(m.stash, 2)}
									{m.unit}, {free[m.id] ? `${formatNumber(free[m.id]!, 2)} free` : 'none free'}
								</li>{/if}
						</ul>
						<button
							class="button small quiet"
							onclick={() => onlot({ material: m.id, lot: null })}
							aria-label="Put {m.name} in the stash"
							><Plus size={14} /> {m.lots.length ? 'Lot' : 'Put some in'}</button
						>
					</div>
				</td>
				<td class="number">{formatNumber(m.packSize, 3)} {m.unit}</td>
				<td class="number">{formatPrice(m.packPriceMinor, m.currency)}</td>
				<td class="small">{m.supplier}</td>
				<td class="number">{m.leadDays === null ? '–' : `${m.leadDays} ${m.leadWorkingDays ? 'wd' : 'd'}`}</td
				>
				<td class="number">
					<button class="button small quiet" onclick={() => onedit(m.id)} aria-label="Edit {m.name}"
						>Edit</button
					>
					<Act command="removeMaterial" id={m.id} look="quiet" label="Remove {m.name}"><X size={14} /></Act>
				</td>
			</tr>
		{:else}<tr><td colspan="8" class="soft">No material is called “{query}”.</td></tr>{/each}
	</Table>
</div>

<style>
	.stash {
		min-width: 360px;
	}
	.lots {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		align-items: end;
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		gap: 6px;
	}
	.none {
		grid-template-columns: auto;
		justify-content: start;
	}
	.none ul {
		display: none;
	}
	.phone {
		display: none;
	}
	@media (max-width: 700px) {
		/* A card each: what it is, then what there is of it. */
		.stash-table :global(thead) {
			display: none;
		}
		.stash-table tr {
			display: grid;
			grid-template-columns: minmax(0, 1fr) auto;
			border-bottom: 1px solid var(--rule);
		}
		.stash-table td {
			display: none;
			border: 0;
		}
		.stash-table td:first-child,
		.stash-table td:last-child {
			display: block;
		}
		.stash-table td.stash {
			display: block;
			grid-column: 1 / -1;
			grid-row: 2;
			min-width: 0;
			padding-top: 0;
		}
		.phone {
			display: block;
		}
		.lots {
			grid-template-columns: minmax(0, 1fr);
			justify-items: start;
		}
	}
	tr:target {
		background: var(--yellow-wash);
	}
</style>
