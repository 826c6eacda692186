<script lang="ts">
	/** Materials: what is owned, to whom it is promised, what a pack costs and how long it takes to come. */
	import type { PageData } from './$types';
	import { sorted } from '$lib/sort.ts';
	import { formatNumber } from '$core/units/number.ts';
	import type { Material } from '$core/facts/material.ts';
	import Field from '$lib/ui/Field.svelte';
	import X from '@lucide/svelte/icons/x';
	import Act from '$lib/ui/Act.svelte';
	import { formatPrice } from '$core/units/money.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import type { Sorting } from '$lib/sort.ts';
	import Weave from '$lib/ui/Weave.svelte';
	import SortHead from '$lib/ui/SortHead.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		materials: readonly Material[];
		promised: PageData['promised'];
		/** By material: what is promised to nobody. */
		free: PageData['free'];
		/** What they were filtered by. */
		query: string;
		onedit: (material: number) => void;
	}
	let { materials, promised, free, query, onedit }: Props = $props();
	let by = $state<Sorting | null>(null);
	const shown = $derived(sorted(materials, by, (m, key) => m[key as keyof Material] as string | number));
</script>

<Table>
	{#snippet heads()}<SortHead key="name" label="Material" bind:by />
		<SortHead key="family" label="Family" bind:by />
		<SortHead key="stash" label="In the stash" bind:by />
		<SortHead key="stashNote" label="Where" bind:by />
		<SortHead key="packSize" label="Pack" number bind:by />
		<SortHead key="packPriceMinor" label="Price" number bind:by />
		<SortHead key="supplier" label="Supplier" bind:by />
		<SortHead key="leadDays" label="Lead" number bind:by />
		<th><span class="visually-hidden">Change</span></th>{/snippet}
	{#each shown as m (m.id)}
		<tr id="material-{m.id}">
			<td><b>{m.name}</b></td>
			<td class="small"><Weave weave={WEAVE_OF_FAMILY[m.family] ?? 'plain'} /> {m.family}</td>
			<td>
				<Form command="setStash" id={m.id} version={m.version} class="stash" label="Stash of {m.name}">
					<Field
						name="stash"
						label="Stash of {m.name}"
						hideLabel
						value={formatNumber(m.stash, 3)}
						inputmode="decimal"
						suffix={m.unit}
					/>
					<button class="button small quiet">Count</button>
				</Form>
				{#if promised[m.id]}<span class="small soft" data-promised
						>{promised[m.id]!.map((p) => `${formatNumber(p.units, 2)} for ${p.costume}`).join(', ')}{free[
							m.id
						]
							? `, ${formatNumber(free[m.id]!, 2)} free`
							: ', none free'}</span
					>{/if}
			</td>
			<td class="small soft">{m.stashNote}</td>
			<td class="number">{formatNumber(m.packSize, 3)} {m.unit}</td>
			<td class="number">{formatPrice(m.packPriceMinor, m.currency)}</td>
			<td class="small">{m.supplier}</td>
			<td class="number">{m.leadDays === null ? '–' : `${m.leadDays} ${m.leadWorkingDays ? 'wd' : 'd'}`}</td>
			<td class="number">
				<button class="button small quiet" onclick={() => onedit(m.id)} aria-label="Edit {m.name}"
					>Edit</button
				>
				<Act command="removeMaterial" id={m.id} look="quiet" label="Remove {m.name}"><X size={14} /></Act>
			</td>
		</tr>
	{:else}<tr><td colspan="9" class="soft">No material is called “{query}”.</td></tr>{/each}
</Table>

<style>
	:global(form.stash) {
		display: flex;
		gap: 4px;
		align-items: center;
	}
	:global(form.stash input) {
		width: 5em !important;
		text-align: right;
		font-family: var(--mono);
	}
	[data-promised] {
		display: block;
		max-width: 20em;
	}
	tr:target {
		background: var(--yellow-wash);
	}
</style>
