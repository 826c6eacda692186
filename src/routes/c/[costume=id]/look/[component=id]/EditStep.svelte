<script lang="ts">
	/** A step, changed, and steps of other components that it waits for. */
	import type { Component } from '$core/facts/component.ts';
	import StepFields from '$lib/ui/StepFields.svelte';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import Submit from '$lib/ui/Submit.svelte';
	import Form from '$lib/ui/Form.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import type { Workshop } from '$core/facts/workshop.ts';

	interface Props {
		id: number | null;
		component: Component;
		record: CostumeRecord;
		workshop: Workshop;
		seams: readonly string[];
	}
	let { id = $bindable(), component, record, workshop, seams }: Props = $props();
	const edited = $derived(record.steps.find((s) => s.id === id));
	const others = $derived(
		record.steps
			.filter((s) => s.componentId !== component.id)
			.map((s) => ({
				value: s.id,
				label: `${record.components.find((c) => c.id === s.componentId)?.code} ${s.name}`
			}))
	);
</script>

<EditDialog bind:id title="Step {edited?.name ?? ''}">
	{#if edited}
		<Form command="editStep" id={edited.id} version={edited.version} onDone={() => (id = null)} label="Step">
			<StepFields step={edited} {workshop} {seams} />
			<Submit>Save</Submit>
		</Form>
		<hr />
		<Form command="addStepAfter" id={edited.id} label="Waits for another component's step" class="after">
			<Field
				name="afterId"
				label="Waits also for"
				options={others}
				none="choose a step of another component"
			/>
			<button class="button small">Add</button>
		</Form>
	{/if}
</EditDialog>

<style>
	hr {
		border: 0;
		border-top: 1px dashed var(--rule);
		margin: 16px 0;
	}
</style>
