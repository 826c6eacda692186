<script lang="ts">
	/** How one component travels, in a dialog: open while it has an id. */
	import type { Luggage } from '$core/answers/packed.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import EditDialog from '../EditDialog.svelte';
	import Form from '../Form.svelte';
	import Submit from '../Submit.svelte';
	import TravelFields from './TravelFields.svelte';

	interface Props {
		id: number | null;
		luggage: readonly Luggage[];
		components: readonly Component[];
		unit: LengthUnit;
	}
	let { id = $bindable(), luggage, components, unit }: Props = $props();
	const edited = $derived(luggage.find((l) => l.component.id === id));
</script>

<EditDialog bind:id title="How {edited?.component.code} {edited?.component.name} travels">
	{#if edited}
		<Form
			command="setTravel"
			hidden={{ componentId: edited.component.id }}
			label="How it travels"
			onDone={() => (id = null)}
		>
			<TravelFields luggage={edited} {components} {unit} />
			<Submit>Save</Submit>
		</Form>
	{/if}
</EditDialog>
