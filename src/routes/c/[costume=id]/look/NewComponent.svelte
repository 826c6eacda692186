<script lang="ts">
	/** A component of the look, with the usual steps of a route. */
	import { goto } from '$app/navigation';
	import type { Component } from '$core/facts/component.ts';
	import type { Zone } from '$core/facts/zone.ts';
	import ComponentFields from '$lib/ui/ComponentFields.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';

	interface Props {
		open: boolean;
		components: readonly Component[];
		/** Where on the body it is, if one is chosen. */
		zone: Zone | null;
		base: string;
	}
	let { open = $bindable(), components, zone, base }: Props = $props();
	/** What was added of several in a row: the fields begin anew after each. */
	let added = $state(0);
	let another = $state(false);
	/** The next one is typed at once, and Control with Enter adds it and begins one more. */
	function begin(fields: HTMLElement) {
		if (added > 0) fields.querySelector<HTMLInputElement>('input[name=name]')?.focus();
		const onkeydown = (event: KeyboardEvent) => {
			if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
			event.preventDefault();
			fields.closest('form')?.querySelector<HTMLButtonElement>('[data-another]')?.click();
		};
		fields.addEventListener('keydown', onkeydown);
		return () => fields.removeEventListener('keydown', onkeydown);
	}
</script>

<Dialog bind:open title="New component" wide>
	<Form
		command="addComponent"
		label="New component"
		onDone={(result) => {
			if (another) {
				added++;
				return;
			}
			open = false;
			goto(`${base}/look/${(result as { id: number }).id}`);
		}}
	>
		{#key added}
			<div {@attach begin}><ComponentFields zones={zone ? [zone] : []} {components} /></div>
		{/key}
		<p class="row end">
			<button class="button" data-another title="Control and Enter" onclick={() => (another = true)}
				>Add, and one more</button
			>
			<button class="button main" onclick={() => (another = false)}>Add component</button>
		</p>
	</Form>
</Dialog>
