<script lang="ts">
	/** Another wearer’s measures are followed: what that would move is told first. */
	import Dialog from '$lib/ui/Dialog.svelte';
	import AsIf from '$lib/ui/AsIf.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Field from '$lib/ui/Field.svelte';
	import type { LengthUnit } from '$core/units/measure.ts';
	import type { Wearer } from '$core/facts/bodyMeasure.ts';
	import Form from '$lib/ui/Form.svelte';

	interface Props {
		open: boolean;
		/** Whose measures could be followed. */
		others: readonly Wearer[];
		currency: string;
		unit: LengthUnit;
	}
	let { open = $bindable(), others, currency, unit }: Props = $props();
</script>

<Dialog bind:open title="Whose measures the pieces follow">
	<Form command="fitCostume" label="Whose measures the pieces follow" onDone={() => (open = false)}>
		<Field
			name="wearerId"
			label="Wearer"
			options={others.map((w) => ({ value: w.id, label: w.name }))}
			value={others[0]?.id}
		/>
		<AsIf action="tryFitCostume" {currency} {unit} />
		<Submit>Let the pieces follow</Submit>
	</Form>
</Dialog>
