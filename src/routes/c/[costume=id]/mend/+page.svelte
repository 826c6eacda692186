<script lang="ts">
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Check from '@lucide/svelte/icons/check';
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import { isMended, OCCASIONS, type Fault } from '$core/facts/fault.ts';
	import { keyOfSymptom } from '$core/trade/knownFault.ts';
	import { formatDuration, formatWait } from '$core/units/duration.ts';
	import { formatLocalTime, timeWords } from '$core/units/localTime.ts';
	import { cautionsFor, knownFaultOf } from '$core/trade/catalogue.ts';
	import Act from '$lib/ui/Act.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Photos from '$lib/ui/Photos.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const componentOf = (fault: Fault) => data.record.components.find((c) => c.id === fault.componentId)!;
	const open = $derived(data.record.faults.filter((f) => !isMended(f, data.record.steps)));
	const mended = $derived(data.record.faults.filter((f) => isMended(f, data.record.steps)));
	const again = (fault: Fault) => data.record.faults.find((f) => f.id === fault.cameBackOf);
	const backAs = (fault: Fault) => data.record.faults.find((f) => f.cameBackOf === fault.id);

	let adding = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(data.record.faults.find((f) => f.id === editing));
	let symptom = $state('');
	let componentId = $state<string | number>('');
	const trade = $derived(handbook());
	const known = $derived(knownFaultOf(trade, keyOfSymptom(trade.knownFault, symptom)));
	const earlier = $derived(data.record.faults.filter((f) => String(f.componentId) === String(componentId)));
</script>

