<script lang="ts">
	/** A fault, changed. */
	import Form from '$lib/ui/Form.svelte';
	import type { HoldKind } from '$core/facts/fault.ts';
	import type { Fault } from '$core/facts/fault.ts';
	import Submit from '$lib/ui/Submit.svelte';
	import { formatLocalTime, timeWords } from '$core/units/localTime.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import Field from '$lib/ui/Field.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import { OCCASIONS } from '$core/facts/fault.ts';

	interface Props {
		id: number | null;
		faults: readonly Fault[];
		/** What may let go of each component. */
		kinds: readonly { componentId: number; kind: HoldKind; name: string }[];
	}
	let { id = $bindable(), faults, kinds }: Props = $props();
	const edited = $derived(faults.find((f) => f.id === id));
</script>

<EditDialog bind:id title="Fault">
	{#if edited}
		<Form
			command="editFault"
			id={edited.id}
			version={edited.version}
			onDone={() => (id = null)}
			label="Fault"
		>
			<div class="fields">
				<Field name="symptom" label="Symptom" value={edited.symptom} wide />
				<Field name="cause" label="Cause" value={edited.cause} wide />
				<Field name="cure" label="Cure" value={edited.cure} wide />
				<Field
					name="holds"
					label="What let go"
					options={kinds
						.filter((k) => k.componentId === edited.componentId || k.kind === edited.holds)
						.map(({ kind, name }) => ({ value: kind, label: name }))}
					none="by its symptom"
					value={edited.holds ?? ''}
				/>
				<Field name="occasion" label="When" options={OCCASIONS} value={edited.occasion} />
				<Field
					name="happenedAt"
					label="At"
					type="datetime-local"
					value={formatLocalTime(edited.happenedAt)}
				/>
				<Field name="minutesLost" label="Time lost" value={formatDuration(edited.minutesLost)} />
				<Field
					name="cameBackOf"
					label="It came back of"
					options={faults
						.filter((f) => f.componentId === edited.componentId && f.id !== edited.id)
						.map((f) => ({ value: f.id, label: `${f.symptom}, ${timeWords(f.happenedAt)}` }))}
					none="no, it is new"
					value={edited.cameBackOf ?? ''}
				/>
			</div>
			<Submit>Save</Submit>
		</Form>
	{/if}
</EditDialog>
