<script lang="ts">
	import BookOpen from '@lucide/svelte/icons/book-open';
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import Plus from '@lucide/svelte/icons/plus';
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
	import StashTable from './StashTable.svelte';
	import Room from '$lib/ui/Room.svelte';
	import Suppliers from './Suppliers.svelte';
	import StashTurns from './StashTurns.svelte';

	let { data }: { data: PageData } = $props();
	const currency = $derived(data.settings.currency);
	let query = $state('');
	const found = $derived(
		data.materials.filter((m) =>
			`${m.name} ${m.family} ${m.supplier} ${m.stashNote}`.toLowerCase().includes(query.toLowerCase())
		)
	);
	const EXAMPLE =
		'material\tfamily\tunit\tpack\tprice\tthickness\twidth\tlength\tsupplier\tlead\nFoam 6 mm\tfoam\tsheet\t1\t13.90\t6mm\t50cm\t1m\tfoam shop\t4\nCalico\tcloth\tm\t1\t4.20\t\t1.5m\t\tby the mill\t3';
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
<Room>
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
		{#if refused}<Notice bad>{refused}</Notice>{/if}
		{#if data.materials.length}
			<StashTable
				materials={found}
				promised={data.promised}
				free={data.free}
				onedit={(id) => (editing = id)}
				{query}
			/>
			<p class="small soft end">Lead in days (d) or the supplier’s working days (wd).</p>
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
