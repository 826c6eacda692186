<script lang="ts">
	/** A purchase, changed: packs, price, dates, how far it has come. */
	import { formatDate } from '$core/units/localTime.ts';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import Act from '$lib/ui/Act.svelte';
	import type { Purchase, Material } from '$core/facts/material.ts';
	import Field from '$lib/ui/Field.svelte';
	import { typedMoney } from '$core/units/money.ts';
	import { PURCHASE_STATES } from '$core/facts/material.ts';
	import EditDialog from '$lib/ui/EditDialog.svelte';

	interface Props {
		id: number | null;
		purchases: readonly Purchase[];
		materials: readonly Material[];
		currency: string;
	}
	let { id = $bindable(), purchases, materials, currency }: Props = $props();
	const edited = $derived(purchases.find((p) => p.id === id));
	const name = $derived(materials.find((m) => m.id === edited?.materialId)?.name ?? '');
</script>

<EditDialog bind:id title="Purchase of {name}">
	{#if edited}
		<Form
			command="editPurchase"
			id={edited.id}
			version={edited.version}
			onDone={() => (id = null)}
			label="Purchase"
		>
			<div class="fields">
				<Field name="packs" label="Packs" value={edited.packs} inputmode="numeric" />
				<Field
					name="packPriceMinor"
					label="Price of a pack"
					value={typedMoney(edited.packPriceMinor, currency)}
					hint="left empty: not known"
					inputmode="decimal"
					suffix={currency}
				/>
				<Field
					name="shippingMinor"
					label="Shipping"
					value={typedMoney(edited.shippingMinor, currency)}
					inputmode="decimal"
					suffix={currency}
				/>
				<Field name="supplier" label="Supplier" value={edited.supplier} />
				<Field
					name="leadDays"
					label="Lead days"
					value={edited.leadDays ?? ''}
					hint="empty: not known"
					inputmode="numeric"
				/>
				<div class="alone">
					<Tick name="leadWorkingDays" label="Working days only" checked={edited.leadWorkingDays} />
				</div>
				<Field
					name="orderedOn"
					label="Ordered on"
					type="date"
					value={edited.orderedOn === null ? '' : formatDate(edited.orderedOn)}
				/>
				<Field
					name="dueOn"
					label="Promised for"
					type="date"
					value={edited.dueOn === null ? '' : formatDate(edited.dueOn)}
				/>
				<Field name="note" label="Note" type="area" value={edited.note} wide />
			</div>
			<Submit>Save</Submit>
		</Form>
		<div class="row states">
			{#each PURCHASE_STATES.filter((s) => s !== edited.state) as state (state)}
				<Act command="setPurchaseState" id={edited.id} hidden={{ state }} look="quiet">is {state}</Act>
			{/each}
		</div>
	{/if}
</EditDialog>

<style>
	.alone {
		align-self: center;
	}
	.states {
		margin-top: 16px;
	}
</style>
