<script lang="ts">
	/** The cases, how things lie in them, and what goes into none. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import pluralize from 'pluralize';
	import { copyWords } from '$core/answers/packList.ts';
	import { lineOf, type Luggage, type packingOf } from '$core/answers/packed.ts';
	import type { Packing } from '$core/engines/case/pack.ts';
	import type { TravelCase } from '$core/facts/travel.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import { namesWords } from '$core/units/names.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import type { Task } from '$lib/ui/task.svelte.ts';
	import TaskBar from '$lib/ui/TaskBar.svelte';
	import { boxWords } from '$lib/ui/wear/travelWords.ts';
	import CaseFields from './CaseFields.svelte';
	import CaseLayers from './CaseLayers.svelte';

	interface Props {
		cases: readonly TravelCase[];
		luggage: readonly Luggage[];
		asked: ReturnType<typeof packingOf>;
		packing: Packing | null;
		work: Task<'case'>;
		unit: LengthUnit;
	}
	let { cases, luggage, asked, packing, work, unit }: Props = $props();
	const inCase = (id: number) => packing?.placements.filter((p) => p.case === String(id)) ?? [];
	const used = $derived(cases.filter((c) => inCase(c.id).length > 0));
	const nameOf = (item: string) => {
		const its = luggage.find((l) => lineOf(l) === item)!;
		return `${copyWords(its)} ${its.component.name}`;
	};
	let adding = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(cases.find((c) => c.id === editing));
	/** So many are named. */
	const MOST = 8;
</script>

<Sheet title="The cases">
	{#snippet tools()}
		<button class="button main small" data-add onclick={() => (adding = true)}><Plus size={14} /> Case</button
		>
	{/snippet}
	{#if !cases.length}
		<p>No case yet. Say what you travel in: then this says what goes into which, and how it lies.</p>
	{:else}
		<TaskBar task={work} going="Packing" />
		{#if packing}
			<p class="answer" class:bad={packing.left.length > 0}>
				{#if packing.left.length}
					{namesWords(packing.left.map((l) => `${nameOf(l.item)} (${l.why})`))}
					{packing.left.length === 1 ? 'goes' : 'go'} into no case.
				{:else if used.length}All in {pluralize('case', used.length, true)}.{/if}
			</p>
		{/if}
		{#if asked.unmeasured.length}
			<p class="small">
				<b>Not packed, as nobody has measured them:</b>
				{namesWords(
					asked.unmeasured.map((c) => `${c.code} ${c.name}`),
					MOST
				)}.
			</p>
		{/if}
		{#if asked.unweighed.length}
			<p class="small">
				<b>Of no known weight, and not in the weight of a case:</b>
				{namesWords(
					asked.unweighed.map((c) => c.code),
					MOST
				)}.
			</p>
		{/if}
		{#each cases as its (its.id)}
			<section>
				<div class="head">
					<h3>{its.name}</h3>
					<span class="small soft">{boxWords(its.inner, unit)} inside</span>
					<button
						class="button quiet small no-print"
						aria-label="Change the case {its.name}"
						onclick={() => (editing = its.id)}><Pencil size={14} /></button
					>
				</div>
				{#if inCase(its.id).length}<CaseLayers {its} placements={inCase(its.id)} {luggage} {unit} />
				{:else if packing}<p class="small soft">Stays at home.</p>{/if}
			</section>
		{/each}
		<p class="small soft">
			Each layer as it is seen from above; dashed is what reaches through from below. Hard things first, soft
			ones round them, yellow ones on top with nothing on them.
		</p>
	{/if}
</Sheet>

<Dialog bind:open={adding} title="A case">
	<Form command="addCase" label="Case" onDone={() => (adding = false)}>
		<CaseFields {unit} />
		<Submit>Add it</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="The case {edited?.name}">
	{#if edited}
		<Form command="editCase" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			<CaseFields its={edited} {unit} />
			<Submit>Save</Submit>
		</Form>
		<Act command="removeCase" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
	}
	.answer.bad {
		color: var(--red-ink);
	}
	.head {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr) auto;
		gap: 10px;
		align-items: center;
		margin-top: 12px;
	}
	h3 {
		margin: 0;
	}
	@media print {
		section {
			break-inside: avoid;
		}
	}
</style>
