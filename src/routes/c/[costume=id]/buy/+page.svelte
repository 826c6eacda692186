<script lang="ts">
	import { coatProductOf } from '$core/trade/catalogue.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import FileDown from '@lucide/svelte/icons/file-down';
	import ListPlus from '@lucide/svelte/icons/list-plus';
	import Plus from '@lucide/svelte/icons/plus';
	import Printer from '@lucide/svelte/icons/printer';
	import X from '@lucide/svelte/icons/x';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import { isOverdue } from '$core/answers/leadTime.ts';
	import { PURCHASE_STATES, purchaseCost, type Purchase } from '$core/facts/material.ts';
	import { dayOf, dayWords, formatDate } from '$core/units/localTime.ts';
	import { formatMoney, formatPrice, moneyDigits } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import {
		componentMoneyFigure,
		costFigure,
		limitFigure,
		orderByFigure,
		packsFigure,
		spendFigure
	} from '$core/explain/money.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import MaterialFields from '$lib/ui/MaterialFields.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import Weave from '$lib/ui/Weave.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const costume = $derived(data.record.costume);
	const currency = $derived(costume.currency);
	const base = $derived(`/c/${costume.id}`);
	const today = $derived(dayOf(data.now));
	const material = (id: number) => data.workshop.materials.find((m) => m.id === id)!;
	const orderOf = $derived(new Map(data.plan.orders.map((o) => [o.material.id, o])));
	const short = $derived(data.lines.filter((l) => l.packsShort > 0));
	const sorted = $derived(
		[...data.record.purchases].sort(
			(a, b) =>
				PURCHASE_STATES.indexOf(a.state) - PURCHASE_STATES.indexOf(b.state) ||
				(orderOf.get(a.materialId)?.orderByDay ?? Infinity) -
					(orderOf.get(b.materialId)?.orderByDay ?? Infinity)
		)
	);
	const spend = $derived(spendFigure(costume, data.spend));
	const next = (p: Purchase) => PURCHASE_STATES[PURCHASE_STATES.indexOf(p.state) + 1];
	const plain = (minor: number) => moneyDigits(minor, currency).replace(/\u2009/g, '');

	let adding = $state(false);
	let addingMaterial = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(data.record.purchases.find((p) => p.id === editing));
</script>

<svelte:head><title>Buy · {costume.name} · Dapper Ledger</title></svelte:head>

