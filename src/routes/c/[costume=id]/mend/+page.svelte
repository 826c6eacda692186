<script lang="ts">
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Plus from '@lucide/svelte/icons/plus';
	import { holdRateOf } from '$core/trade/holdRate.ts';
	import type { FaultWhere } from '$core/trade/knownFault.ts';
	import { isMended } from '$core/facts/fault.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import FaultSheet from './FaultSheet.svelte';
	import NewFault from './NewFault.svelte';
	import EditFault from './EditFault.svelte';
	import Table from '$lib/ui/Table.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const open = $derived(data.record.faults.filter((f) => !isMended(f, data.record.steps)));
	const mended = $derived(data.record.faults.filter((f) => isMended(f, data.record.steps)));

	let adding = $state(false);
	let editing = $state<number | null>(null);
	const trade = $derived(handbook());
	const whereWords = ({ holds, surfaces, loads }: FaultWhere) => {
		const where = [
			...holds.map((h) => holdRateOf(h, trade).name),
			...surfaces.map((s) => `on ${s}`),
			...(loads.length ? ['more load than it bears'] : [])
		];
		return where.length ? ` (${where.join(', ')})` : '';
	};
</script>

<svelte:head><title>Mend · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<div class="bar on-mat">
	<h2>{open.length ? `${open.length} to mend` : 'Nothing broken'}</h2>
	<button
		class="button main"
		data-add
		onclick={() => (adding = true)}
		disabled={!data.record.components.length}><Plus size={16} /> Fault</button
	>
</div>
{#each open as fault (fault.id)}<FaultSheet
		{fault}
		record={data.record}
		plan={data.plan}
		kind={data.failed[fault.id] ?? null}
		others={data.others[fault.id] ?? []}
		{base}
		onedit={() => (editing = fault.id)}
	/>{:else}
	<Sheet>
		<p class="soft">
			{data.record.components.length
				? 'Log what breaks, when and why: at test wear, at the event, in storage. Its cure comes as steps, and the component is not ready until they are done.'
				: 'Faults belong to components. Add those first, under Look.'}
		</p>
		{#if !data.record.components.length}<p class="end">
				<a class="button main" href="{base}/look">Break the look into components</a>
			</p>{/if}
	</Sheet>
{/each}
{#if mended.length}
	<h2 class="on-mat mended">Mended</h2>
	{#each mended as fault (fault.id)}<FaultSheet
			{fault}
			record={data.record}
			plan={data.plan}
			kind={data.failed[fault.id] ?? null}
			others={data.others[fault.id] ?? []}
			{base}
			onedit={() => (editing = fault.id)}
		/>{/each}
{/if}

<Sheet title="What usually breaks, and why">
	<Table>
		{#snippet heads()}<th>Symptom</th><th>Usual cause</th><th>Cure</th>{/snippet}
		{#each Object.entries(trade.knownFault) as [key, k] (key)}<tr
				><td><b>{k.symptom}</b></td><td>{k.cause}<span class="small soft">{whereWords(k)}</span></td><td
					>{k.cure}</td
				></tr
			>{/each}
	</Table>
	<p class="small soft">Common practice.</p>
</Sheet>

<NewFault bind:open={adding} record={data.record} places={data.places} now={data.now} />
<EditFault bind:id={editing} faults={data.record.faults} kinds={data.kinds} />

<style>
	.bar {
		display: flex;
		justify-content: space-between;
		align-items: center;
		color: var(--on-mat);
	}
	.bar h2 {
		font-size: var(--s24);
	}
	.bar :global(.button.main) {
		background: var(--brass);
		border-color: var(--brass);
		color: #1c1503;
	}
	.mended {
		color: var(--on-mat);
		margin-top: 8px;
	}
</style>
