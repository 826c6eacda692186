<script lang="ts">
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import Check from '@lucide/svelte/icons/check';
	import ListChecks from '@lucide/svelte/icons/list-checks';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import X from '@lucide/svelte/icons/x';
	import { goto } from '$app/navigation';
	import { inOrder } from '$core/costume/order.ts';
	import { areaOfUnit } from '$core/pattern/followPieces.ts';
	import { amountWords as tagAmount } from '$core/costume/component.ts';
	import { ROUTES } from '$core/costume/route.ts';
	import type { Step } from '$core/costume/step.ts';
	import { zoneWords } from '$core/costume/zone.ts';
	import { cautionsFor } from '$core/safety/caution.ts';
	import { formatDuration, formatHours, formatWait } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { valueOf } from '$core/working/figure.ts';
	import {
		componentHoursFigure,
		componentMoneyFigure,
		needFigure,
		stepFigure
	} from '$core/working/figures.ts';
	import Act from '$lib/ui/Act.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import CoatStack from '$lib/ui/CoatStack.svelte';
	import ComponentFields from '$lib/ui/ComponentFields.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Photos from '$lib/ui/Photos.svelte';
	import SeedDialog from '$lib/ui/SeedDialog.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import StepFields from '$lib/ui/StepFields.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { amountWords } from '$lib/ui/amounts.ts';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const component = $derived(data.record.components.find((c) => c.id === data.componentId)!);
	const base = $derived(`/c/${data.record.costume.id}`);
	const steps = $derived(inOrder(data.record.steps, component.id));
	const parts = $derived(data.record.components.filter((c) => c.parentId === component.id));
	const parent = $derived(data.record.components.find((c) => c.id === component.parentId));
	const needs = $derived(data.record.needs.filter((n) => n.componentId === component.id));
	const logs = $derived(data.record.logs.filter((l) => steps.some((s) => s.id === l.stepId)));
	const leftOut = $derived(data.record.leftOut.filter((s) => s.componentId === component.id));
	const planned = $derived(new Map(data.plan.plan.steps.map((s) => [Number(s.id), s])));
	const impossible = $derived(new Map(data.plan.plan.impossible.map((i) => [Number(i.id), i])));
	const material = (id: number) => data.workshop.materials.find((m) => m.id === id)!;
	const copies = $derived(data.copies[component.id] ?? 1);
	const left = $derived(componentHoursFigure(component, data.record, data.plan));
	const total = $derived(steps.reduce((sum, s) => sum + data.plan.minutes.get(s.id)![1], 0));
	const logged = $derived(logs.reduce((sum, l) => sum + l.minutes, 0));
	const others = $derived(
		data.record.steps
			.filter((s) => s.componentId !== component.id)
			.map((s) => ({
				value: s.id,
				label: `${data.record.components.find((c) => c.id === s.componentId)?.code} ${s.name}`
			}))
	);

	let adding = $state(false);
	let editingComponent = $state(false);
	let needing = $state(false);
	let seeding = $state(false);
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
		if (!event.altKey || !/^Arrow(Up|Down)$/.test(event.key)) return;
		event.preventDefault();
		const to = event.key === 'ArrowUp' ? 'up' : 'down';
		document
			.querySelector<HTMLButtonElement>(`[aria-label="Move ${step.name} ${to}, place ${index + 1}"]`)
			?.click();
	}
</script>

<svelte:head><title>{component.code} {component.name} · Dapper Ledger</title></svelte:head>