<div class="no-print">
	<Sheet>
		<div class="answer">
			<div>
				<p class="big" class:bad={data.spend.leftMinor !== null && data.spend.leftMinor < 0}>
					Will cost <Working figure={spend} text={formatMoney(valueOf(spend), currency)} />
				</p>
				{#if costume.limitMinor !== null && data.spend.leftMinor !== null}
					<p>
						<b class:bad={data.spend.leftMinor < 0}
							><Working
								figure={limitFigure(costume, data.spend)}
								text={formatMoney(Math.abs(data.spend.leftMinor), currency)}
							/></b
						>
						{data.spend.leftMinor >= 0 ? 'under' : 'over'}
						the limit of {formatMoney(costume.limitMinor, currency)}
					</p>
				{:else}<p class="soft">No limit set.</p>{/if}
			</div>
			<dl>
				<dt>Paid</dt>
				<dd class="figure">{formatMoney(data.spend.paidMinor, currency)}</dd>
				<dt>Ordered</dt>
				<dd class="figure">{formatMoney(data.spend.orderedMinor, currency)}</dd>
				<dt>Planned</dt>
				<dd class="figure">{formatMoney(data.spend.plannedMinor, currency)}</dd>
				<dt>Still short</dt>
				<dd class="figure">{formatMoney(data.spend.notListedMinor, currency)}</dd>
			</dl>
			{#if data.spend.unpriced.length}<p class="small" data-unpriced>
					On top of this comes what nobody knows the price of: {data.spend.unpriced
						.map((id) => material(id).name)
						.join(', ')}.
				</p>{/if}
			<div class="row no-print">
				<button class="button small" onclick={() => window.print()}
					><Printer size={14} /> Shopping list</button
				>
				<a class="button small" href="{base}/out/materials" download
					><FileDown size={14} /> Materials as CSV</a
				>
				<a class="button small" href="{base}/out/money" download><FileDown size={14} /> Money as CSV</a>
			</div>
		</div>
	</Sheet>
</div>

<Sheet title="Shopping list">
	{#snippet tools()}
		{#if short.length}<Act command="planShort" hidden={{ materialId: null }} look="main"
				><ListPlus size={14} /> Put the {short.length} short on the list</Act
			>{/if}
		<button class="button small" data-add onclick={() => (adding = true)}><Plus size={14} /> Purchase</button>
	{/snippet}
	{#if sorted.length}
		<div class="scroll">
			<table>
				<thead>
					<tr
						><th class="box"><span class="visually-hidden">In the basket</span></th><th>What</th><th
							class="number">Packs</th
						><th class="number">Cost</th><th>Supplier</th><th>Order by</th><th>There</th><th>State</th><th
							class="no-print"
						></th></tr
					>
				</thead>
				<tbody>
					{#each sorted as p (p.id)}
						{@const m = material(p.materialId)}
						{@const order = orderOf.get(p.materialId)}
						<tr class:past={p.state === 'used'} class:here={p.state === 'arrived' || p.state === 'used'}>
							<td class="box"><span></span></td>
							<td>
								<Weave weave={WEAVE_OF_FAMILY[m.family] ?? 'plain'} />
								<b>{m.name}</b>
								{#if p.componentId !== null}<span class="small soft"
										>for {data.record.components.find((c) => c.id === p.componentId)?.code}</span
									>{/if}
								{#if p.note}<span class="small soft">{p.note}</span>{/if}
							</td>
							<td class="number"
								>{p.packs} <span class="soft small">× {formatNumber(m.packSize)} {m.unit}</span></td
							>
							<td class="number"
								><Working
									figure={costFigure(p, m.name, currency)}
									text={formatPrice(purchaseCost(p), currency)}
								/></td
							>
							<td class="small">{p.supplier}</td>
							<td>
								{#if p.state === 'planned' && order?.orderByDay != null}<span
										class:bad={order.orderByDay < today}
										><Working figure={orderByFigure(order)} text={dayWords(order.orderByDay)} /></span
									>{#if order.orderByDay < today}<span class="bad small"> passed</span>{/if}{/if}
							</td>
							<td class="small">
								{#if p.state === 'ordered' && p.dueOn !== null}{dayWords(
										p.dueOn
									)}{#if isOverdue(p, data.now)}&nbsp;<b class="bad">overdue</b>{/if}
								{:else if p.arrivedOn !== null}{dayWords(p.arrivedOn)}{/if}
								{#if order?.tooLate && (p.state === 'planned' || p.state === 'ordered')}<b class="bad"
										>too late</b
									>{/if}
							</td>
							<td><span class="state {p.state}">{p.state}</span></td>
							<td class="number no-print">
								{#if next(p)}<Act
										command="setPurchaseState"
										id={p.id}
										hidden={{ state: next(p)! }}
										label="{m.name} is {next(p)}">mark {next(p)}</Act
									>{/if}
								<button
									class="button small quiet"
									onclick={() => (editing = p.id)}
									aria-label="Edit the purchase of {m.name}">Edit</button
								>
								<Act command="removePurchase" id={p.id} look="quiet" label="Take {m.name} off the list"
									><X size={14} /></Act
								>
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{:else}
		<p class="soft">
			Nothing on the list. What components need and the stash does not cover is put here in whole packs.
		</p>
	{/if}
</Sheet>

<div class="no-print rest">
	<Sheet title="Needed">
		{#snippet tools()}<button class="button small" onclick={() => (addingMaterial = true)}
				><Plus size={14} /> Material</button
			>{/snippet}
		{#if data.coatsMissing.length}
			<p class="missing">
				No material stands for {data.coatsMissing.map((p) => coatProductOf(handbook(), p).name).join(', ')} yet,
				so the coats ask for nothing. Add
				{data.coatsMissing.length === 1 ? 'it' : 'them'} with price and pack.
			</p>
		{/if}
		{#if data.lines.length}
			<div class="scroll">
				<table>
					<thead>
						<tr
							><th>Material</th><th>For</th><th class="number">Needed</th><th class="number"
								>Promised of the stash</th
							><th class="number">Bought</th><th class="number">Packs short</th><th class="number">Over</th
							></tr
						>
					</thead>
					<tbody>
						{#each data.lines as line (line.material.id)}
							<tr class:short={line.packsShort > 0}>
								<td
									><Weave weave={WEAVE_OF_FAMILY[line.material.family] ?? 'plain'} /> {line.material.name}</td
								>
								<td class="small soft"
									>{[
										...new Set(
											line.usages.map((u) => data.record.components.find((c) => c.id === u.componentId)?.code)
										)
									].join(', ')}</td
								>
								<td class="number"
									>{formatNumber(line.needed, 2)}
									{line.material.unit}{#if line.taken > 0}<span class="small soft"
											>, {formatNumber(line.taken, 2)} cut</span
										>{/if}</td
								>
								<td class="number">{formatNumber(line.stash, 2)}</td>
								<td class="number">{formatNumber(line.bought, 2)}</td>
								<td class="number"><Working figure={packsFigure(line)} text={String(line.packsShort)} /></td>
								<td class="number soft">{formatNumber(line.over, 2)}</td>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
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

	<Sheet title="Money by component">
		<table>
			<thead><tr><th>Component</th><th class="number">Its share of what was bought</th></tr></thead>
			<tbody>
				{#each data.record.components.filter((c) => data.spend.byComponent.get(c.id)) as c (c.id)}
					<tr
						><td>{c.code} {c.name}</td><td class="number"
							><Working figure={componentMoneyFigure(c, costume, data.spend, data.workshop)} /></td
						></tr
					>
				{/each}
				{#if data.spend.byComponent.get(null)}<tr
						><td class="soft">for no component</td><td class="number"
							>{formatMoney(data.spend.byComponent.get(null)!, currency)}</td
						></tr
					>{/if}
				<tr class="sum"
					><td>Planned, ordered and paid</td><td class="number"
						>{formatMoney(
							data.spend.plannedMinor + data.spend.orderedMinor + data.spend.paidMinor,
							currency
						)}</td
					></tr
				>
			</tbody>
		</table>
	</Sheet>
</div>

<Dialog bind:open={adding} title="Put on the list">
	{#if data.workshop.materials.length}
		<Form command="addPurchase" onDone={() => (adding = false)} label="New purchase">
			<div class="fields">
				<Field
					name="materialId"
					label="Material"
					options={data.workshop.materials.map((m) => ({
						value: m.id,
						label: `${m.name}, pack of ${formatNumber(m.packSize)} ${m.unit}`
					}))}
					none="choose"
					wide
				/>
				<Field name="packs" label="Packs" value="1" inputmode="numeric" />
				<Field
					name="componentId"
					label="For"
					options={data.record.components.map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }))}
					none="the whole costume"
				/>
			</div>
			<p class="end"><button class="button main">Put on the list</button></p>
		</Form>
	{:else}
		<p>No materials are known yet.</p>
		<p class="end">
			<button
				class="button main"
				onclick={() => {
					adding = false;
					addingMaterial = true;
				}}>Add the first material</button
			>
		</p>
	{/if}
</Dialog>
<Dialog bind:open={addingMaterial} title="New material" wide>
	<Form command="addMaterial" onDone={() => (addingMaterial = false)} label="New material">
		<MaterialFields {currency} unit={data.workshop.settings.lengthUnit} coat={data.coatsMissing[0]} />
		<p class="end"><button class="button main">Add material</button></p>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Purchase of {edited ? material(edited.materialId).name : ''}">
	{#if edited}
		<Form
			command="editPurchase"
			id={edited.id}
			version={edited.version}
			onDone={() => (editing = null)}
			label="Purchase"
		>
			<div class="fields">
				<Field name="packs" label="Packs" value={edited.packs} inputmode="numeric" />
				<Field
					name="packPriceMinor"
					label="Price of a pack"
					value={edited.packPriceMinor === null ? '' : plain(edited.packPriceMinor)}
					hint="left empty: not known"
					inputmode="decimal"
					suffix={currency}
				/>
				<Field
					name="shippingMinor"
					label="Shipping"
					value={plain(edited.shippingMinor)}
					inputmode="decimal"
					suffix={currency}
				/>
				<Field name="supplier" label="Supplier" value={edited.supplier} />
				<Field name="leadDays" label="Lead days" value={edited.leadDays} inputmode="numeric" />
				<div class="tick">
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
			<p class="end"><button class="button main">Save</button></p>
		</Form>
		<div class="row states">
			{#each PURCHASE_STATES.filter((s) => s !== edited.state) as state (state)}
				<Act command="setPurchaseState" id={edited.id} hidden={{ state }} look="quiet">is {state}</Act>
			{/each}
		</div>
	{/if}
</EditDialog>

<style>
	.rest {
		display: grid;
		gap: 16px;
	}
	.box {
		display: none;
	}
	@media print {
		/* What is still to be bought or waited for, with a box to tick. */
		.here {
			display: none;
		}
		.box {
			display: table-cell;
			width: 6mm;
		}
		.box span {
			display: block;
			width: 4mm;
			height: 4mm;
			border: 0.3mm solid black;
		}
	}
	.answer {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 12px 32px;
	}
	.answer .row {
		grid-column: 1 / -1;
	}
	.big {
		font-family: var(--head);
		font-size: var(--s36);
		font-weight: 700;
		line-height: 1.1;
		margin-bottom: 6px;
	}
	.big :global(button) {
		font-family: var(--head);
		letter-spacing: normal;
	}
	.bad {
		color: var(--red-ink);
	}
	dl {
		display: grid;
		grid-template-columns: auto auto;
		gap: 2px 16px;
		margin: 0;
	}
	dd {
		margin: 0;
		text-align: right;
	}
	dt {
		color: var(--ink-soft);
	}
	.state {
		font-weight: 600;
		font-size: var(--s13);
		padding: 0 6px;
		border: 1px solid var(--rule);
	}
	.state.ordered {
		background: var(--yellow-wash);
	}
	.state.arrived {
		color: var(--good-ink);
	}
	.past td {
		color: var(--ink-soft);
	}
	tr.short td:first-child {
		box-shadow: inset 4px 0 0 var(--pink-ink);
		padding-left: 12px;
	}
	.missing {
		background: var(--yellow-wash);
		border-left: 4px solid var(--yellow-ink);
		padding: 6px 12px;
		margin-bottom: 12px;
	}
	.sum td {
		font-weight: 600;
		border-top: 2px solid var(--ink);
	}
	.tick {
		align-self: center;
	}
	.end,
	.states {
		margin-top: 16px;
	}
	@media (max-width: 700px) {
		.answer {
			grid-template-columns: minmax(0, 1fr);
		}
		.big {
			font-size: var(--s24);
		}
	}
</style>
