<script lang="ts">
	/** A clothes size that a pattern was made for. */
	import { sizesOf } from '$core/trade/sizeTable.ts';
	import Form from '$lib/ui/Form.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { BODY_MEASURES } from '$core/facts/bodyMeasure.ts';
	import type { MeasureKey } from '$core/facts/bodyMeasure.ts';

	interface Props {
		open: boolean;
		options: readonly { value: number; label: string }[];
	}
	let { open = $bindable(), options }: Props = $props();
	let table = $state<'women' | 'men'>('women');
</script>

<Dialog bind:open title="A clothes size it was made for">
	<Form command="addNominalSize" label="Clothes size" onDone={() => (open = false)}>
		<div class="fields">
			<Field name="componentId" label="Pattern of" {options} value={options[0]?.value ?? ''} wide />
			<Field name="table" label="Table" options={['women', 'men']} bind:value={table} />
			<Field
				name="size"
				label="Size"
				options={sizesOf(table).map((s) => ({
					value: s.name,
					label: `${s.name}: ${Object.entries(s.girths)
						.map(([k, mm]) => `${BODY_MEASURES[k as MeasureKey].name} ${mm / 10}`)
						.join(', ')}`
				}))}
				value="88"
			/>
		</div>
		<p class="small soft">Girths in cm by EN 13402-3, from memory; the pattern’s own chart comes first.</p>
		<Submit>Add its girths</Submit>
	</Form>
</Dialog>
