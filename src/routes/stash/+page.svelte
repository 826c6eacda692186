<script lang="ts">
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import BookOpen from '@lucide/svelte/icons/book-open';
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import { formatPrice } from '$core/units/money.ts';
	import { dayOf, dayWords } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Offcuts from '$lib/ui/lay/Offcuts.svelte';
	import MaterialFields from '$lib/ui/MaterialFields.svelte';
	import PasteDialog from '$lib/ui/PasteDialog.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import SortHead from '$lib/ui/SortHead.svelte';
	import { sorted, type Sorting } from '$lib/sort.ts';
	import type { Material } from '$core/facts/material.ts';
	import Weave from '$lib/ui/Weave.svelte';
	import { page } from '$app/state';
	import { isFailure, type Answer } from '$lib/ui/formState.ts';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const currency = $derived(data.settings.currency);
	let query = $state('');
	let by = $state<Sorting | null>(null);
	const found = $derived(
		data.materials.filter((m) =>
			`${m.name} ${m.family} ${m.supplier} ${m.stashNote}`.toLowerCase().includes(query.toLowerCase())
		)
	);
	const shown = $derived(sorted(found, by, (m, key) => m[key as keyof Material] as string | number));
	const EXAMPLE =
		'material\tfamily\tunit\tpack\tprice\tthickness\twidth\tlength\tsupplier\tlead\nFoam 6 mm\tfoam\tsheet\t1\t13.90\t6mm\t50cm\t1m\tfoam shop\t4\nCalico\tcloth\tm\t1\t4.20\t\t1.5m\t\tby the mill\t3';
	const free = (m: Material) => m.stash - (data.promised[m.id] ?? []).reduce((sum, p) => sum + p.units, 0);
	/** The costumes in another order: one of them a place up or down. */
	const moved = (i: number, by: -1 | 1) => {
		const ids = data.turns.map((c) => c.id);
		[ids[i], ids[i + by]] = [ids[i + by]!, ids[i]!];
		return ids.join(' ');
	};
	let adding = $state(false);
	let pasting = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(data.materials.find((m) => m.id === editing));
	const refused = $derived.by(() => {
		const answer = page.form as Answer;
		return isFailure(answer) && answer.command === 'removeMaterial' ? answer.message : null;
	});
</script>

