<script lang="ts">
	/** A component of the look, with the usual steps of a route. */
	import { goto } from '$app/navigation';
	import type { Component } from '$core/facts/component.ts';
	import type { Zone } from '$core/facts/zone.ts';
	import ComponentFields from '$lib/ui/ComponentFields.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	interface Props {
		open: boolean;
		components: readonly Component[];
		/** Where on the body it is, if one is chosen. */
		zone: Zone | null;
		base: string;
	}
	let { open = $bindable(), components, zone, base }: Props = $props();
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
		<ComponentFields zones={zone ? [zone] : []} {components} />
		<Submit>Add component</Submit>
	</Form>
</Dialog>
