<script lang="ts">
	import Pencil from '@lucide/svelte/icons/pencil';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { atTheDoor, failingFirst, type RuleCheck } from '$core/answers/door.ts';
	import { forbids, rulesOf } from '$core/answers/kit.ts';
	import { isSameEvent } from '$core/facts/travel.ts';
	import { namesWords } from '$core/units/names.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import TravelDialog from '$lib/ui/wear/TravelDialog.svelte';
	import type { PageData } from './$types';
	import RuleCard from './RuleCard.svelte';
	import RuleFields from './RuleFields.svelte';

	let { data }: { data: PageData } = $props();
	const unit = $derived(data.workshop.settings.lengthUnit);
	const event = $derived(data.record.costume.eventName.trim());
	const rules = $derived(rulesOf(event, data.rules));
	const checked = $derived(atTheDoor(rules, data.luggage, data.cases).sort(failingFirst));
	const forbidden = (check: RuleCheck) => data.kit.filter((k) => forbids(k, [check.rule]));
	const failing = $derived([
		...new Set(
			checked.flatMap((r) =>
				r.checks
					.filter((c) => c.verdict === 'fails')
					.map((c) =>
						c.component ? `${c.component.code} ${c.component.name}` : `the case ${c.travelCase?.name}`
					)
			)
		)
	]);
	const unmeasured = $derived(checked.some((r) => r.verdict === 'unknown'));
	/** Events that have rules, by the name that was written first. */
	const others = $derived(
		data.rules
			.map((r) => r.eventName)
			.filter((e, i, all) => !isSameEvent(e, event) && all.findIndex((o) => isSameEvent(o, e)) === i)
	);
	let adding = $state(false);
	let editing = $state<number | null>(null);
	let travelling = $state<number | null>(null);
	const edited = $derived(rules.find((r) => r.id === editing));
</script>

<svelte:head><title>At the door · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title={event ? `At the door of ${event}` : 'At the door'}>
	{#snippet tools()}
		{#if event}
			<button class="button main small" data-add onclick={() => (adding = true)}
				><Plus size={14} /> Rule</button
			>
		{/if}
	{/snippet}
	{#if !event}
		<p>This costume has no event yet: name it under Change, at the top of the page.</p>
	{:else if !rules.length}
		<p>
			No rules of this event yet. Type those that its organisers publish: then everything that goes there is
			checked against them, and what does not pass says what to change.
		</p>
	{:else}
		<p class="answer" class:bad={failing.length > 0}>
			{#if failing.length}{namesWords(failing)}
				{failing.length === 1 ? 'does' : 'do'} not pass.
			{:else if unmeasured}Nothing fails, but not everything is measured.
			{:else}Everything passes.{/if}
		</p>
		<div class="rules">
			{#each checked as check (check.rule.id)}
				<RuleCard
					{check}
					luggage={data.luggage}
					kit={forbidden(check)}
					{unit}
					onedit={() => (editing = check.rule.id)}
					onmeasure={(id) => (travelling = id)}
				/>
			{/each}
		</div>
		<p class="small soft">
			The people at the door decide, and what they publish counts: ask them where a rule is not clear. What of
			a component falls under a rule is ticked where its size is.
		</p>
	{/if}
	{#if event && others.length}
		<Form command="copyRules" label="Rules of another event" class="copy no-print">
			<Field name="from" label="Copy the rules of" options={others} value={others[0]!} />
			<Submit main={false}>Copy them</Submit>
		</Form>
	{/if}
</Sheet>

<div class="no-print">
	<Sheet title="What goes there">
		<p class="row">
			{#each data.luggage.filter((l) => l.copy === 1) as { component, said } (component.id)}
				<button
					class="button small"
					onclick={() => (travelling = component.id)}
					aria-label="How {component.code} {component.name} travels"
					><Pencil size={14} />
					{component.code}
					{component.name}{said.size || said.packed ? '' : ', not measured'}</button
				>
			{/each}
		</p>
	</Sheet>
</div>

<Dialog bind:open={adding} title="A rule of {event}">
	<Form command="addRule" label="Rule" onDone={() => (adding = false)}>
		<RuleFields {unit} />
		<Submit>Add it</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="A rule of {event}">
	{#if edited}
		<Form command="editRule" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			<RuleFields rule={edited} {unit} />
			<Submit>Save</Submit>
		</Form>
		<Act command="removeRule" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>
<TravelDialog bind:id={travelling} luggage={data.luggage} components={data.record.components} {unit} />

<style>
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
		margin-bottom: 12px;
	}
	.answer.bad {
		color: var(--red-ink);
	}
	.rules {
		display: grid;
		gap: 4px;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	:global(form.copy) {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: end;
		margin-top: 12px;
	}
</style>
