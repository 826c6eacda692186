<script lang="ts">
	/** One measure, corrected; what that would move is told first. */
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Submit from '$lib/ui/Submit.svelte';
	import Field from '$lib/ui/Field.svelte';
	import AsIf from '$lib/ui/AsIf.svelte';
	import type { LengthUnit } from '$core/units/measure.ts';
	import type { BodyMeasure } from '$core/facts/bodyMeasure.ts';
	import { formatLength } from '$core/units/measure.ts';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { measureWords, OVERS } from '$core/facts/bodyMeasure.ts';
	import Act from '$lib/ui/Act.svelte';
	import { formatDate } from '$core/units/localTime.ts';

	interface Props {
		id: number | null;
		measures: readonly BodyMeasure[];
		currency: string;
		unit: LengthUnit;
	}
	let { id = $bindable(), measures, currency, unit }: Props = $props();
	const edited = $derived(measures.find((m) => m.id === id));
</script>

<EditDialog bind:id title={edited ? measureWords(edited.measure, edited.side) : ''}>
	{#if edited}
		<Form command="editMeasure" id={edited.id} version={edited.version} onDone={() => (id = null)}>
			<div class="fields">
				<Field name="mm" label="Measure" value={formatLength(edited.mm, unit)} inputmode="decimal" />
				<Field name="over" label="Taken over" options={OVERS} value={edited.over} />
				<Field name="takenOn" label="Taken on" type="date" value={formatDate(edited.takenOn)} />
				<Field name="note" label="Note" value={edited.note} />
			</div>
			<AsIf action="tryEditMeasure" {currency} {unit} />
			<Submit>Save</Submit>
		</Form>
		<Act command="removeMeasure" id={edited.id} look="quiet" onDone={() => (id = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>
