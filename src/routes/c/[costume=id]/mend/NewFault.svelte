<script lang="ts">
	/** Something broke: a known fault brings its cause, its cure and the steps of it. */
	import { OCCASIONS } from '$core/facts/fault.ts';
	import { timeWords, formatLocalTime } from '$core/units/localTime.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import Form from '$lib/ui/Form.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import { keyOfSymptom } from '$core/trade/knownFault.ts';
	import Submit from '$lib/ui/Submit.svelte';
	import { knownFaultOf } from '$core/trade/catalogue.ts';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		open: boolean;
		record: CostumeRecord;
		now: LocalMinutes;
	}
	let { open = $bindable(), record, now }: Props = $props();
	let symptom = $state('');
	let componentId = $state<string | number>('');
	const trade = $derived(handbook());
	const known = $derived(knownFaultOf(trade, keyOfSymptom(trade.knownFault, symptom)));
	const earlier = $derived(record.faults.filter((f) => String(f.componentId) === String(componentId)));
	// It begins empty each time.
	$effect(() => {
		if (open) [symptom, componentId] = ['', ''];
	});
</script>

<Dialog bind:open title="What broke?">
	<Form command="addFault" onDone={() => (open = false)} label="New fault">
		<div class="fields">
			<Field
				name="componentId"
				label="Component"
				options={record.components.map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }))}
				none="choose"
				bind:value={componentId}
				wide
			/>
			<Field
				name="symptom"
				label="Symptom"
				list={Object.values(trade.knownFault).map((k) => k.symptom)}
				value={symptom}
				onchange={(v) => (symptom = v)}
				hint="a known one brings its cause and cure"
				wide
			/>
			{#key known}
				<Field name="cause" label="Cause" value={known?.cause ?? ''} wide />
				<Field name="cure" label="Cure" value={known?.cure ?? ''} wide />
			{/key}
			<Field name="occasion" label="When" options={OCCASIONS} value="test wear" />
			<Field name="happenedAt" label="At" type="datetime-local" value={formatLocalTime(now)} />
			<Field name="minutesLost" label="Time lost" value="0" hint="e.g. 20m" />
			<Field
				name="cameBackOf"
				label="It came back of"
				options={earlier.map((f) => ({ value: f.id, label: `${f.symptom}, ${timeWords(f.happenedAt)}` }))}
				none="no, it is new"
				value=""
			/>
		</div>
		{#if known}<p class="small soft end">
				Brings the steps: {known.steps.map((s) => s.name).join(', ')}.
			</p>{/if}
		<Submit>Log the fault</Submit>
	</Form>
</Dialog>
