<script lang="ts">
	/** Something is put on the shopping list. */
	import type { Material } from '$core/facts/material.ts';
	import Form from '$lib/ui/Form.svelte';
	import { formatNumber } from '$core/units/number.ts';
	import type { Component } from '$core/facts/component.ts';
	import Field from '$lib/ui/Field.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	interface Props {
		open: boolean;
		materials: readonly Material[];
		components: readonly Component[];
		/** No material is known yet: the first one is added. */
		onmaterial: () => void;
	}
	let { open = $bindable(), materials, components, onmaterial }: Props = $props();
</script>

<Dialog bind:open title="Put on the list">
	{#if materials.length}
		<Form command="addPurchase" onDone={() => (open = false)} label="New purchase">
			<div class="fields">
				<Field
					name="materialId"
					label="Material"
					options={materials.map((m) => ({
						value: m.id,
						label: `${m.name}, pack of ${formatNumber(m.packSize)} ${m.unit}`
					}))}
					none="choose"
					wide
				/>
				<Field name="packs" label="Packs" value="1" inputmode="numeric" />
				<Field
					name="componentId"
					label="For"
					options={components.map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }))}
					none="the whole costume"
				/>
			</div>
			<Submit>Put on the list</Submit>
		</Form>
	{:else}
		<p>No materials are known yet.</p>
		<p class="end">
			<button
				class="button main"
				onclick={() => {
					open = false;
					onmaterial();
				}}>Add the first material</button
			>
		</p>
	{/if}
</Dialog>
