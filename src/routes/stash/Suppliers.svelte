<script lang="ts">
	/** Who sells, on which terms, and in which packs besides the usual one of a material. */
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import FileUp from '@lucide/svelte/icons/file-up';
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import { lateWords, leadWords } from '$core/answers/leadTime.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { Offer, Supplier } from '$core/facts/supplier.ts';
	import { formatBreaks } from '$core/formats/terms.ts';
	import { weekdaysWords } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import PasteDialog from '$lib/ui/PasteDialog.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Table from '$lib/ui/Table.svelte';
	import OfferFields from './OfferFields.svelte';
	import SupplierFields from './SupplierFields.svelte';

	interface Props {
		suppliers: readonly Supplier[];
		offers: readonly Offer[];
		materials: readonly Material[];
		/** Suppliers that materials name and whose terms nobody has said. */
		named: readonly string[];
		currency: string;
		/** What the page is filtered by. */
		query: string;
	}
	let { suppliers, offers, materials, named, currency, query }: Props = $props();

	const EXAMPLE =
		'material\tsupplier\tpack\tprice\tbreaks\tlead\tmost\tnote\nFoam 6 mm\tfoam shop\t4\t48.00\t3: 45.00\t4\t\t\nCalico\tby the mill\t10\t36.00\t\t8\t20\tend of roll';
	/** No more rows are shown than a maker looks through. */
	const MOST_SHOWN = 100;
	let adding = $state<'supplier' | 'offer' | null>(null);
	let pasting = $state(false);
	let supplierId = $state<number | null>(null);
	let offerId = $state<number | null>(null);
	const editedSupplier = $derived(suppliers.find((s) => s.id === supplierId));
	const editedOffer = $derived(offers.find((o) => o.id === offerId));
	const material = (id: number) => materials.find((m) => m.id === id);
	const supplier = (id: number) => suppliers.find((s) => s.id === id);
	/** Of a moment at which its supplier was there too. */
	const known = $derived(offers.filter((o) => supplier(o.supplierId)));
	const found = $derived(
		known.filter((o) =>
			`${material(o.materialId)?.name ?? ''} ${supplier(o.supplierId)?.name ?? ''} ${o.note}`
				.toLowerCase()
				.includes(query.toLowerCase())
		)
	);
</script>