<Sheet>
	<div class="head">
		<div>
			<p class="small no-print">
				<a href="{base}/look">Components</a>{#if parent}
					/ <a href="{base}/look/{parent.id}">{parent.code} {parent.name}</a>{/if}
			</p>
			<h2><Tag {component} /> <span class="stage">{data.stages[component.id]}</span></h2>
			<p>
				{[
					component.kind,
					component.form,
					`layer ${component.layer}`,
					component.zones.map(zoneWords).join(', '),
					component.flex,
					component.source,
					component.route && `route: ${ROUTES[component.route].name}`,
					`seen: ${component.seenFrom}`,
					`the look needs it ${component.lookNeed} of 5`
				]
					.filter(Boolean)
					.join(' · ')}
			</p>
			{#if component.note}<p class="note">{component.note}</p>{/if}
			{#if parts.length}<p class="row parts">
					Parts: {#each parts as part (part.id)}<Tag component={part} href="{base}/look/{part.id}" />{/each}
				</p>{/if}
		</div>
		<dl>
			<dt>Left</dt>
			<dd><Working figure={left} text={formatHours(valueOf(left))} /></dd>
			<dt>In all</dt>
			<dd class="figure">{formatHours(total)}</dd>
			<dt>Logged</dt>
			<dd class="figure">{formatHours(logged)}</dd>
			<dt>Copies</dt>
			<dd class="figure">
				{copies}{tagAmount(component) ? ` (${tagAmount(component)}${parent ? ', times its set' : ''})` : ''}
			</dd>
			<dt>Money</dt>
			<dd>
				<Working figure={componentMoneyFigure(component, data.record.costume, data.spend, data.workshop)} />
			</dd>
		</dl>
		<div class="row no-print tools">
			<button class="button small" onclick={() => (editingComponent = true)}>Edit component</button>
			<a class="button small" href="{base}/look/{component.id}/ways">Make, buy or alter?</a>
			<Act command="removeComponent" id={component.id} look="quiet" onDone={() => goto(`${base}/look`)}
				><Trash2 size={14} /> Remove</Act
			>
		</div>
	</div>
</Sheet>

<Sheet title="Steps">
	{#snippet tools()}
		<Form command="addRoute" id={component.id} class="route" label="Add the steps of a route">
			<Field
				name="route"
				label="Steps of a route"
				hideLabel
				options={Object.entries(ROUTES).map(([value, r]) => ({ value, label: r.name }))}
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
								{amountWords(step, data.workshop.settings)}{#if step.perCopy && copies > 1}<b>
										× {copies}</b
									>{/if}
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
			keys={[...new Set(steps.filter((s) => s.doneAt === null).flatMap((s) => cautionsFor(s.technique)))]}
		/>
	</div>
</Sheet>

<div class="pair">
	<Sheet title="Coats"><CoatStack {component} record={data.record} settings={data.workshop.settings} /></Sheet
	>
	<Sheet title="Materials">
		{#snippet tools()}<button class="button small" onclick={() => (seeding = true)}
				><ListChecks size={14} /> Suggest</button
			>
			<button class="button small" onclick={() => (needing = true)}><Plus size={14} /> Need</button>{/snippet}
		{#if needs.length}
			<table>
				<thead><tr><th>Material</th><th class="number">Needed</th><th>First used by</th><th></th></tr></thead>
				<tbody>
					{#each needs as need (need.id)}
						<tr>
							<td><a href="/stash#material-{need.materialId}">{material(need.materialId).name}</a></td>
							<td class="number"
								>{#if need.waste !== null && areaOfUnit(material(need.materialId))}<Working
										figure={needFigure(need, material(need.materialId), component, data.record)}
									/>{:else}{formatNumber(need.quantity, 3)} {material(need.materialId).unit}{/if}</td
							>
							<td class="small soft"
								>{steps.find((s) => s.id === need.stepId)?.name ?? 'first making step'}</td
							>
							<td class="number no-print"
								><Act
									command="removeNeed"
									id={need.id}
									look="quiet"
									label="No longer needs {material(need.materialId).name}"><X size={14} /></Act
								></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		{:else}
			<p class="soft">
				Nothing entered. Let it <b>suggest</b> what its steps take, or say it yourself, and Buy works out packs,
				money and the day to order by.
			</p>
		{/if}
	</Sheet>
</div>

<div class="pair">
	<Sheet title="Photos"
		><Photos
			photos={data.record.photos.filter((p) => p.componentId === component.id)}
			componentId={component.id}
		/></Sheet
	>
	<Sheet title="Log">
		{#if logs.length}
			<ul class="log">
				{#each logs as log (log.id)}
					<li>
						<span class="figure">{timeWords(log.startedAt)}</span>
						<b>{steps.find((s) => s.id === log.stepId)?.name}</b>
						<span class="figure">{log.endedAt === null ? 'running' : formatDuration(log.minutes)}</span>
						{#if log.note}<span class="soft">{log.note}</span>{/if}
						<Act command="removeLog" id={log.id} look="quiet" label="Remove this log"><X size={13} /></Act>
					</li>
				{/each}
			</ul>
		{:else}
			<p class="soft">Nothing logged yet. The timer on Bench writes here: how it was made, for years.</p>
		{/if}
	</Sheet>
</div>

<Dialog bind:open={adding} title="New step for {component.code}">
	<Form
		command="addStep"
		hidden={{ componentId: component.id, faultId: null }}
		onDone={() => (adding = false)}
		label="New step"
	>
		<StepFields workshop={data.workshop} />
		<p class="end"><button class="button main">Add step</button></p>
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
			<p class="end"><button class="button main">Save</button></p>
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
<Dialog bind:open={editingComponent} title="{component.code} {component.name}" wide>
	<Form
		command="editComponent"
		id={component.id}
		version={component.version}
		onDone={() => (editingComponent = false)}
		label="Component"
	>
		<ComponentFields {component} />
		<p class="end"><button class="button main">Save</button></p>
	</Form>
</Dialog>
<SeedDialog bind:open={seeding} {component} record={data.record} materials={data.workshop.materials} />
<Dialog bind:open={needing} title="What {component.code} takes">
	{#if data.workshop.materials.length}
		<Form
			command="addNeed"
			hidden={{ componentId: component.id }}
			onDone={() => (needing = false)}
			label="New need"
		>
			<div class="fields">
				<Field
					name="materialId"
					label="Material"
					options={data.workshop.materials.map((m) => ({ value: m.id, label: `${m.name} (${m.unit})` }))}
					none="choose"
					wide
				/>
				<Field name="quantity" label="Quantity, for all copies" value="1" inputmode="decimal" />
				<Field
					name="waste"
					label="Or from its pieces, times for waste"
					inputmode="decimal"
					hint="e.g. 1.3; empty: as typed"
				/>
				<Field
					name="stepId"
					label="First used by"
					options={steps.map((s) => ({ value: s.id, label: s.name }))}
					none="the first making step"
				/>
			</div>
			<p class="end"><button class="button main">Add need</button></p>
		</Form>
	{:else}
		<p>
			No materials are known yet. <a href="/stash">Add the first one in Stash</a>: its name, unit, pack and
			price.
		</p>
	{/if}
</Dialog>

<style>
	.head {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 8px 24px;
	}
	h2 {
		display: flex;
		gap: 12px;
		align-items: center;
		flex-wrap: wrap;
		margin: 4px 0 8px;
		font-size: var(--s18);
	}
	.stage {
		font-size: var(--s15);
	}
	.tools {
		grid-column: 1 / -1;
	}
	.parts {
		margin-top: 8px;
	}
	.note {
		margin-top: 4px;
		white-space: pre-wrap;
	}
	dl {
		display: grid;
		grid-template-columns: auto auto;
		gap: 0 12px;
		margin: 0;
		align-content: start;
	}
	dt {
		color: var(--ink-soft);
	}
	dd {
		margin: 0;
		text-align: right;
	}
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
	.pair {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 440px), 1fr));
		gap: 16px;
		align-items: start;
	}
	.log {
		list-style: none;
		margin: 0;
		padding: 0;
		max-height: 320px;
		overflow: auto;
	}
	.log li {
		display: flex;
		gap: 4px 10px;
		align-items: center;
		flex-wrap: wrap;
		border-bottom: 1px solid var(--rule);
		padding: 2px 0;
	}
	.end {
		margin-top: 16px;
	}
	hr {
		border: 0;
		border-top: 1px dashed var(--rule);
		margin: 16px 0;
	}
	@media (max-width: 700px) {
		.head {
			grid-template-columns: minmax(0, 1fr);
		}
		dl {
			grid-template-columns: auto 1fr;
		}
	}
</style>
