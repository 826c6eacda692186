<script lang="ts">
	/** The shopping list: what it costs, when it must be ordered, when it comes. */
	import type { Component } from '$core/facts/component.ts';
	import OrderStrip from '$lib/ui/OrderStrip.svelte';
	import Weave from '$lib/ui/Weave.svelte';
	import type { JointPurchase } from '$core/facts/jointPurchase.ts';
	import type { Purchase, Material } from '$core/facts/material.ts';
	import Working from '$lib/ui/Working.svelte';
	import { isOverdue } from '$core/answers/leadTime.ts';
	import { dayWords, dayOf } from '$core/units/localTime.ts';
	import { othersOf } from './jointWords.ts';
	import { costFigure, orderByFigure } from '$core/explain/money.ts';
	import { ORDER_STATES, purchaseCost } from '$core/facts/material.ts';
	import Act from '$lib/ui/Act.svelte';
	import { formatPrice } from '$core/units/money.ts';
	import Replace from '@lucide/svelte/icons/replace';
	import X from '@lucide/svelte/icons/x';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import type { OrderBy } from '$core/answers/arrivals.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		purchases: readonly Purchase[];
		joints: readonly JointPurchase[];
		orders: readonly OrderBy[];
		materials: readonly Material[];
		components: readonly Component[];
		currency: string;
		now: LocalMinutes;
		onedit: (purchase: number) => void;
		/** Of a material. */
		onreplace: (material: number) => void;
	}
	let { purchases, joints, orders, materials, components, currency, now, onedit, onreplace }: Props =
		$props();
	const material = (id: number) => materials.find((m) => m.id === id)!;
	const orderOf = $derived(new Map(orders.map((o) => [o.material.id, o])));
	const today = $derived(dayOf(now));
	const next = (p: Purchase) =>
		p.state === 'returned' ? undefined : ORDER_STATES[ORDER_STATES.indexOf(p.state) + 1];
	const jointOf = (p: Purchase) => joints.find((j) => j.id === p.jointId);
	const past = (p: Purchase) => p.state === 'used' || p.state === 'returned';
</script>

<div class="purchases">
	<Table>
		{#snippet heads()}<th>What</th><th class="number">Packs</th><th class="number">Cost</th><th>Supplier</th
			><th>Order by</th><th>There</th><th>State</th><th class="no-print"></th>{/snippet}
		{#each purchases as p (p.id)}
			{@const m = material(p.materialId)}
			{@const order = orderOf.get(p.materialId)}
			{@const joint = jointOf(p)}
			<tr class:past={past(p)}>
				<td class="what">
					<Weave weave={WEAVE_OF_FAMILY[m.family] ?? 'plain'} />
					<b>{m.name}</b>
					{#if p.componentId !== null}<span class="small soft"
							>for {components.find((c) => c.id === p.componentId)?.code}</span
						>{/if}
					{#if joint}<span class="small soft">with {othersOf([joint], p.costumeId)}</span>{/if}
					{#if p.note}<span class="small soft">{p.note}</span>{/if}
				</td>
				<td class="number packs"
					>{#if joint}{formatNumber(p.packs * p.packSize!, 2)}
						{m.unit}
						<span class="soft small">of {joint.packs} × {formatNumber(joint.packSize)} {m.unit}</span
						>{:else}{p.packs}
						<span class="soft small">× {formatNumber(p.packSize ?? m.packSize)} {m.unit}</span>{/if}</td
				>
				<td class="number cost"
					><Working
						figure={costFigure(p, m.name, currency, joint)}
						text={formatPrice(purchaseCost(p), currency)}
					/></td
				>
				<td class="small supplier">{p.supplier}</td>
				<td class="order">
					{#if p.state === 'planned' && order?.orderByDay != null}<span class:wrong={order.orderByDay < today}
							><Working figure={orderByFigure(order)} text={dayWords(order.orderByDay)} /></span
						>{#if order.orderByDay < today}<span class="wrong small">
								passed</span
							>{/if}{#if order.odds}<OrderStrip odds={order.odds} />{/if}{/if}
				</td>
				<td class="small there">
					{#if p.state === 'ordered' && p.dueOn !== null}{dayWords(p.dueOn)}{#if isOverdue(p, now)}&nbsp;<b
								class="wrong">overdue</b
							>{/if}
					{:else if p.arrivedOn !== null}{dayWords(p.arrivedOn)}{/if}
					{#if order?.tooLate && (p.state === 'planned' || p.state === 'ordered')}<b class="wrong">too late</b
						>{/if}
				</td>
				<td class="st"
					><span class="state {p.state}">{p.state}</span>{#if p.hash}
						<a class="small no-print" href="/picture/{p.hash}" target="_blank" rel="noopener">receipt</a
						>{/if}</td
				>
				<td class="number no-print acts">
					{#if next(p)}<Act
							command="setPurchaseState"
							id={p.id}
							hidden={{ state: next(p)! }}
							label="{m.name} is {next(p)}">mark {next(p)}</Act
						>{/if}
					{#if p.state === 'planned' || p.state === 'ordered'}<button
							class="button small quiet"
							onclick={() => onreplace(p.materialId)}
							title="What could stand in"
							aria-label="What could stand in for {m.name}"><Replace size={14} /></button
						>{/if}
					<button
						class="button small quiet"
						onclick={() => onedit(p.id)}
						aria-label="Edit the purchase of {m.name}">Edit</button
					>
					<Act command="removePurchase" id={p.id} look="quiet" label="Take {m.name} off the list"
						><X size={14} /></Act
					>
				</td>
			</tr>
		{/each}
	</Table>
</div>

<style>
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
	/* A card a line, where a line has no room: by when, how it stands and what to do next in sight. */
	@media (max-width: 900px) {
		.purchases :global(thead) {
			display: none;
		}
		.purchases :global(table),
		.purchases :global(tbody) {
			display: block;
		}
		tr {
			display: grid;
			grid-template-columns: minmax(0, 1fr) auto;
			gap: 2px 12px;
			padding: 8px 0;
			border-top: 1px solid var(--rule);
		}
		td {
			border: 0;
			padding: 0;
			min-height: 0;
		}
		.what {
			grid-column: 1;
			white-space: normal;
		}
		.packs {
			grid-column: 1;
			grid-row: 2;
			text-align: left;
		}
		.cost {
			grid-column: 2;
			grid-row: 1;
		}
		.st {
			grid-column: 2;
			grid-row: 2;
			text-align: right;
		}
		.order:not(:empty)::before {
			content: 'order by ';
			color: var(--ink-soft);
			font-size: var(--s13);
		}
		.there {
			text-align: right;
		}
		.supplier,
		.acts {
			grid-column: 1 / -1;
		}
		.supplier:empty {
			display: none;
		}
	}
	.past td {
		color: var(--ink-soft);
	}
</style>
