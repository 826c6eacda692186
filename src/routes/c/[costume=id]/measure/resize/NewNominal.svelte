<script lang="ts">
	/** What a pattern was made for, measure by measure. */
	import Form from '$lib/ui/Form.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { MEASURE_KEYS, BODY_MEASURES } from '$core/facts/bodyMeasure.ts';
	import Submit from '$lib/ui/Submit.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { DIRECTIONS } from '$core/facts/measureRecord.ts';

	interface Props {
		open: boolean;
		options: readonly { value: number; label: string }[];
	}
	let { open = $bindable(), options }: Props = $props();
</script>

<Dialog bind:open title="What the pattern was made for">
	<Form command="addNominal" label="Pattern measure" reset onDone={() => (open = false)}>
		<div class="fields">
			<Field name="componentId" label="Pattern of" {options} value={options[0]?.value ?? ''} wide />
			<Field
				name="measure"
				label="Measure"
				options={MEASURE_KEYS.map((k) => ({ value: k, label: BODY_MEASURES[k].name }))}
				value="chestGirth"
			/>
			<Field name="direction" label="Scales its" options={DIRECTIONS} value="width" />
			<Field name="nominalMm" label="Made for" inputmode="decimal" hint="printed on it, or measured" />
			<Field
				name="madeFor"
				label="The mark is of"
				options={[
					{ value: 'body', label: 'the body that it fits' },
					{ value: 'garment', label: 'the finished garment' }
				]}
				value="body"
				hint="bought patterns are mostly marked by body size"
			/>
			<Field
				name="easeMm"
				label="Ease"
				value="0"
				hint="between body and garment; minus for stretch. Marked by body size, a pattern has its own in it: 0 keeps it in proportion"
			/>
		</div>
		<Submit>Add</Submit>
	</Form>
</Dialog>