<svelte:head><title>Stash · Dapper Ledger</title></svelte:head>
<main id="main">
	<Sheet title="Stash and materials">
		{#snippet tools()}
			<input
				class="filter"
				type="search"
				aria-label="Filter materials"
				placeholder="filter"
				bind:value={query}
			/>
			<a class="button small" href="/stash/handbook"><BookOpen size={14} /> Handbook</a>
			<button class="button small" onclick={() => (pasting = true)}
				><ClipboardPaste size={14} /> Paste rows</button
			>
			<button class="button main small" data-add onclick={() => (adding = true)}
				><Plus size={14} /> Material</button
			>
		{/snippet}
		{#if refused}<p class="refused" role="alert">{refused}</p>{/if}
		{#if data.materials.length}
			<div class="scroll">
				<table>
					<thead>
						<tr>
							<SortHead key="name" label="Material" bind:by />
							<SortHead key="family" label="Family" bind:by />
							<SortHead key="stash" label="In the stash" bind:by />
							<SortHead key="stashNote" label="Where" bind:by />
							<SortHead key="packSize" label="Pack" number bind:by />
							<SortHead key="packPriceMinor" label="Price" number bind:by />
							<SortHead key="supplier" label="Supplier" bind:by />
							<SortHead key="leadDays" label="Lead" number bind:by />
							<th><span class="visually-hidden">Change</span></th>
						</tr>
					</thead>
					<tbody>
						{#each shown as m (m.id)}
							<tr id="material-{m.id}">
								<td><b>{m.name}</b></td>
								<td class="small"><Weave weave={WEAVE_OF_FAMILY[m.family] ?? 'plain'} /> {m.family}</td>
								<td>
									<Form
										command="setStash"
										id={m.id}
										version={m.version}
										class="stash"
										label="Stash of {m.name}"
									>
										<Field
											name="stash"
											label="Stash of {m.name}"
											hideLabel
											value={formatNumber(m.stash, 3)}
											inputmode="decimal"
											suffix={m.unit}
										/>
										<button class="button small quiet">Count</button>
									</Form>
									{#if data.promised[m.id]}<span class="small soft" data-promised
											>{data.promised[m.id]!.map((p) => `${formatNumber(p.units, 2)} for ${p.costume}`).join(
												', '
											)}{free(m) > 0.005 ? `, ${formatNumber(free(m), 2)} free` : ', none free'}</span
										>{/if}
								</td>
								<td class="small soft">{m.stashNote}</td>
								<td class="number">{formatNumber(m.packSize, 3)} {m.unit}</td>
								<td class="number">{formatPrice(m.packPriceMinor, m.currency)}</td>
								<td class="small">{m.supplier}</td>
								<td class="number">{m.leadDays} {m.leadWorkingDays ? 'wd' : 'd'}</td>
								<td class="number">
									<button
										class="button small quiet"
										onclick={() => (editing = m.id)}
										aria-label="Edit {m.name}">Edit</button
									>
									<Act command="removeMaterial" id={m.id} look="quiet" label="Remove {m.name}"
										><X size={14} /></Act
									>
								</td>
							</tr>
						{:else}<tr><td colspan="9" class="soft">No material is called “{query}”.</td></tr>{/each}
					</tbody>
				</table>
			</div>
			<p class="small soft foot">Lead in days (d) or the supplier’s working days (wd).</p>
		{:else}
			<p>
				Nothing known yet. A material is what can be bought and kept: how it is sold, what a pack costs, how
				long it takes to come, and how much of it is already owned.
			</p>
			<p class="foot">
				<button class="button main" onclick={() => (adding = true)}
					><Plus size={16} /> Add the first material</button
				>
			</p>
		{/if}
	</Sheet>
	{#if data.turns.length > 1}
		<Sheet title="Who is promised the stash first">
			{#snippet tools()}
				{#if data.ownTurns}<Act command="orderStash" hidden={{ ids: '' }}>By event again</Act>{/if}
			{/snippet}
			<ol class="turns">
				{#each data.turns as c, i (c.id)}
					<li>
						<a href="/c/{c.id}/buy">{c.name}</a>
						<span class="small soft">{dayWords(dayOf(c.eventAt))}</span>
						<span class="move">
							<Act
								command="orderStash"
								hidden={{ ids: i > 0 ? moved(i, -1) : '' }}
								look="quiet"
								label="{c.name} earlier"
								disabled={i === 0}><ArrowUp size={14} /></Act
							>
							<Act
								command="orderStash"
								hidden={{ ids: i < data.turns.length - 1 ? moved(i, 1) : '' }}
								look="quiet"
								label="{c.name} later"
								disabled={i === data.turns.length - 1}><ArrowDown size={14} /></Act
							>
						</span>
					</li>
				{/each}
			</ol>
			<p class="small soft foot">
				What is owned is counted on once: by each costume in its turn, {data.ownTurns
					? 'as you have set it'
					: 'the earliest event first'}. What is promised to one is short for the next.
			</p>
		</Sheet>
	{/if}
	<div id="offcuts">
		<Offcuts offcuts={data.offcuts} materials={data.materials} unit={data.settings.lengthUnit} />
	</div>
</main>

<PasteDialog bind:open={pasting} command="pasteMaterials" title="Paste materials" example={EXAMPLE} />
<Dialog bind:open={adding} title="New material" wide>
	<Form command="addMaterial" onDone={() => (adding = false)} label="New material">
		<MaterialFields {currency} unit={data.settings.lengthUnit} />
		<p class="foot"><button class="button main">Add material</button></p>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title={edited?.name ?? ''} wide>
	{#if edited}
		<Form
			command="editMaterial"
			id={edited.id}
			version={edited.version}
			onDone={() => (editing = null)}
			label="Material"
		>
			<MaterialFields material={edited} {currency} unit={data.settings.lengthUnit} />
			<p class="foot"><button class="button main">Save</button></p>
		</Form>
	{/if}
</EditDialog>

<style>
	main {
		max-width: 1240px;
		margin: 0 auto;
		padding: 16px;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 16px;
	}
	.filter {
		width: 160px !important;
	}
	:global(form.stash) {
		display: flex;
		gap: 4px;
		align-items: center;
	}
	:global(form.stash input) {
		width: 5em !important;
		text-align: right;
		font-family: var(--mono);
	}
	.foot {
		margin-top: 12px;
	}
	.turns {
		margin: 0;
		padding-left: 1.5em;
	}
	.turns li {
		padding: 2px 0;
	}
	[data-promised] {
		display: block;
		max-width: 20em;
	}
	.move {
		margin-left: 8px;
	}
	.refused {
		background: var(--red-wash);
		border-left: 4px solid var(--red-ink);
		padding: 8px 12px;
		margin-bottom: 12px;
	}
	tr:target {
		background: var(--yellow-wash);
	}
	@media (max-width: 700px) {
		main {
			padding: 8px;
		}
	}
</style>
