<script lang="ts">
	/** The steps of a component in their order: amounts, minutes, waits, when they are planned. */
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import Check from '@lucide/svelte/icons/check';
	import Plus from '@lucide/svelte/icons/plus';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import X from '@lucide/svelte/icons/x';
	import type { Component } from '$core/facts/component.ts';
	import { inOrder } from '$core/facts/order.ts';
	import type { Step } from '$core/facts/step.ts';
	import { cautionsFor } from '$core/trade/catalogue.ts';
	import { formatDuration, formatWait } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { stepFigure } from '$core/explain/plan.ts';
	import Act from '$lib/ui/Act.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { pressing } from '$lib/ui/pressing.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import StepFields from '$lib/ui/StepFields.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { amountWords } from '$lib/ui/amounts.ts';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';

	let { data, component }: { data: PageData; component: Component } = $props();
	const steps = $derived(inOrder(data.record.steps, component.id));
	const leftOut = $derived(data.record.leftOut.filter((s) => s.componentId === component.id));
	const planned = $derived(new Map(data.plan.schedule.steps.map((s) => [Number(s.id), s])));
	const impossible = $derived(new Map(data.plan.schedule.impossible.map((i) => [Number(i.id), i])));
	const copies = $derived(data.copies[component.id] ?? 1);
	const others = $derived(
		data.record.steps
			.filter((s) => s.componentId !== component.id)
			.map((s) => ({
				value: s.id,
				label: `${data.record.components.find((c) => c.id === s.componentId)?.code} ${s.name}`
			}))
	);

	let adding = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(data.record.steps.find((s) => s.id === editing));

	const afterWords = (step: Step) =>
		step.after.map((id) => {
			const other = data.record.steps.find((s) => s.id === id);
			const owner = data.record.components.find((c) => c.id === other?.componentId);
			return { id, words: `${owner?.code ?? ''} ${other?.name ?? ''}` };
		});

	/** Alt and arrows move a step, as they move a component. */
	function onkey(event: KeyboardEvent, step: Step, index: number) {
		const press = (to: 'up' | 'down') =>
			document
				.querySelector<HTMLButtonElement>(`[aria-label="Move ${step.name} ${to}, place ${index + 1}"]`)
				?.click();
		pressing({ up: () => press('up'), down: () => press('down') })(event);
	}
</script>

