<script lang="ts">
	/** What to buy: the best mix of packs over everything that is still needed, chosen off the page, and why not the others. */
	import ListPlus from '@lucide/svelte/icons/list-plus';
	import pluralize from 'pluralize';
	import { onMount, type Snippet } from 'svelte';
	import { entriesOf } from '$core/answers/jointPurchase.ts';
	import { listLines, packsOf, purchaseTask, type Pack, type Want } from '$core/answers/purchase.ts';
	import {
		boughtPacks,
		isListed,
		parcelsOf,
		purchaseRows,
		type PurchaseChoice
	} from '$core/answers/purchaseChoice.ts';
	import { AIMS, type Aim } from '$core/engines/purchase/task.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { purchaseFigure, savedFigure, shareFigure } from '$core/explain/purchase.ts';
	import type { Material, Purchase } from '$core/facts/material.ts';
	import type { Offer } from '$core/facts/supplier.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { dayWords, type LocalMinutes } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Act from '$lib/ui/Act.svelte';
	import { keepWishes, readWishes } from '$lib/ui/keptWishes.ts';
	import Fact from '$lib/ui/Fact.svelte';
	import Facts from '$lib/ui/Facts.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import PageAnswer from '$lib/ui/PageAnswer.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import { Task } from '$lib/ui/task.svelte.ts';
	import Working from '$lib/ui/Working.svelte';
	import ParcelList from './ParcelList.svelte';
	import PackRow from './PackRow.svelte';

	interface Props {
		/** Costumes for which is bought. */
		buyers: readonly { id: number; name: string }[];
		wants: readonly Want[];
		/** What is only on their lists, and may be bought otherwise. */
		open: readonly Purchase[];
		/** What is wanted, with its prices in the currency. */
		materials: readonly Material[];
		offers: readonly Offer[];
		workshop: Pick<Workshop, 'settings' | 'exchange' | 'suppliers'>;
		currency: string;
		now: LocalMinutes;
		/** What else there is to buy with, and what is said of the list before. */
		tools?: Snippet;
		said?: Snippet;
	}
	let { buyers, wants, open, materials, offers, workshop, currency, now, tools, said }: Props = $props();

	const SECONDS = 2;
	const AIM_WORDS: Record<Aim, string> = {
		cheapest: 'cheapest in time',
		soonest: 'here soonest',
		fewest: 'fewest parcels'
	};
	const key = $derived(buyers.map((b) => b.id).join(' '));
	let aim = $state<Aim>('cheapest');
	let without = $state<string[]>([]);
	// This device is the outside world: it keeps how it is wanted, and has it only where scripts run.
	let read = $state(false);
	onMount(() => {
		({ aim, without } = readWishes(key));
		read = true;
	});
	$effect(() => {
		if (read) keepWishes(key, { aim, without });
	});
	const unwanted = $derived(new Set(without));
	const offered = $derived(packsOf(materials, offers, workshop, currency));
	const taskOf = (wants: readonly Want[]) =>
		purchaseTask(wants, offered.packs, workshop, currency, now, { aim, without: unwanted });
	const task = $derived(taskOf(wants));
	const apart = $derived(
		buyers.length > 1
			? buyers.map((b) => taskOf(wants.filter((w) => w.costumeId === b.id))).filter((t) => t.needs.length)
			: []
	);
	const asked = $derived(JSON.stringify({ task, apart }));
	const work = new Task<'purchase'>();
	let found = $state.raw<{ of: string; choice: PurchaseChoice } | null>(null);
	$effect(() => {
		const of = asked;
		if (!read) return;
		if (JSON.parse(of).task.needs.length === 0) return;
		const keep = (choice: PurchaseChoice) => (found = { of, choice });
		void work
			.start(
				() => new Worker(new URL('../../../workers/purchase.worker.ts', import.meta.url), { type: 'module' }),
				async () => ({ kind: 'purchase', ...JSON.parse(of), seconds: SECONDS }),
				keep
			)
			.then((choice) => choice && keep(choice));
		return () => work.stop();
	});
	const fresh = $derived(found?.of === asked ? found.choice : null);
	/** The last choice stays in sight while another one is made. */
	const choice = $derived(fresh ?? found?.choice ?? null);
	const parcels = $derived(choice ? parcelsOf(choice.chosen.buy, offered.packs, workshop, currency) : []);
	const rows = $derived(
		choice ? purchaseRows(task, wants, choice, offered.packs, unwanted, workshop.suppliers) : []
	);
	const bought = $derived(choice ? boughtPacks(choice.chosen.buy, offered.packs, wants) : []);
	const entries = $derived(
		listLines(bought, workshop, currency).flatMap((line, k) => entriesOf(line, bought[k]!.shares))
	);
	const saved = $derived(
		choice && choice.apartMinor !== null
			? valueOf(savedFigure(choice.apartMinor, choice.chosen.totalMinor, currency))
			: 0
	);
	const figure = $derived(purchaseFigure(parcels, currency));
	const late = $derived(rows.filter((r) => r.bought.some((b) => b.shares.some((s) => s.late))).length);
	const short = $derived(rows.filter((r) => r.short).length);
	const last = $derived(Math.max(...parcels.map((p) => p.arrives)));
	const priceless = $derived(
		offered.unpriced.filter((u) => task.needs.some((n) => n.id === String(u.materialId)))
	);
	const nameOf = (id: number) => materials.find((m) => m.id === id)?.name ?? '';
	const only = ({ id, materialId }: Pack) =>
		(without = [
			...without.filter((p) => p !== id),
			...offered.packs.flatMap((p) =>
				p.materialId === materialId && p.id !== id && !without.includes(p.id) ? [p.id] : []
			)
		]);
	const toggle = (pack: string, wanted: boolean) =>
		(without = wanted ? without.filter((p) => p !== pack) : [...without, pack]);
