<script lang="ts">
	/** Something broke: a known fault brings its cause, its cure and the steps of it. */
	import { OCCASIONS } from '$core/facts/fault.ts';
	import { timeWords, formatLocalTime } from '$core/units/localTime.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import Form from '$lib/ui/Form.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import { causesOf, type FaultPlace } from '$core/trade/knownFault.ts';
	import Submit from '$lib/ui/Submit.svelte';
	import { knownFaultOf } from '$core/trade/catalogue.ts';
	import Field from '$lib/ui/Field.svelte';

	interface Props {
		open: boolean;
		record: CostumeRecord;
		/** What is known of where each component lets go. */
		places: Readonly<Record<number, FaultPlace>>;
		now: LocalMinutes;
	}
	let { open = $bindable(), record, places, now }: Props = $props();
	let symptom = $state('');
	let componentId = $state<string | number>('');
	const trade = $derived(handbook());
	const place = $derived(places[Number(componentId)] ?? { holds: [], surfaces: [], loads: [] });
	/** Causes that are usual there, the likeliest first. */
	const causes = $derived(causesOf(trade.knownFault, symptom, place));
	let chosen = $state('');
	const known = $derived(knownFaultOf(trade, causes.includes(chosen) ? chosen : (causes[0] ?? null)));
	const earlier = $derived(record.faults.filter((f) => String(f.componentId) === String(componentId)));
	// It begins empty each time.
	$effect(() => {
		if (open) [symptom, componentId, chosen] = ['', '', ''];
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
				list={[...new Set(Object.values(trade.knownFault).map((k) => k.symptom))]}
				value={symptom}
				onchange={(v) => (symptom = v)}
				hint="a known one brings its cause and cure"
				wide
			/>
			{#if causes.length > 1}<fieldset>
					<legend class="small soft">Usual causes there</legend>
					{#each causes as key (key)}<label
							><input
								type="radio"
								name="usual"
								value={key}
								checked={trade.knownFault[key] === known}
								onchange={() => (chosen = key)}
							/>
							{trade.knownFault[key]!.cause}</label
						>{/each}
				</fieldset>{/if}
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

<style>
	fieldset {
		grid-column: 1 / -1;
		border: 1px solid var(--rule);
		margin: 0;
		padding: 4px 10px;
	}
	label {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 32px;
	}
</style>