<Sheet title="Steps">
	{#snippet tools()}
		<Form command="addRoute" id={component.id} class="route" label="Add the steps of a route">
			<Field
				name="route"
				label="Steps of a route"
				hideLabel
				options={Object.entries(handbook().route).map(([value, r]) => ({ value, label: r.name }))}
				none="steps of a route…"
			/>
			<button class="button small">Add</button>
		</Form>
		<button class="button main small" data-add onclick={() => (adding = true)}><Plus size={14} /> Step</button
		>
	{/snippet}
	{#if leftOut.length}
		<p class="soft">
			Left out to be in time: {leftOut.map((s) => s.name).join(', ')}.
			<a href="/c/{data.record.costume.id}/plan">Take back in under Plan</a>
		</p>
	{/if}
	{#if steps.length}
		<div class="scroll">
			<table class="steps">
				<thead>
					<tr
						><th></th><th>Step</th><th>Amount</th><th class="number">Hands-on</th><th class="number">Waits</th
						><th>Marks</th><th>Planned</th><th><span class="visually-hidden">Change</span></th></tr
					>
				</thead>
				<tbody>
					{#each steps as step, index (step.id)}
						{@const p = planned.get(step.id)}
						{@const no = impossible.get(step.id)}
						{@const minutes = data.plan.minutes.get(step.id)!}
						<tr
							id="step-{step.id}"
							class:done={step.doneAt !== null}
							onkeydown={(e) => onkey(e, step, index)}
						>
							<td class="moves no-print">
								<Act
									command="moveStep"
									id={step.id}
									hidden={{ index: index - 1 }}
									look="quiet"
									disabled={index === 0}
									label="Move {step.name} up, place {index + 1}"><ArrowUp size={14} /></Act
								><Act
									command="moveStep"
									id={step.id}
									hidden={{ index: index + 1 }}
									look="quiet"
									disabled={index === steps.length - 1}
									label="Move {step.name} down, place {index + 1}"><ArrowDown size={14} /></Act
								>
							</td>
							<td>
								<b>{step.name}</b>
								{#if step.faultId !== null}<span class="cure small">cure</span>{/if}
								{#each afterWords(step) as link (link.id)}
									<span class="link small soft"
										>waits for {link.words}<Act
											command="removeStepAfter"
											id={step.id}
											hidden={{ afterId: link.id }}
											look="quiet"
											label="{step.name} no longer waits for {link.words}"><X size={12} /></Act
										></span
									>
								{/each}
							</td>
							<td class="small">
								{amountWords(step, data.workshop)}{#if step.perCopy && copies > 1}<b> × {copies}</b>{/if}
							</td>
							<td class="number" title="good {formatDuration(minutes[0])}, bad {formatDuration(minutes[2])}"
								><Working
									figure={stepFigure(step, component, data.record, data.workshop)}
									text={formatDuration(minutes[1])}
								/></td
							>
							<td class="number">{step.waitMinutes ? formatWait(step.waitMinutes) : ''}</td>
							<td class="small marks">
								{[
									step.oneSitting && 'one sitting',
									step.needsHelper && 'helper',
									step.fromPieces && 'follows its pieces',
									step.placeId !== null &&
										data.workshop.places.find((x) => x.id === step.placeId)?.name.toLowerCase(),
									step.withinMinutes !== null && `within ${formatWait(step.withinMinutes)}`
								]
									.filter(Boolean)
									.join(', ')}
							</td>
							<td class="small when">
								{#if step.doneAt !== null}<span class="ok"><Check size={13} /> {timeWords(step.doneAt)}</span>
								{:else if p}{timeWords(p.start)}{:else if no}<span class="bad">cannot be placed</span>{/if}
							</td>
							<td class="number no-print">
								{#if step.doneAt === null}
									<Act command="finishStep" id={step.id} look="quiet" label="Finish {step.name}"
										><Check size={14} /> Done</Act
									>
								{:else}
									<Act command="reopenStep" id={step.id} look="quiet" label="Take up {step.name} again"
										><Undo2 size={14} /></Act
									>
								{/if}
								<button
									class="button small quiet"
									onclick={() => (editing = step.id)}
									aria-label="Edit {step.name}">Edit</button
								>
								<Act command="removeStep" id={step.id} look="quiet" label="Remove {step.name}"
									><X size={14} /></Act
								>
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{:else}
		<p class="soft">
			{component.source === 'buy'
				? 'Bought whole: put it on the list under Buy. Steps are only needed if something is done to it.'
				: 'No steps yet. Take the usual steps of a route, or add your own.'}
		</p>
	{/if}
	<div class="caution">
		<Caution
			keys={[
				...new Set(
					steps.filter((s) => s.doneAt === null).flatMap((s) => cautionsFor(handbook(), s.technique))
				)
			]}
		/>
	</div>
</Sheet>

<Dialog bind:open={adding} title="New step for {component.code}">
	<Form
		command="addStep"
		hidden={{ componentId: component.id, faultId: null }}
		onDone={() => (adding = false)}
		label="New step"
	>
		<StepFields workshop={data.workshop} />
		<Submit>Add step</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Step {edited?.name ?? ''}">
	{#if edited}
		<Form
			command="editStep"
			id={edited.id}
			version={edited.version}
			onDone={() => (editing = null)}
			label="Step"
		>
			<StepFields step={edited} workshop={data.workshop} />
			<Submit>Save</Submit>
		</Form>
		<hr />
		<Form command="addStepAfter" id={edited.id} label="Waits for another component's step" class="after">
			<Field
				name="afterId"
				label="Waits also for"
				options={others}
				none="choose a step of another component"
			/>
			<button class="button small">Add</button>
		</Form>
	{/if}
</EditDialog>

<style>
	.steps td {
		padding: 2px 8px;
	}
	.moves {
		white-space: nowrap;
		padding-left: 0 !important;
	}
	.moves :global(.button.small) {
		padding: 2px 3px;
	}
	tr.done td {
		color: var(--ink-soft);
	}
	tr:target {
		background: var(--yellow-wash);
	}
	.when {
		white-space: nowrap;
	}
	.ok {
		color: var(--good-ink);
	}
	.bad {
		color: var(--red-ink);
		font-weight: 600;
	}
	.cure {
		background: var(--red-wash);
		color: var(--red-ink);
		padding: 0 6px;
	}
	.link {
		display: inline-flex;
		align-items: center;
		margin-left: 8px;
	}
	:global(form.route),
	:global(form.after) {
		display: flex;
		gap: 6px;
		align-items: end;
	}
	.caution {
		margin-top: 12px;
	}
	hr {
		border: 0;
		border-top: 1px dashed var(--rule);
		margin: 16px 0;
	}
</style>
