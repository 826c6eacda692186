<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { checkOpenings, easeOf } from '$core/answers/goesOn.ts';
	import type { Fit } from '$core/engines/body/goesOn.ts';
	import { roundsOfShapes } from '$core/answers/shapeRounds.ts';
	import { fittedOf, wearersOf } from '$core/facts/measureRecord.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import OpeningFields from '$lib/ui/OpeningFields.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import OpeningLine from './OpeningLine.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const components = $derived(data.record.components);
	const wearers = $derived(wearersOf(data.fit));
	const entered = $derived(checkOpenings(data.fit.openings, components, wearers));
	const drawn = $derived(
		checkOpenings(
			roundsOfShapes(data.fit.shapes, data.fit.openings, {
				components,
				wearers: fittedOf(data.fit),
				materials: data.workshop.materials
			}),
			components,
			wearers
		)
	);
	/** As the ledger goes; what does not go on comes first. */
	const checks = $derived(
		inLedgerOrder(components)
			.flatMap(({ item }) => [...entered, ...drawn].filter((c) => c.component.id === item.id))
			.sort((a, b) => Number(b.passes === false) - Number(a.passes === false))
	);
	const sitting = (fit: Fit) => checks.filter((c) => c.passes === true && c.sits?.fit === fit).length;
	const loose = $derived(sitting('loose'));
	const tight = $derived(sitting('tight'));
	const failing = $derived(checks.filter((c) => c.passes === false));
	const unclear = $derived(checks.filter((c) => c.passes === null));
	const without = $derived(
		inLedgerOrder(components)
			.map((n) => n.item)
			.filter((c) => c.kind !== 'prop' && !checks.some((o) => o.component.id === c.id))
	);
	const unknown = $derived([
		...new Map(checks.flatMap((c) => c.thicknessUnknown).map((c) => [c.id, c])).values()
	]);
	const isRigid = (id: number) => {
		const its = components.find((c) => c.id === id);
		return its !== undefined && easeOf(its) === 'rigid';
	};
	let adding = $state(false);
	let forComponent = $state('');
	let editing = $state<number | null>(null);
	const edited = $derived(data.fit.openings.find((o) => o.id === editing));
	const options = $derived(
		inLedgerOrder(components).map(({ item }) => ({ value: item.id, label: `${item.code} ${item.name}` }))
	);
</script>

<svelte:head><title>Does it go on? · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if wearers.length === 0}
	<Sheet title="Does it go on?">
		<p>
			Whether a cuff passes the hand and a belt the hips is worked out from the wearer’s measures.
			<a href="{base}/measure">Say who wears it</a>, and measure.
		</p>
	</Sheet>
{:else}
	<Sheet title="Does it go on?">
		{#snippet tools()}
			<button
				class="button main small"
				data-add
				onclick={() => {
					forComponent = '';
					adding = true;
				}}><Plus size={14} /> Opening</button
			>
		{/snippet}
		{#if checks.length}
			<p class="answer" class:bad={failing.length > 0}>
				{#if failing.length}{failing.length} of {checks.length}
					{failing.length === 1 ? 'does' : 'do'} not go on.
				{:else if unclear.length}{checks.length - unclear.length} of {checks.length} go on; {unclear.length} cannot
					be told yet.
				{:else}Everything goes on{loose || tight ? ', but' : '.'}
					{#if loose}{loose} {loose === 1 ? 'sits' : 'sit'} loose{tight ? ' and' : '.'}{/if}
					{#if tight}{tight} {tight === 1 ? 'sits' : 'sit'} too tight.{/if}
				{/if}
			</p>
			<p class="small soft">
				For {wearers.map((w) => w.name).join(' and ')}. Each must reach round the largest girth on its way,
				with what is worn beneath (common practice).
			</p>
		{:else}
			<p>
				Nothing closes round the body yet. Bands, domes and cuirasses drawn under Pattern stand here by
				themselves; add what is made otherwise (cuff, neck hole, belt, boot shaft) by its girth, stretch and
				opening. Then this says whether it goes on over what is worn beneath, and what would cure it when not.
			</p>
		{/if}
		<ul class="checks">
			{#each checks as { opening, ...check } (`${opening.componentId} ${opening.passage} ${'id' in opening ? opening.id : ''}`)}
				<OpeningLine
					check={{ ...check, opening }}
					{wearers}
					{base}
					{unit}
					{...'id' in opening ? { onedit: () => (editing = opening.id) } : { shape: opening.shape }}
				/>
			{/each}
		</ul>
	</Sheet>
	{#if unknown.length}
		<Sheet title="How thick is it?">
			<p class="small soft">Worn beneath something above, and taken as nothing until it is entered.</p>
			<div class="thick">
				{#each unknown as c (c.id)}
					<Form command="setThickness" id={c.id} label="Thickness of {c.name}">
						<div class="row">
							<Tag component={c} href="{base}/look/{c.id}" />
							<Field
								name="thicknessMm"
								label="Thickness of {c.name}"
								hideLabel
								inputmode="decimal"
								value=""
							/>
							<button class="button small">Set</button>
						</div>
					</Form>
				{/each}
			</div>
		</Sheet>
	{/if}
	{#if without.length}
		<Sheet title="Nothing entered for">
			<p class="row">
				{#each without as c (c.id)}
					<button
						class="pick"
						title="Add an opening of {c.code}"
						onclick={() => {
							forComponent = String(c.id);
							adding = true;
						}}><Tag component={c} /></button
					>
				{/each}
			</p>
		</Sheet>
	{/if}
{/if}

<Dialog bind:open={adding} title="New opening">
	<Form command="addOpening" label="New opening" onDone={() => (adding = false)}>
		<div class="of">
			<Field name="componentId" label="Of" {options} bind:value={forComponent} none="choose" />
		</div>
		<OpeningFields {unit} rigid={isRigid(Number(forComponent))} />
		<Submit>Add opening</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Opening">
	{#if edited}
		<Form command="editOpening" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			<OpeningFields opening={edited} {unit} rigid={isRigid(edited.componentId)} />
			<Submit>Save</Submit>
		</Form>
		<Act command="removeOpening" id={edited.id} look="quiet" onDone={() => (editing = null)}
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
	.checks {
		list-style: none;
		margin: 12px 0 0;
		padding: 0;
	}
	.thick {
		display: grid;
		gap: 6px;
		grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
		margin-top: 8px;
	}
	.thick :global(.field) {
		width: 110px;
	}
	.of {
		margin-bottom: 10px;
	}
	@media (max-width: 700px) {
		.thick {
			grid-template-columns: 1fr;
		}
	}
</style>