</script>

<Sheet title="What to buy" {tools}>
	{@render said?.()}
	{#if task.needs.length === 0}
		<p class="soft">Nothing more has to be bought.</p>
	{:else}
		<div class="aims" role="radiogroup" aria-label="What counts">
			{#each AIMS as one (one)}
				<label class:chosen={aim === one}
					><input type="radio" name="aim" value={one} bind:group={aim} /> {AIM_WORDS[one]}</label
				>
			{/each}
		</div>
		{#if work.problem}<Notice bad>{work.problem}</Notice>{/if}
		{#if choice}
			<div class:old={!fresh} aria-busy={!fresh} aria-live="polite">
				<PageAnswer>
					{#if choice.chosen.buy.length}
						<p class="headline" data-purchase>
							Buy for <Working {figure} text={formatMoney(valueOf(figure), currency)} />
							from {pluralize('supplier', choice.chosen.parcels, true)}, all here by {dayWords(last)}
						</p>
					{:else}<p class="headline">Nothing of it can be bought</p>{/if}
					{#if saved > 0}<p>
							<b data-saved
								><Working
									figure={savedFigure(choice.apartMinor!, choice.chosen.totalMinor, currency)}
									text={formatMoney(saved, currency)}
								/> less</b
							> than each bought apart.
						</p>{/if}
					{#if late}<p class="wrong">
							<b>{pluralize('material', late, true)} {late === 1 ? 'comes' : 'come'} too late</b>, however
							bought:
							{late === 1 ? 'it is' : 'they are'} had as soon as can be.
						</p>{/if}
					{#if short}<p class="wrong">
							{pluralize('material', short, true)} cannot be bought: no pack with a price is left.
						</p>{/if}
					<p class="small soft">
						{#if !choice.chosen.proved}The best found in {SECONDS} seconds; there may be better.
						{:else if aim === 'cheapest'}No other mix that is {late ? 'here as soon' : 'in time'} costs less.
						{:else if aim === 'soonest'}Nothing is all here sooner, and no other mix by then costs less.
						{:else}No fewer parcels hold it, and no other mix in as many costs less.{/if}
					</p>
					{#snippet beside()}
						<Facts look="columns">
							<Fact name="Goods">{formatMoney(choice.chosen.goodsMinor, currency)}</Fact>
							<Fact name="Sending">{formatMoney(choice.chosen.shippingMinor, currency)}</Fact>
							{#if buyers.length > 1}{#each buyers as b (b.id)}
									{@const part = shareFigure(
										b.name,
										entries.filter((e) => e.costumeId === b.id),
										nameOf,
										currency
									)}
									<Fact name={b.name}
										><Working figure={part} text={formatMoney(valueOf(part), currency)} /></Fact
									>
								{/each}{/if}
						</Facts>
					{/snippet}
					{#snippet tools()}
						{#if choice.chosen.buy.length && isListed(entries, open)}
							<b data-listed>It stands on the {buyers.length > 1 ? 'lists' : 'list'} as it is.</b>
						{:else if choice.chosen.buy.length}
							<Act
								command="buyChosen"
								hidden={{
									costumes: buyers.map((b) => b.id).join(' '),
									chosen: JSON.stringify(
										bought.map((b) => ({
											pack: b.pack.id,
											packs: b.packs,
											to: b.shares.map(({ costumeId, units }) => ({ costumeId, units }))
										}))
									)
								}}
								look="main"
								disabled={!fresh}
								><ListPlus size={14} /> Put it on the {buyers.length > 1 ? 'lists' : 'list'}</Act
							>
						{/if}
					{/snippet}
				</PageAnswer>
				<ParcelList {parcels} {currency} />
				<div class="rows">
					{#each rows as row (row.materialId)}
						<PackRow
							{row}
							material={materials.find((m) => m.id === row.materialId)!}
							{currency}
							{buyers}
							ontoggle={toggle}
							ononly={only}
						/>
					{/each}
				</div>
			</div>
		{:else if !work.problem}
			<p class="soft">Choosing…</p>
		{/if}
		{#if priceless.length}
			<p class="small">
				Not weighed, because {priceless.length === 1 ? 'its price is' : 'their prices are'} not known in {currency}:
				{priceless
					.map((u) => `${nameOf(u.materialId)}${u.supplier ? ` from ${u.supplier}` : ''}`)
					.join(', ')}.
			</p>
		{/if}
	{/if}
</Sheet>

<style>
	.aims {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		margin-bottom: 12px;
	}
	.aims label {
		display: inline-flex;
		gap: 6px;
		align-items: center;
		min-height: 32px;
		cursor: pointer;
	}
	.aims .chosen {
		font-weight: 600;
	}
	.old {
		opacity: 0.55;
	}
	.rows {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 400px), 1fr));
		gap: 16px 24px;
		border-top: 1px solid var(--rule);
		padding-top: 12px;
	}
	@media (max-width: 700px) {
		.aims label {
			min-height: 44px;
		}
	}
</style>
