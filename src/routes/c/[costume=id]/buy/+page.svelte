<script lang="ts">
	import { coatProductOf } from '$core/trade/catalogue.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import ListPlus from '@lucide/svelte/icons/list-plus';
	import Plus from '@lucide/svelte/icons/plus';
	import { PURCHASE_STATES } from '$core/facts/material.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import MaterialFields from '$lib/ui/MaterialFields.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import { guessedCosts, moneyOverDays } from '$core/answers/moneyOverDays.ts';
	import { planByOdds } from '$core/answers/orderOdds.ts';
	import { shownForecast } from '$lib/ui/forecast.svelte.ts';
	import { GUESS_FACTOR } from '$core/trade/rates.ts';
	import { dayOf } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { placeOf } from '$core/answers/lots.ts';
	import { dayFrom, keepsWords } from '$lib/ui/lotWords.ts';
	import Leftovers from './Leftovers.svelte';
	import MoneyChart from './MoneyChart.svelte';
	import MoneyTable from './MoneyTable.svelte';
	import { openPurchases, sharedBeyond, wantsOf } from '$core/answers/purchase.ts';
	import ChoosePurchase from '$lib/ui/buy/ChoosePurchase.svelte';
	import EditPurchase from './EditPurchase.svelte';
	import CannotCome from './CannotCome.svelte';
	import StandIns from './StandIns.svelte';
	import { cannotComeInTime } from '$core/answers/standIn.ts';
	import { othersOf } from './jointWords.ts';
	import Notice from '$lib/ui/Notice.svelte';
	import AddPurchase from './AddPurchase.svelte';
	import PurchaseTable from './PurchaseTable.svelte';
	import Parcels from './Parcels.svelte';
	import NeedTable from './NeedTable.svelte';
	import AskNeeds from './AskNeeds.svelte';
	import WillCost from './WillCost.svelte';

	let { data }: { data: PageData } = $props();
	const costume = $derived(data.record.costume);
	const currency = $derived(costume.currency);
	const base = $derived(`/c/${costume.id}`);
	const plan = $derived(planByOdds(data.plan, shownForecast.of(data.planKey, data.forecast)));
	const orderOf = $derived(new Map(plan.orders.map((o) => [o.material.id, o])));
	const short = $derived(data.lines.filter((l) => l.packsShort > 0));
	const sorted = $derived(
		[...data.record.purchases].sort(
			(a, b) =>
				PURCHASE_STATES.indexOf(a.state) - PURCHASE_STATES.indexOf(b.state) ||
				(orderOf.get(a.materialId)?.orderByDay ?? Infinity) -
					(orderOf.get(b.materialId)?.orderByDay ?? Infinity)
		)
	);
	const buyer = $derived({
		costumeId: costume.id,
		lines: data.lines,
		purchases: data.record.purchases,
		orders: plan.orders
	});
	const open = $derived(openPurchases([buyer], data.joints));
	const wants = $derived(wantsOf([buyer], open));
	const beyond = $derived(sharedBeyond(buyer, [buyer], data.joints));
	const today = $derived(dayOf(data.now));
	const days = $derived(moneyOverDays(data.record, plan, data.lines, data.spend, today));
	let adding = $state(false);
	let addingMaterial = $state(false);
	let editing = $state<number | null>(null);
	let replacing = $state<number | null>(null);
	const cannotCome = $derived(cannotComeInTime(plan.orders, data.lines, data.now));
</script>

<svelte:head><title>Buy · {costume.name} · Dapper Ledger</title></svelte:head>

<div class="no-print">
	<Sheet>
		<WillCost
			{costume}
			spend={data.spend}
			materials={data.workshop.materials}
			guesses={guessedCosts(data.lines, data.workshop.guessOff ?? GUESS_FACTOR)}
			{base}
		/>
	</Sheet>
</div>

