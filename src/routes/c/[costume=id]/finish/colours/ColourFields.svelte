<script lang="ts">
	/** The fields of a colour of the palette. */
	import { inLedgerOrder, type Component } from '$core/facts/component.ts';
	import type { PaletteColour } from '$core/facts/palette.ts';
	import type { Lab } from '$core/units/lab.ts';
	import Choices from '$lib/ui/Choices.svelte';
	import ColourField from '$lib/ui/ColourField.svelte';
	import Field from '$lib/ui/Field.svelte';
	import FormError from '$lib/ui/FormError.svelte';

	interface Props {
		colour?: PaletteColour;
		/** Of a new one. */
		lab?: Lab | null;
		components: readonly Component[];
	}
	let { colour, lab = null, components }: Props = $props();
</script>

<div class="fields">
	<Field name="name" label="Called" value={colour?.name ?? ''} hint="old brass, harbour slate" required />
	{#key lab}<ColourField
			name="lab"
			label="Colour"
			value={colour?.lab ?? lab}
			hint="#b08d57, or three numbers of CIELAB"
			required
		/>{/key}
	<Choices
		legend="Meant for"
		name="componentIds[]"
		options={inLedgerOrder(components).map(({ item }) => ({
			value: item.id,
			label: `${item.code} ${item.name}`
		}))}
		chosen={colour?.componentIds ?? []}
		framed
	/>
	<FormError name="componentIds" />
	<Field name="note" label="Note" type="area" value={colour?.note ?? ''} wide />
</div>
