<script lang="ts">
	/** A purchase, changed: packs, price, dates, how far it has come. */
	import { formatDate } from '$core/units/localTime.ts';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import OnePhoto from '$lib/ui/OnePhoto.svelte';
	import { onReceiptWith } from '$core/answers/parcels.ts';
	import Tick from '$lib/ui/Tick.svelte';
	import Act from '$lib/ui/Act.svelte';
	import type { Purchase, Material } from '$core/facts/material.ts';
	import Field from '$lib/ui/Field.svelte';
	import { wholeOf, type JointPurchase } from '$core/facts/jointPurchase.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { othersOf } from './jointWords.ts';
	import { typedMoney } from '$core/units/money.ts';
	import { ORDER_STATES, purchaseCost } from '$core/facts/material.ts';
	import type { Component } from '$core/facts/component.ts';
	import EditDialog from '$lib/ui/EditDialog.svelte';

	interface Props {
		id: number | null;
		purchases: readonly Purchase[];
		materials: readonly Material[];
		components: readonly Component[];
		joints: readonly JointPurchase[];
		/** Ids of components that take a material. */
		takers: (materialId: number) => readonly number[];
		currency: string;
	}
	let { id = $bindable(), purchases, joints, materials, components, takers, currency }: Props = $props();
	const own = $derived(purchases.find((p) => p.id === id));
	/** As it is ordered and comes: of a share the whole. */
	const edited = $derived(own && wholeOf(own, joints));
	const joint = $derived(joints.find((j) => j.id === own?.jointId));
	const together = $derived(edited ? onReceiptWith(own!, purchases).length - 1 : 0);
	const takenBy = $derived(edited ? takers(edited.materialId) : []);
	const material = $derived(materials.find((m) => m.id === edited?.materialId));
	const name = $derived(material?.name ?? '');
	const unit = $derived(material?.unit ?? '');
</script>

<EditDialog bind:id title="Purchase of {name}">
	{#if edited}
		<Form
			command={joint ? 'editJoint' : 'editPurchase'}
			id={edited.id}
			version={edited.version}
			onDone={() => (id = null)}
			label="Purchase"
		>
			{#if joint}
				<p class="joint">
					{joint.packs} × {formatNumber(joint.packSize)}
					{unit}, bought together with {othersOf([joint], edited.costumeId)}; {formatNumber(
						own!.packs * own!.packSize!,
						2
					)}
					{unit} of it for this costume. Price, dates and how far it has come are those of all of it.
				</p>
			{/if}
			<div class="fields">
				{#if !joint}<Field name="packs" label="Packs" value={edited.packs} inputmode="numeric" />{/if}
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
		{#if edited.state === 'ordered' && edited.packs > 1}
			<Form
				command="arriveInPart"
				id={edited.id}
				onDone={() => (id = null)}
				label="It came in part"
				class="more"
			>
				<div class="fields">
					<Field name="packs" label="Packs that came, of {edited.packs}" value="" inputmode="numeric" />
				</div>
				<button class="button small do">They came, the rest is on its way</button>
			</Form>
		{:else if edited.state === 'arrived'}
			<details>
				<summary>It came otherwise than it was pictured</summary>
				<Form
					command="alterPurchase"
					id={edited.id}
					onDone={() => (id = null)}
					label="It is altered"
					class="more"
				>
					<div class="fields">
						<Field name="what" label="What has to be altered" value="" />
						<Field name="minutes" label="How long that takes" value="" hint="45m, 1h30" />
						<Field
							name="componentId"
							label="For"
							options={components.map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }))}
							value={edited.componentId ?? takenBy[0] ?? ''}
						/>
					</div>
					<button class="button small do">Add the step</button>
				</Form>
			</details>
			<details>
				<summary>It is sent back</summary>
				<Form
					command="returnPurchase"
					id={edited.id}
					onDone={() => (id = null)}
					label="It is sent back"
					class="more"
				>
					<div class="fields">
						<Field name="packs" label="Packs, of {edited.packs}" value={edited.packs} inputmode="numeric" />
						<Field
							name="refundMinor"
							label="Money back"
							value={typedMoney(edited.packPriceMinor === null ? null : purchaseCost(edited), currency)}
							inputmode="decimal"
							suffix={currency}
						/>
						<Field name="why" label="Why" value="" />
					</div>
					<button class="button small do">Sent back</button>
				</Form>
			</details>
		{/if}
		{#if edited.state !== 'planned'}
			<OnePhoto
				id={edited.id}
				hash={edited.hash}
				alt="Its receipt"
				put="photographReceipt"
				remove="removeReceipt"
				label="Photo of the receipt"
			>
				{#if together > 0}<Tick
						name="all"
						label="It is also of the {together === 1
							? 'other line'
							: `${together} other lines`} from {edited.supplier || 'there'} of that day"
						checked
					/>{/if}
			</OnePhoto>
		{/if}
		<div class="row states">
			{#each ORDER_STATES.filter((s) => s !== edited.state) as state (state)}
				<Act command="setPurchaseState" id={edited.id} hidden={{ state }} look="quiet">is {state}</Act>
			{/each}
		</div>
	{/if}
</EditDialog>

<style>
	.joint {
		margin: 0 0 12px;
	}
	details {
		margin-top: 10px;
	}
	summary {
		cursor: pointer;
		font-weight: 600;
		font-size: var(--s13);
		padding: 6px 0;
	}
	:global(form.more) {
		margin-top: 6px;
	}
	.do {
		margin-top: 10px;
	}
	.alone {
		align-self: center;
	}
	.states {
		margin-top: 16px;
	}
</style>
