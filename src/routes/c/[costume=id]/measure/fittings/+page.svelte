<script lang="ts">
	import pluralize from 'pluralize';
	import Plus from '@lucide/svelte/icons/plus';
	import Printer from '@lucide/svelte/icons/printer';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { isSettled } from '$core/facts/fitting.ts';
	import { wearersOf } from '$core/facts/measureRecord.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import FittingFields from '$lib/ui/FittingFields.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import FittingSheet from './FittingSheet.svelte';
	import EditPoint from './EditPoint.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const wearers = $derived(wearersOf(data.fit));
	const { fittings, points } = $derived(data.fit);
	const open = $derived(points.filter((p) => !isSettled(p, data.record.steps)));
	const bare = $derived(open.filter((p) => p.stepId === null));

	let adding = $state(false);
	let editing = $state<number | null>(null);
	let pointing = $state<number | null>(null);
	const edited = $derived(fittings.find((f) => f.id === editing));
</script>

<svelte:head><title>Fittings · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Fittings">
	{#snippet tools()}
		<button class="button small" onclick={() => window.print()}><Printer size={14} /> Print</button>
		<button class="button main small" data-add onclick={() => (adding = true)}
			><Plus size={14} /> Fitting</button
		>
	{/snippet}
	{#if fittings.length}
		<p class="answer">
			{#if open.length === 0}Nothing open from the fittings.
			{:else}{pluralize('point', open.length, true)} open{#if bare.length}, {bare.length} of them not a step yet{/if}.{/if}
		</p>
	{:else}
		<p>
			Try it on as soon as the shapes exist, with everything beneath. A fitting keeps what was on, what moved
			freely, and a punch list; each open point becomes a step.
		</p>
	{/if}
</Sheet>

{#each fittings as fitting (fitting.id)}
	<FittingSheet
		{fitting}
		record={data.record}
		fit={data.fit}
		variants={data.variants}
		{base}
		{unit}
		onedit={() => (editing = fitting.id)}
		onpoint={(id) => (pointing = id)}
	/>
{/each}

<Dialog bind:open={adding} title="New fitting" wide>
	<Form command="addFitting" label="New fitting" onDone={() => (adding = false)}>
		<FittingFields {wearers} components={data.record.components} variants={data.variants} now={data.now} />
		<Submit>Add fitting</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Fitting" wide>
	{#if edited}
		<Form command="editFitting" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			<FittingFields
				fitting={edited}
				{wearers}
				components={data.record.components}
				variants={data.variants}
				now={data.now}
			/>
			<Submit>Save</Submit>
		</Form>
		<Act command="removeFitting" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>
<EditPoint bind:id={pointing} {fittings} {points} components={data.record.components} {unit} />

<style>
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
	}
</style>
