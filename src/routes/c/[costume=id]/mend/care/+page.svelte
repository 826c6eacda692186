<script lang="ts">
	/** How the costume is washed, dried and stored, and what is looked after next. */
	import CalendarDown from '@lucide/svelte/icons/calendar-arrow-down';
	import Printer from '@lucide/svelte/icons/printer';
	import { dayOf, dayWords } from '$core/units/localTime.ts';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import CareCard from './CareCard.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const today = $derived(dayOf(data.now));
	const due = $derived(data.cares.filter((c) => c.dueOn !== null));
	const over = $derived(due.filter((c) => c.dueOn! <= today));
	const next = $derived(due.find((c) => c.dueOn! > today));
	let editing = $state<number | null>(null);
	const edited = $derived(data.cares.find((c) => c.component.id === editing));
</script>

<svelte:head><title>Care · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Care and keeping">
	{#snippet tools()}
		<a class="button small" href="{base}/out/calendar"><CalendarDown size={14} /> Calendar</a>
		<button class="button small" onclick={() => print()}><Printer size={14} /> Print</button>
	{/snippet}
	{#if data.cares.length}
		<p class="answer" class:bad={over.length > 0}>
			{#if over.length}{over.map((c) => c.component.code).join(', ')} to look after now.
			{:else if next}Next look: {next.component.code}
				{next.component.name}, {dayWords(next.dueOn!, 0)}.
			{:else}Looked after once it is made.{/if}
		</p>
		<p class="small soft">
			The gentlest that anything of it asks for. Labels count first; try what bleeds or melts where nobody
			sees it.
		</p>
		<ul class="plain">
			{#each data.cares as care (care.component.id)}
				<CareCard {care} {base} slower={data.slower} {today} onedit={() => (editing = care.component.id)} />
			{/each}
		</ul>
	{:else}
		<p>Components come first: <a href="{base}/look">break the look into components</a>.</p>
	{/if}
</Sheet>

<EditDialog bind:id={editing} title="How {edited?.component.code ?? 'it'} is kept">
	{#if edited}
		<Form
			command="setKeeping"
			hidden={{ componentId: edited.component.id }}
			label="How it is kept"
			onDone={() => (editing = null)}
		>
			<div class="fields">
				<Field name="place" label="Where" value={edited.kept?.place ?? ''} wide />
				<Field name="note" label="How" value={edited.kept?.note ?? ''} wide />
				<Field
					name="everyMonths"
					label="Looked at every"
					value={edited.kept?.everyMonths ?? ''}
					inputmode="numeric"
					suffix="months"
					hint="empty: by what it is made of"
				/>
			</div>
			<Submit>Save</Submit>
		</Form>
	{/if}
</EditDialog>

<style>
	.answer {
		font: 600 var(--s36) / 1.1 var(--head);
		color: var(--good-ink);
	}
	.answer.bad {
		color: var(--red-ink);
	}
</style>