{#if cannotCome.length}<div class="no-print">
		<Sheet title="Can no longer arrive in time">
			<CannotCome orders={cannotCome} now={data.now} onreplace={(id) => (replacing = id)} />
		</Sheet>
	</div>{/if}

<div class="no-print">
	{#key costume.id}
		<ChoosePurchase
			buyers={[costume]}
			{wants}
			{open}
			materials={data.lines.map((l) => l.material)}
			offers={data.offers}
			workshop={data.workshop}
			{currency}
			now={data.now}
		>
			{#snippet said()}{#if beyond.length}<p data-beyond>
						What is on the list was chosen together with {othersOf(beyond, costume.id)} and stays as it is.
						<a href="/stash/buy?for={costume.id}">Choose it anew for all</a>
					</p>{/if}{/snippet}
			{#snippet tools()}{#if data.others}<a class="button small" href="/stash/buy?for={costume.id}"
						>Together with other costumes</a
					>{/if}{/snippet}
		</ChoosePurchase>
	{/key}
</div>

{#if data.parcels.length}<div class="no-print">
		<Sheet title="On its way">
			<Parcels
				parcels={data.parcels}
				materials={data.workshop.materials}
				joints={data.joints}
				onedit={(id) => (editing = id)}
			/>
		</Sheet>
	</div>{/if}

<Sheet title="Shopping list">
	{#snippet tools()}
		{#if short.length}<Act command="planShort" hidden={{ materialId: null }}
				><ListPlus size={14} /> Put the {short.length} short on the list</Act
			>{/if}
		<button class="button small" data-add onclick={() => (adding = true)}><Plus size={14} /> Purchase</button>
	{/snippet}
	{#if sorted.length}
		<PurchaseTable
			purchases={sorted}
			joints={data.joints}
			orders={plan.orders}
			materials={data.workshop.materials}
			components={data.record.components}
			{currency}
			now={data.now}
			onedit={(id) => (editing = id)}
			onreplace={(id) => (replacing = id)}
		/>
	{:else}
		<p class="soft">
			Nothing on the list. What components need and the stash does not cover is put here in whole packs.
			{#if data.record.components.length}<a href="{base}/buy/takes">What does it take?</a>{/if}
		</p>
	{/if}
</Sheet>

<div class="no-print stack">
	<Sheet title="Needed">
		{#snippet tools()}<button class="button small" onclick={() => (addingMaterial = true)}
				><Plus size={14} /> Material</button
			>{/snippet}
		{#if data.coatsMissing.length}
			<Notice>
				No material stands for {data.coatsMissing.map((p) => coatProductOf(handbook(), p).name).join(', ')} yet,
				so the coats ask for nothing. Add
				{data.coatsMissing.length === 1 ? 'it' : 'them'} with price and pack.
			</Notice>
		{/if}
		<AskNeeds missing={data.suppliesMissing} asked={data.asked} components={data.record.components} />
		{#each data.spoils as { material, lot, units, usedAt } (lot.id)}
			<Notice>
				{formatNumber(units, 2)}
				{material.unit} of <b>{material.name}</b>{placeOf(lot, material)
					? ` (${placeOf(lot, material)})`
					: ''} in the
				<a href="/stash#material-{material.id}">stash</a> is {keepsWords(lot, today)}, and the plan uses it
				until
				{dayFrom(dayOf(usedAt), today)}. Use it sooner, or buy it fresh.
			</Notice>
		{/each}
		{#if data.lines.length}
			<NeedTable lines={data.lines} components={data.record.components} />
		{:else}
			<p class="soft">
				No component says what it takes yet. Open one under Look and add its materials; coats of paint are
				counted by themselves.
			</p>
			{#if !data.record.components.length}<p class="end">
					<a class="button main" href="{base}/look">Break the look into components</a>
				</p>{/if}
		{/if}
	</Sheet>

	{#if data.leftovers.length}<Sheet title="Left over">
			<Leftovers leftovers={data.leftovers} atCost={costume.stashAtCost} />
		</Sheet>{/if}

	{#if days.length > 1}<Sheet title="Money and hours over the days">
			<MoneyChart {days} {costume} {today} />
		</Sheet>{/if}

	<MoneyTable record={data.record} orders={plan.orders} spend={data.spend} workshop={data.workshop} {today} />
</div>

<AddPurchase
	bind:open={adding}
	materials={data.workshop.materials}
	components={data.record.components}
	onmaterial={() => (addingMaterial = true)}
/>
<Dialog bind:open={addingMaterial} title="New material" wide>
	<Form command="addMaterial" onDone={() => (addingMaterial = false)} label="New material">
		<MaterialFields {currency} unit={data.workshop.settings.lengthUnit} coat={data.coatsMissing[0]} />
		<Submit>Add material</Submit>
	</Form>
</Dialog>
<StandIns
	bind:id={replacing}
	lines={data.lines}
	orders={plan.orders}
	deadline={plan.deadline}
	record={data.record}
	workshop={data.workshop}
	offers={data.offers}
	now={data.now}
/>
<EditPurchase
	bind:id={editing}
	purchases={data.record.purchases}
	joints={data.joints}
	materials={data.workshop.materials}
	components={data.record.components}
	takers={(id) => data.lines.find((l) => l.material.id === id)?.usages.map((u) => u.componentId) ?? []}
	{currency}
/>
