<script lang="ts">
	/** The steps of a component in their order: amounts, minutes, waits, when they are planned. */
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Plus from '@lucide/svelte/icons/plus';
	import type { Component } from '$core/facts/component.ts';
	import { inOrder } from '$core/facts/order.ts';
	import { cautionsFor } from '$core/trade/catalogue.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import StepFields from '$lib/ui/StepFields.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import EditStep from './EditStep.svelte';
	import StepRow from './StepRow.svelte';
	import Table from '$lib/ui/Table.svelte';

	let { data, component }: { data: PageData; component: Component } = $props();
	const steps = $derived(inOrder(data.record.steps, component.id));
	const leftOut = $derived(data.record.leftOut.filter((s) => s.componentId === component.id));

	let adding = $state(false);
	let editing = $state<number | null>(null);
</script>

<Sheet title="Steps">
	{#snippet tools()}
		<Form command="addRoute" id={component.id} class="route" label="Add the steps of a route">
			<Field
				name="route"
				label="Steps of a route"
				hideLabel
				options={Object.entries(handbook().route).map(([value, r]) => ({ value, label: r.name }))}
				none="steps of a route…"
			/>
			<button class="button small">Add</button>
		</Form>
		<button class="button main small" data-add onclick={() => (adding = true)}><Plus size={14} /> Step</button
		>
	{/snippet}
	{#if leftOut.length}
		<p class="soft">
			Left out to be in time: {leftOut.map((s) => s.name).join(', ')}.
			<a href="/c/{data.record.costume.id}/plan/sooner">Take back in under Plan</a>
		</p>
	{/if}
	{#if steps.length}
		<Table>
			{#snippet heads()}<th></th><th>Step</th><th>Amount</th><th class="number">Hands-on</th><th
					class="number">Waits</th
				><th>Marks</th><th>Planned</th><th><span class="visually-hidden">Change</span></th>{/snippet}
			{#each steps as step, index (step.id)}
				<StepRow
					{step}
					{index}
					last={index === steps.length - 1}
					{component}
					{data}
					onedit={() => (editing = step.id)}
				/>
			{/each}
		</Table>
	{:else}
		<p class="soft">
			{component.source === 'buy'
				? 'Bought whole: put it on the list under Buy. Steps are only needed if something is done to it.'
				: 'No steps yet. Take the usual steps of a route, or add your own.'}
		</p>
	{/if}
	<div class="caution">
		<Caution
			keys={[
				...new Set(
					steps.filter((s) => s.doneAt === null).flatMap((s) => cautionsFor(handbook(), s.technique))
				)
			]}
		/>
	</div>
</Sheet>

<Dialog bind:open={adding} title="New step for {component.code}">
	<Form
		command="addStep"
		hidden={{ componentId: component.id, faultId: null }}
		onDone={() => (adding = false)}
		label="New step"
	>
		<StepFields workshop={data.workshop} seams={data.seams} />
		<Submit>Add step</Submit>
	</Form>
</Dialog>
<EditStep bind:id={editing} {component} record={data.record} workshop={data.workshop} seams={data.seams} />

<style>
	:global(form.route),
	:global(form.after) {
		display: flex;
		gap: 6px;
		align-items: end;
	}
	.caution {
		margin-top: 12px;
	}
</style>