<Sheet title="Suppliers">
	{#snippet tools()}
		<button class="button small" onclick={() => (adding = 'supplier')}><Plus size={14} /> Supplier</button>
	{/snippet}
	{#if suppliers.length}
		<Table>
			{#snippet heads()}<th>Supplier</th><th class="number">Sending</th><th class="number">Free from</th><th
					class="number">Least order</th
				><th>Sends</th><th>Closed</th><th><span class="visually-hidden">Change</span></th>{/snippet}
			{#each suppliers as s (s.id)}
				<tr>
					<td
						><b>{s.name}</b>{#if s.note}<br /><span class="small soft">{s.note}</span>{/if}{#if s.late}<br
							/><span class="small soft">Parcels come {lateWords(s.late)}</span>{/if}</td
					>
					<td class="number">{formatMoney(s.shippingMinor, s.currency)}</td>
					<td class="number"
						>{s.freeFromMinor === null ? 'never' : formatMoney(s.freeFromMinor, s.currency)}</td
					>
					<td class="number">{s.minOrderMinor === null ? 'any' : formatMoney(s.minOrderMinor, s.currency)}</td
					>
					<td class="small">{weekdaysWords(s.workingDays, 1)}</td>
					<td class="small">{s.closed.length === 0 ? '' : `${s.closed.length} days`}</td>
					<td class="number">
						<button class="button small quiet" onclick={() => (supplierId = s.id)} aria-label="Edit {s.name}"
							>Edit</button
						>
						<Act command="removeSupplier" id={s.id} look="quiet" label="Remove {s.name}"><X size={14} /></Act>
					</td>
				</tr>
			{/each}
		</Table>
	{:else}
		<p class="soft">
			Nobody’s terms are known yet: what sending costs, from how much on it is free, on which days they send.
			Without them every supplier sends for nothing, Monday to Friday.
		</p>
	{/if}
	{#if named.length}<p class="small soft">Named by materials, terms not known: {named.join(', ')}.</p>{/if}
</Sheet>

{#if suppliers.length}
	<Sheet title="Other packs">
		{#snippet tools()}
			<a class="button small" href="/stash/prices"><FileUp size={14} /> Price list from a file</a>
			<button class="button small" onclick={() => (pasting = true)}
				><ClipboardPaste size={14} /> Paste a price list</button
			>
			<button class="button small" onclick={() => (adding = 'offer')}><Plus size={14} /> Pack</button>
		{/snippet}
		{#if offers.length}
			<Table>
				{#snippet heads()}<th>Material</th><th>Supplier</th><th class="number">Pack</th><th class="number"
						>Price</th
					><th>From so many on</th><th>Lead</th><th><span class="visually-hidden">Change</span></th>{/snippet}
				{#each found.slice(0, MOST_SHOWN) as o (o.id)}
					{@const s = supplier(o.supplierId)!}
					{@const name = material(o.materialId)?.name ?? ''}
					<tr>
						<td
							><b>{name}</b>{#if o.note}<br /><span class="small soft">{o.note}</span>{/if}</td
						>
						<td>{s.name}</td>
						<td class="number">{formatNumber(o.packSize, 3)} {material(o.materialId)?.unit}</td>
						<td class="number">{formatMoney(o.packPriceMinor, s.currency)}</td>
						<td class="small">{formatBreaks(o.breaks, s.currency)}</td>
						<td class="small"
							>{o.leadDays === 0
								? 'on the day'
								: leadWords({ leadDays: o.leadDays, leadWorkingDays: true })}</td
						>
						<td class="number">
							<button
								class="button small quiet"
								onclick={() => (offerId = o.id)}
								aria-label="Edit the pack of {name} from {s.name}">Edit</button
							>
							<Act
								command="removeOffer"
								id={o.id}
								look="quiet"
								label="Remove the pack of {name} from {s.name}"><X size={14} /></Act
							>
						</td>
					</tr>
				{/each}
			</Table>
			{#if found.length > MOST_SHOWN}<p class="small soft">
					{MOST_SHOWN} of {found.length} shown: filter above for the others.
				</p>{/if}
		{:else}
			<p class="soft">
				A material says one usual pack itself. Other sizes, other suppliers and prices from so many on stand
				here; Buy chooses among them all.
			</p>
		{/if}
	</Sheet>
{/if}

<PasteDialog bind:open={pasting} command="pasteOffers" title="Paste a price list" example={EXAMPLE} />
<Dialog bind:open={() => adding === 'supplier', () => (adding = null)} title="New supplier" wide>
	<Form command="addSupplier" onDone={() => (adding = null)} label="New supplier">
		<SupplierFields {currency} {named} />
		<Submit>Add supplier</Submit>
	</Form>
</Dialog>
<Dialog bind:open={() => adding === 'offer', () => (adding = null)} title="New pack" wide>
	<Form command="addOffer" onDone={() => (adding = null)} label="New pack">
		<OfferFields {materials} {suppliers} />
		<Submit>Add pack</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={supplierId} title={editedSupplier?.name ?? ''} wide>
	{#if editedSupplier}
		<Form
			command="editSupplier"
			id={editedSupplier.id}
			version={editedSupplier.version}
			onDone={() => (supplierId = null)}
			label="Supplier"
		>
			<SupplierFields supplier={editedSupplier} {currency} />
			<Submit>Save</Submit>
		</Form>
	{/if}
</EditDialog>
<EditDialog bind:id={offerId} title={editedOffer ? (material(editedOffer.materialId)?.name ?? '') : ''} wide>
	{#if editedOffer}
		<Form
			command="editOffer"
			id={editedOffer.id}
			version={editedOffer.version}
			onDone={() => (offerId = null)}
			label="Pack"
		>
			<OfferFields offer={editedOffer} {materials} {suppliers} />
			<Submit>Save</Submit>
		</Form>
	{/if}
</EditDialog>
