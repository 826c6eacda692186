<script lang="ts">
	import BookOpen from '@lucide/svelte/icons/book-open';
	import ClipboardCheck from '@lucide/svelte/icons/clipboard-check';
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import Plus from '@lucide/svelte/icons/plus';
	import ShoppingBasket from '@lucide/svelte/icons/shopping-basket';
	import X from '@lucide/svelte/icons/x';
	import { placeOf } from '$core/answers/lots.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Offcuts from '$lib/ui/lay/Offcuts.svelte';
	import MaterialFields from '$lib/ui/MaterialFields.svelte';
	import PasteDialog from '$lib/ui/PasteDialog.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import { page } from '$app/state';
	import { isFailure, type Answer } from '$lib/ui/formState.ts';
	import type { PageData } from './$types';
	import Notice from '$lib/ui/Notice.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import { lotName } from '$lib/ui/lotWords.ts';
	import LotFields from './LotFields.svelte';
	import OnePhoto from '$lib/ui/OnePhoto.svelte';
	import Spoiling from './Spoiling.svelte';
	import StashTable from './StashTable.svelte';
	import Room from '$lib/ui/Room.svelte';
	import Suppliers from './Suppliers.svelte';
	import StashTurns from './StashTurns.svelte';

	let { data }: { data: PageData } = $props();
	const currency = $derived(data.settings.currency);
	let query = $state('');
	const found = $derived(
		data.materials.filter((m) =>
			`${m.name} ${m.family} ${m.supplier} ${m.stashNote} ${m.lots.map(lotName).join(' ')}`
				.toLowerCase()
				.includes(query.toLowerCase())
		)
	);
	const EXAMPLE =
		'material\tfamily\tunit\tpack\tprice\tthickness\twidth\tlength\tsupplier\tlead\nFoam 6 mm\tfoam\tsheet\t1\t13.90\t6mm\t50cm\t1m\tfoam shop\t4\nCalico\tcloth\tm\t1\t4.20\t\t1.5m\t\tby the mill\t3';
	let adding = $state(false);
	let pasting = $state(false);
	let editing = $state<number | null>(null);
	/** The lot that is changed, or the material that another is put in the stash of. */
	let lotOf = $state<{ material: number; lot: number | null } | null>(null);
	const lotMaterial = $derived(data.materials.find((m) => m.id === lotOf?.material));
	const lot = $derived(lotMaterial?.lots.find((l) => l.id === lotOf?.lot));
	/** By itself, so that fresh data does not open it anew. */
	const lotOpen = $derived(lotMaterial !== undefined && (lotOf!.lot === null || lot !== undefined));
	const places = $derived([
		...new Set(data.materials.flatMap((m) => m.lots.map((l) => placeOf(l, m))).filter(Boolean))
	]);
	const editLot = (id: number) => {
		const material = data.materials.find((m) => m.lots.some((l) => l.id === id));
		if (material) lotOf = { material: material.id, lot: id };
	};
	const edited = $derived(data.materials.find((m) => m.id === editing));
	const refused = $derived.by(() => {
		const answer = page.form as Answer;
		return isFailure(answer) && answer.command === 'removeMaterial' ? answer.message : null;
	});
</script>

<svelte:head><title>Stash · Dapper Ledger</title></svelte:head>
<Room>
	{#if data.spoiling.length}
		<Sheet title="Use up soon">
			<Spoiling lots={data.spoiling} today={data.today} onedit={editLot} />
		</Sheet>
	{/if}
	<Sheet title="Stash and materials">
		{#snippet tools()}
			<input
				class="filter"
				type="search"
				aria-label="Filter materials"
				placeholder="filter"
				bind:value={query}
			/>
			{#if data.turns.length > 1}<a class="button small" href="/stash/buy"
					><ShoppingBasket size={14} /> Buy together</a
				>{/if}
			<a class="button small" href="/stash/count"><ClipboardCheck size={14} /> Stock-take</a>
			<a class="button small" href="/stash/handbook"><BookOpen size={14} /> Handbook</a>
			<button class="button small" onclick={() => (pasting = true)}
				><ClipboardPaste size={14} /> Paste rows</button
			>
			<button class="button main small" data-add onclick={() => (adding = true)}
				><Plus size={14} /> Material</button
			>
		{/snippet}
		{#if refused}<Notice bad>{refused}</Notice>{/if}
		{#if data.materials.length}
			<StashTable
				materials={found}
				promised={data.promised}
				free={data.free}
				today={data.today}
				onedit={(id) => (editing = id)}
				onlot={(of) => (lotOf = of)}
				{query}
			/>
			<p class="small soft end">
				Lead in days (d) or the supplier’s working days (wd). As a table:
				<a href="/stash/out/lots" download>the stash, lot by lot</a> ·
				<a href="/stash/out/materials" download>the materials</a>, which can be pasted in again elsewhere.
			</p>
		{:else}
			<p>
				Nothing known yet. A material is what can be bought and kept: how it is sold, what a pack costs, how
				long it takes to come, and how much of it is already owned.
			</p>
			<p class="end">
				<button class="button main" onclick={() => (adding = true)}
					><Plus size={16} /> Add the first material</button
				>
			</p>
		{/if}
	</Sheet>
	{#if data.turns.length > 1}
		<StashTurns turns={data.turns} own={data.ownTurns} />
	{/if}
	<Suppliers
		suppliers={data.suppliers}
		offers={data.offers}
		materials={data.materials}
		named={data.named}
		{currency}
		{query}
	/>
	<div id="offcuts">
		<Offcuts offcuts={data.offcuts} materials={data.materials} unit={data.settings.lengthUnit} />
	</div>
</Room>

<PasteDialog bind:open={pasting} command="pasteMaterials" title="Paste materials" example={EXAMPLE} />
<Dialog bind:open={adding} title="New material" wide>
	<Form command="addMaterial" onDone={() => (adding = false)} label="New material">
		<MaterialFields {currency} unit={data.settings.lengthUnit} />
		<Submit>Add material</Submit>
	</Form>
</Dialog>
<Dialog bind:open={() => lotOpen, (open) => !open && (lotOf = null)} title={lotMaterial?.name ?? ''} wide>
	{#if lotMaterial && lot}
		<Form command="editLot" id={lot.id} version={lot.version} onDone={() => (lotOf = null)} label="Lot">
			<LotFields material={lotMaterial} {lot} {places} />
			<Submit>Save</Submit>
		</Form>
		<OnePhoto
			id={lot.id}
			hash={lot.hash}
			alt="How it looks"
			put="photographLot"
			remove="removeLotPhoto"
			label="Add a photo"
		/>
		<div class="end">
			<Act command="removeLot" id={lot.id} look="quiet" onDone={() => (lotOf = null)}
				><X size={14} /> Take it out of the stash</Act
			>
		</div>
	{:else if lotMaterial}
		<Form
			command="addLot"
			hidden={{ materialId: lotMaterial.id }}
			onDone={() => (lotOf = null)}
			label="New lot"
		>
			<LotFields material={lotMaterial} {places} />
			<Submit>Put it in the stash</Submit>
		</Form>
	{/if}
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
			<Submit>Save</Submit>
		</Form>
	{/if}
</EditDialog>

<style>
	.filter {
		width: 160px !important;
	}
</style>