<svelte:head><title>Mend · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#snippet faultSheet(fault: Fault)}
	{@const component = componentOf(fault)}
	{@const cure = data.record.steps.filter((s) => s.faultId === fault.id)}
	<Sheet>
		<div class="fault">
			<div class="top">
				<Tag {component} href="{base}/look/{component.id}" />
				<h2>{fault.symptom}</h2>
				<span class="soft small"
					>{fault.occasion}, {timeWords(fault.happenedAt)}{fault.minutesLost
						? `, ${formatDuration(fault.minutesLost)} lost`
						: ''}</span
				>
			</div>
			<p>
				{#if fault.cause}<b>Cause:</b> {fault.cause}.{/if}
				{#if fault.cure}<b>Cure:</b> {fault.cure}.{/if}
				{#if again(fault)}<span class="bad"
						>Came back: it was mended before, on {timeWords(again(fault)!.happenedAt)}. Fix the cause this
						time.</span
					>{/if}
				{#if backAs(fault)}<span class="bad">It came back on {timeWords(backAs(fault)!.happenedAt)}.</span
					>{/if}
			</p>
			<ul>
				{#each cure as step (step.id)}
					<li class:done={step.doneAt !== null}>
						<span class="what">{step.name}</span>
						<span class="figure small"
							>{formatDuration(data.plan.minutes.get(step.id)![1])}{step.waitMinutes
								? `, then waits ${formatWait(step.waitMinutes)}`
								: ''}</span
						>
						{#if step.doneAt === null}<Act command="finishStep" id={step.id} label="Finish {step.name}"
								><Check size={14} /> Done</Act
							>
						{:else}<span class="ok small"><Check size={14} /> {timeWords(step.doneAt)}</span>{/if}
					</li>
				{:else}
					<li class="bad">No cure step. Add one under the component, or it stays broken.</li>
				{/each}
			</ul>
			<Caution
				keys={[
					...new Set(cure.filter((s) => s.doneAt === null).flatMap((s) => cautionsFor(trade, s.technique)))
				]}
			/>
			<Photos
				photos={data.record.photos.filter((p) => p.faultId === fault.id)}
				componentId={component.id}
				faultId={fault.id}
			/>
			<div class="row no-print">
				<button class="button small quiet" onclick={() => (editing = fault.id)}>Edit</button>
				<Act command="removeFault" id={fault.id} look="quiet"><X size={14} /> Remove</Act>
			</div>
		</div>
	</Sheet>
{/snippet}

<div class="bar on-mat">
	<h2>{open.length ? `${open.length} to mend` : 'Nothing broken'}</h2>
	<button
		class="button main"
		data-add
		onclick={() => {
			symptom = '';
			componentId = '';
			adding = true;
		}}
		disabled={!data.record.components.length}><Plus size={16} /> Fault</button
	>
</div>
{#each open as fault (fault.id)}{@render faultSheet(fault)}{:else}
	<Sheet>
		<p class="soft">
			{data.record.components.length
				? 'Log what breaks, when and why: at test wear, at the event, in storage. Its cure comes as steps, and the component is not ready until they are done.'
				: 'Faults belong to components. Add those first, under Look.'}
		</p>
		{#if !data.record.components.length}<p class="note">
				<a class="button main" href="{base}/look">Break the look into components</a>
			</p>{/if}
	</Sheet>
{/each}
{#if mended.length}
	<h2 class="on-mat mended">Mended</h2>
	{#each mended as fault (fault.id)}{@render faultSheet(fault)}{/each}
{/if}

<Sheet title="What usually breaks, and why">
	<div class="scroll">
		<table>
			<thead><tr><th>Symptom</th><th>Usual cause</th><th>Cure</th></tr></thead>
			<tbody>
				{#each Object.entries(trade.knownFault) as [key, k] (key)}<tr
						><td><b>{k.symptom}</b></td><td>{k.cause}</td><td>{k.cure}</td></tr
					>{/each}
			</tbody>
		</table>
	</div>
	<p class="small soft">Common practice.</p>
</Sheet>

<Dialog bind:open={adding} title="What broke?">
	<Form command="addFault" onDone={() => (adding = false)} label="New fault">
		<div class="fields">
			<Field
				name="componentId"
				label="Component"
				options={data.record.components.map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }))}
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
			<Field name="happenedAt" label="At" type="datetime-local" value={formatLocalTime(data.now)} />
			<Field name="minutesLost" label="Time lost" value="0" hint="e.g. 20m" />
			<Field
				name="cameBackOf"
				label="It came back of"
				options={earlier.map((f) => ({ value: f.id, label: `${f.symptom}, ${timeWords(f.happenedAt)}` }))}
				none="no, it is new"
				value=""
			/>
		</div>
		{#if known}<p class="small soft note">
				Brings the steps: {known.steps.map((s) => s.name).join(', ')}.
			</p>{/if}
		<p class="note"><button class="button main">Log the fault</button></p>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Fault">
	{#if edited}
		<Form
			command="editFault"
			id={edited.id}
			version={edited.version}
			onDone={() => (editing = null)}
			label="Fault"
		>
			<div class="fields">
				<Field name="symptom" label="Symptom" value={edited.symptom} wide />
				<Field name="cause" label="Cause" value={edited.cause} wide />
				<Field name="cure" label="Cure" value={edited.cure} wide />
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
					options={data.record.faults
						.filter((f) => f.componentId === edited.componentId && f.id !== edited.id)
						.map((f) => ({ value: f.id, label: `${f.symptom}, ${timeWords(f.happenedAt)}` }))}
					none="no, it is new"
					value={edited.cameBackOf ?? ''}
				/>
			</div>
			<p class="note"><button class="button main">Save</button></p>
		</Form>
	{/if}
</EditDialog>

<style>
	.bar {
		display: flex;
		justify-content: space-between;
		align-items: center;
		color: var(--on-mat);
	}
	.bar h2 {
		font-size: var(--s24);
	}
	.bar :global(.button.main) {
		background: var(--brass);
		border-color: var(--brass);
		color: #1c1503;
	}
	.mended {
		color: var(--on-mat);
		margin-top: 8px;
	}
	.fault {
		display: grid;
		gap: 8px;
	}
	.top {
		display: flex;
		gap: 4px 12px;
		align-items: center;
		flex-wrap: wrap;
	}
	.bad {
		color: var(--red-ink);
		font-weight: 600;
	}
	.ok {
		color: var(--good-ink);
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	li {
		display: flex;
		gap: 12px;
		align-items: center;
		border-bottom: 1px dotted var(--rule);
		padding: 3px 0;
		flex-wrap: wrap;
	}
	.what {
		flex: 1;
		font-weight: 600;
		min-width: 140px;
	}
	.done .what {
		color: var(--ink-soft);
	}
	.note {
		margin-top: 12px;
	}
</style>
