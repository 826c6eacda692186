<script lang="ts">
	/** Pieces that were brought in, to be kept: name, material, whether steps follow. */
	import { page } from '$app/state';
	import { cutFromAny, mainlyCutFrom } from '$core/answers/cutFrom.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { KeptForm } from '$core/facts/placement.ts';
	import type { Piece } from '$core/facts/piece.ts';
	import { driversOf } from '$core/engines/pattern/drivers.ts';
	import type { OriginKey } from '$core/engines/shapers/shapers.ts';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';
	import AsIf from '../AsIf.svelte';
	import Tick from '../Tick.svelte';

	interface Props {
		pieces: readonly Piece[];
		origin: OriginKey;
		/** The surface that they were unfolded from. */
		kept?: KeptForm | null;
		name: string;
		component: Component;
		materials: readonly Material[];
		onDone: (id: number) => void;
	}
	let { pieces, origin, kept = null, name, component, materials, onDone }: Props = $props();
	const record = $derived(page.data.record as CostumeRecord);
	// svelte-ignore state_referenced_locally
	let materialId = $state<string | number>(mainlyCutFrom(component, record.needs, materials)?.id ?? '');
	let following = $state(true);
	const currency = $derived(record.costume.currency);
	/** Other pieces, other amounts. */
	const outline = $derived(driversOf(pieces).outline);
</script>

<Form
	command="bringShape"
	label="Keep the pieces"
	hidden={{
		componentId: component.id,
		origin,
		note: '',
		pieces: JSON.stringify(pieces),
		kept: JSON.stringify(kept)
	}}
	onDone={(done) => onDone((done as { id: number }).id)}
>
	<div class="fields">
		<Field name="name" label="Name" value={name} />
		<Field
			name="materialId"
			label="Cut from"
			options={cutFromAny(materials).map((m) => ({ value: m.id, label: m.name }))}
			none="not chosen yet"
			bind:value={materialId}
		/>
	</div>
	<Tick
		name="follow"
		label="Steps and materials of {component.code} follow its pieces"
		bind:checked={following}
	/>
	<AsIf
		action="tryBringShape"
		of="{pieces.length} {outline} {materialId} {following}"
		blocked={pieces.length === 0}
		{currency}
		follows={following}
	/>
	<p class="row"><button class="button main">Keep these pieces</button></p>
</Form>

<style>
	.fields {
		margin-top: 12px;
	}
	.row {
		justify-content: flex-end;
		margin-top: 12px;
	}
</style>
