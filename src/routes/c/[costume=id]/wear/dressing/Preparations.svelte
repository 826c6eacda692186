<script lang="ts">
	/** Make-up, prosthetics and adhesives: what goes on the skin first, and the patch test of the day before. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import pluralize from 'pluralize';
	import type { Preparation, Variant } from '$core/facts/wear.ts';
	import { ZONES, zoneWords } from '$core/facts/zone.ts';
	import { dayOf, dayWords, type LocalMinutes } from '$core/units/localTime.ts';
	import { namesWords } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Choices from '$lib/ui/Choices.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tick from '$lib/ui/Tick.svelte';

	interface Props {
		preparations: readonly Preparation[];
		variants: readonly Variant[];
		eventAt: LocalMinutes;
	}
	let { preparations, variants, eventAt }: Props = $props();
	const wayOf = (id: number | null) => variants.find((v) => v.id === id)?.name;
	const tested = $derived(preparations.filter((p) => p.patchTest));
	let adding = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(preparations.find((p) => p.id === editing));
</script>

{#snippet fields(p: Preparation | undefined)}
	<div class="fields">
		<Field name="name" label="What" value={p?.name ?? ''} wide />
		<Field name="minutes" label="Takes" value={p?.minutes ?? ''} inputmode="decimal" suffix="min" />
		<Field
			name="waitMinutes"
			label="Then dries"
			value={p?.waitMinutes ?? 0}
			inputmode="decimal"
			suffix="min"
			hint="until something may lie on it"
		/>
		<Field
			name="hands"
			label="People"
			options={[1, 2, 3].map((n) => ({ value: n, label: pluralize('person', n, true) }))}
			value={p?.hands ?? 1}
			hint="the wearer among them"
		/>
		{#if variants.length}<Field
				name="variantId"
				label="Worn as"
				options={variants.map((v) => ({ value: v.id, label: v.name }))}
				none="every way"
				value={p?.variantId ?? ''}
			/>{/if}
		<Choices
			legend="Where"
			name="zones"
			options={ZONES.map((value) => ({ value, label: zoneWords(value) }))}
			chosen={p?.zones ?? []}
			framed
		/>
		<div class="across">
			<Tick
				name="patchTest"
				label="tried on a patch of skin the day before"
				checked={p?.patchTest ?? false}
			/>
		</div>
	</div>
{/snippet}

<Sheet title="On the skin first">
	{#snippet tools()}
		<button class="button small" data-add onclick={() => (adding = true)}
			><Plus size={14} /> Make-up or adhesive</button
		>
	{/snippet}
	{#if tested.length}
		<p class="patch">
			<b>{dayWords(dayOf(eventAt) - 1)}:</b> patch test of {namesWords(tested.map((p) => p.name))}. Redness or
			itching: leave it off, and follow its label.
		</p>
	{/if}
	<ul class="plain">
		{#each preparations as p (p.id)}
			<li>
				<span
					><b>{p.name}</b>, {p.zones.map(zoneWords).join(', ')}: {formatNumber(p.minutes, 1)} min{p.waitMinutes
						? `, dries ${formatNumber(p.waitMinutes, 1)} min`
						: ''}{wayOf(p.variantId) ? `, only ${wayOf(p.variantId)}` : ''}</span
				>
				<button
					class="button quiet small no-print"
					aria-label="Change {p.name}"
					onclick={() => (editing = p.id)}><Pencil size={14} /></button
				>
			</li>
		{:else}<li class="soft">Nothing yet: make-up, prosthetics and skin adhesives stand in the order too.</li>
		{/each}
	</ul>
</Sheet>

<Dialog bind:open={adding} title="On the skin first">
	<Form command="addPreparation" label="Make-up or adhesive" onDone={() => (adding = false)}>
		{@render fields(undefined)}
		<Submit>Add it</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title={edited?.name ?? ''}>
	{#if edited}
		<Form command="editPreparation" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			{@render fields(edited)}
			<Submit>Save</Submit>
		</Form>
		<Act command="removePreparation" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	.patch {
		background: var(--yellow-wash);
		padding: 8px 12px;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		align-items: center;
		min-height: 36px;
		border-top: 1px solid var(--rule);
	}
	.across {
		grid-column: 1 / -1;
	}
</style>
