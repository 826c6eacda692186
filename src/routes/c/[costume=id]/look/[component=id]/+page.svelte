<script lang="ts">
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import X from '@lucide/svelte/icons/x';
	import { goto } from '$app/navigation';
	import { inOrder } from '$core/facts/order.ts';
	import { tagWords as tagAmount } from '$core/facts/component.ts';
	import { zoneWords } from '$core/facts/zone.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { componentHoursFigure } from '$core/explain/plan.ts';
	import { componentMoneyFigure } from '$core/explain/money.ts';
	import Act from '$lib/ui/Act.svelte';
	import CoatStack from '$lib/ui/coats/CoatStack.svelte';
	import ComponentFields from '$lib/ui/ComponentFields.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Photos from '$lib/ui/Photos.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import Needs from './Needs.svelte';
	import Steps from './Steps.svelte';
	import Submit from '$lib/ui/Submit.svelte';

	let { data }: { data: PageData } = $props();
	const component = $derived(data.record.components.find((c) => c.id === data.componentId)!);
	const base = $derived(`/c/${data.record.costume.id}`);
	const steps = $derived(inOrder(data.record.steps, component.id));
	const parts = $derived(data.record.components.filter((c) => c.parentId === component.id));
	const parent = $derived(data.record.components.find((c) => c.id === component.parentId));
	const logs = $derived(data.record.logs.filter((l) => steps.some((s) => s.id === l.stepId)));
	const copies = $derived(data.copies[component.id] ?? 1);
	const left = $derived(componentHoursFigure(component, data.record, data.plan));
	const total = $derived(steps.reduce((sum, s) => sum + data.plan.minutes.get(s.id)![1], 0));
	const logged = $derived(logs.reduce((sum, l) => sum + l.minutes, 0));

	let editingComponent = $state(false);
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
					component.route && `route: ${handbook().route[component.route]?.name ?? component.route}`,
					`seen: ${component.seenFrom}`,
					`the look needs it ${component.lookNeed} of 5`
				]
					.filter(Boolean)
					.join(' · ')}
			</p>
			<p class="small no-print">
				<a href="{base}/mend/record?of={component.id}">Its record: what is inside, how it was made</a>
			</p>
			{#if component.note}<p class="note">{component.note}</p>{/if}
			{#if parts.length}<p class="row parts">
					Parts: {#each parts as part (part.id)}<Tag component={part} href="{base}/look/{part.id}" />{/each}
				</p>{/if}
		</div>
		<dl>
			<dt>Left</dt>
			<dd><Working figure={left} text={formatDuration(valueOf(left))} /></dd>
			<dt>In all</dt>
			<dd class="figure">{formatDuration(total)}</dd>
			<dt>Logged</dt>
			<dd class="figure">{formatDuration(logged)}</dd>
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

<Steps {data} {component} />

<div class="pair">
	<Sheet title="Coats"
		><CoatStack
			{component}
			record={data.record}
			settings={data.workshop.settings}
			materials={data.workshop.materials}
			now={data.now}
		/></Sheet
	>
	<Needs {data} {component} />
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

<Dialog bind:open={editingComponent} title="{component.code} {component.name}" wide>
	<Form
		command="editComponent"
		id={component.id}
		version={component.version}
		onDone={() => (editingComponent = false)}
		label="Component"
	>
		<ComponentFields {component} />
		<Submit>Save</Submit>
	</Form>
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
	@media (max-width: 700px) {
		.head {
			grid-template-columns: minmax(0, 1fr);
		}
		dl {
			grid-template-columns: auto 1fr;
		}
	}
</style>
