<script lang="ts">
	/** A component of the look, with the usual steps of a route. */
	import { goto } from '$app/navigation';
	import Submit from '$lib/ui/Submit.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Field from '$lib/ui/Field.svelte';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import type { Zone } from '$core/facts/zone.ts';
	import Form from '$lib/ui/Form.svelte';
	import ComponentFields from '$lib/ui/ComponentFields.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import type { Component } from '$core/facts/component.ts';

	interface Props {
		open: boolean;
		components: readonly Component[];
		/** Where on the body it is, if one is chosen. */
		zone: Zone | null;
		base: string;
	}
	let { open = $bindable(), components, zone, base }: Props = $props();
	const routesFor = $derived(
		Object.entries(handbook().route).map(([value, route]) => ({
			value,
			label: `${route.name} (${route.kinds.join(', ')})`
		}))
	);
</script>

<Dialog bind:open title="New component" wide>
	<Form
		command="addComponent"
		label="New component"
		onDone={(result) => {
			open = false;
			goto(`${base}/look/${(result as { id: number }).id}`);
		}}
	>
		<ComponentFields zones={zone ? [zone] : []} />
		<div class="two">
			<Field name="route" label="Route: its usual steps" options={routesFor} none="no steps yet" value="" />
			<Field
				name="parentId"
				label="Part of"
				options={inLedgerOrder(components).map(({ item, depth }) => ({
					value: item.id,
					label: `${'  '.repeat(depth)}${item.code} ${item.name}`
				}))}
				none="nothing: it stands by itself"
				value=""
			/>
		</div>
		<Submit>Add component</Submit>
	</Form>
</Dialog>

<style>
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 12px;
	}
	@media (max-width: 700px) {
		.two {
			grid-template-columns: 1fr;
		}
	}
</style>
