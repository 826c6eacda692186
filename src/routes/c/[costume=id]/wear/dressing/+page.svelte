<script lang="ts">
	import Pencil from '@lucide/svelte/icons/pencil';
	import pluralize from 'pluralize';
	import { handsFor, onMinutes } from '$core/answers/dressing.ts';
	import { offMinutes } from '$core/answers/takingOff.ts';
	import { onMinutesFigure, preparationFigure } from '$core/explain/dressing.ts';
	import { formatNumber } from '$core/units/number.ts';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import GuessMark from '$lib/ui/GuessMark.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import Lanes from './Lanes.svelte';
	import Preparations from './Preparations.svelte';
	import Rehearse from './Rehearse.svelte';
	import TakingOff from './TakingOff.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const wearer = $derived(data.record.costume.wearer || 'the wearer');
	let dressers = $state<number | null>(null);
	const plan = $derived(data.plans.find((p) => p.dressers === dressers) ?? data.plans[0]);
	const WITH: Record<number, string> = { 1: 'alone', 2: 'with one helper', 3: 'with two helpers' };
	const names = $derived([wearer, 'helper', 'second helper']);
	let editing = $state<number | null>(null);
	const edited = $derived(data.record.components.find((c) => c.id === editing));
	const minutes = (n: number) => formatNumber(n, 1);
</script>

<svelte:head><title>Dressing · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Dressing {wearer}">
	{#if data.circle}
		<p class="bad" role="alert">
			These wait for each other and can never be put on: {data.circle
				.map((c) => `${c.code} ${c.name}`)
				.join(' → ')}. Change the layer of one under Look, or what one is held to.
		</p>
	{:else if plan && plan.order.length}
		<div class="people" role="group" aria-label="Who dresses">
			{#each data.plans as p (p.dressers)}
				<button
					aria-pressed={p === plan}
					onclick={() => (dressers = p.dressers)}
					aria-label="{minutes(p.minutes)} minutes {WITH[p.dressers]}"
				>
					<b>{minutes(p.minutes)} min</b><span>{WITH[p.dressers]}</span>
				</button>
			{/each}
		</div>
		<Lanes {plan} {names} />
		<p class="small soft">
			{plan.proved ? 'Nothing is quicker' : 'The quickest that was found'}: lower layers first, what something
			is held to before it, two things on one zone never at once. Five minutes is good, twenty is much (common
			practice).
		</p>
		<ol class="plain steps">
			{#each plan.order as { component, preparation, start, end, by, guessed } (component?.id ?? `p${preparation?.id}`)}
				<li>
					<span class="clock">{minutes(start)}–{minutes(end)}</span>
					{#if component}<Tag {component} href="{base}/look/{component.id}" />{:else}<b>{preparation!.name}</b
						>{/if}
					<span class="who">{by.map((i) => names[i]).join(' and ')}</span>
					<span class="mono"
						><Working
							figure={component
								? onMinutesFigure(component, data.wear)
								: preparationFigure(preparation!, data.wear)}
							text="{minutes(end - start)} min"
						/>{#if guessed}<GuessMark />{/if}</span
					>
					{#if component}
						<button
							class="button quiet small no-print"
							aria-label="How {component.code} {component.name} is put on"
							onclick={() => (editing = component.id)}><Pencil size={14} /></button
						>
					{/if}
				</li>
			{/each}
		</ol>
		<p class="small">
			<b>Undressing</b> is the other way round: {plan.order
				.toReversed()
				.flatMap((o) => o.component?.code ?? [])
				.join(', ')}.
		</p>
		<p class="end no-print">
			<button class="button small" onclick={() => print()}>Print the list</button>
		</p>
	{:else}
		<p>Nothing to put on yet: <a href="{base}/look">break the look into components</a>.</p>
	{/if}
</Sheet>
{#if plan?.order.length}<Rehearse
		costumeId={data.record.costume.id}
		{plan}
		{names}
		rehearsals={data.wear.rehearsals}
		variants={data.wear.variants}
		variant={data.variant}
	/>{/if}
{#if data.off.length}<TakingOff off={data.off} wear={data.wear} {base} />{/if}
<Preparations
	preparations={data.wear.preparations}
	variants={data.wear.variants}
	eventAt={data.record.costume.eventAt}
/>

<EditDialog bind:id={editing} title="Putting on {edited?.code} {edited?.name}">
	{#if edited}
		<Form
			command="setDressing"
			hidden={{ componentId: edited.id }}
			label="Putting it on"
			onDone={() => (editing = null)}
		>
			<div class="fields">
				<Field
					name="onMinutes"
					label="Takes"
					value={onMinutes(edited, data.wear).entered ? onMinutes(edited, data.wear).before : ''}
					inputmode="decimal"
					suffix="min"
					hint="all of it, as it was timed; nothing goes by its kind"
				/>
				<Field
					name="offMinutes"
					label="Comes off in"
					value={offMinutes(edited, data.wear).by === 'timed' ? offMinutes(edited, data.wear).minutes : ''}
					inputmode="decimal"
					suffix="min"
					hint="timed; nothing is half of putting it on"
				/>
				<Field
					name="hands"
					label="People"
					options={[1, 2, 3].map((n) => ({ value: n, label: pluralize('person', n, true) }))}
					value={handsFor(edited, data.wear)}
					hint="the wearer among them"
				/>
			</div>
			<Submit>Save</Submit>
		</Form>
	{/if}
</EditDialog>

<style>
	.people {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		margin-bottom: 16px;
	}
	.people button {
		display: grid;
		text-align: left;
		padding: 8px 14px;
		min-width: 120px;
		background: none;
		border: 1px solid var(--rule);
		border-bottom: 4px solid transparent;
		color: var(--ink);
		cursor: pointer;
	}
	.people [aria-pressed='true'] {
		border-bottom-color: var(--brass);
		background: var(--sheet-shade);
	}
	.people b {
		font: 600 var(--s24) / 1.2 var(--head);
	}
	.bad {
		color: var(--red-ink);
		font-weight: 600;
	}
	.steps li {
		display: grid;
		grid-template-columns: 84px minmax(0, 1.4fr) minmax(0, 1fr) 140px 40px;
		gap: 10px;
		align-items: center;
		padding: 4px 0;
		border-top: 1px solid var(--rule);
	}
	.clock,
	.mono {
		font-family: var(--mono);
		white-space: nowrap;
	}
	.mono {
		text-align: right;
	}
	.end {
		margin-top: 12px;
	}
	.steps :global(.tag) {
		justify-self: start;
	}
	@media (max-width: 700px) {
		.steps li {
			grid-template-columns: 84px minmax(0, 1fr) 44px;
		}
		.steps .who {
			grid-column: 2;
			grid-row: 2;
		}
		.steps .mono {
			grid-column: 2 / -1;
			grid-row: 2;
		}
	}
</style>
