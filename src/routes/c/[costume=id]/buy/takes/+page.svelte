<script lang="ts">
	/** Everything that the costume takes and nothing asks for yet: ticked, priced down a column, and put on the list at once. */
	import pluralize from 'pluralize';
	import { SvelteMap, SvelteSet } from 'svelte/reactivity';
	import { goto } from '$app/navigation';
	import { takesCost, type Take } from '$core/answers/takes.ts';
	import { packsFigure, takesFigure } from '$core/explain/money.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import { formatMoney, parseMoney, typedMoney } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import Weave from '$lib/ui/Weave.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const trade = handbook();
	const costume = $derived(data.record.costume);
	const base = $derived(`/c/${costume.id}`);
	/** What is not ticked. */
	const left = new SvelteSet<string>();
	/** What was typed of each price; what is known until then. */
	const texts = new SvelteMap<string, string>();
	const typed = $derived(
		new Map(
			[...texts].flatMap(([key, text]): [string, number][] => {
				const read = parseMoney(text, costume.currency);
				return read.ok ? [[key, read.value]] : [];
			})
		)
	);
	const taken = $derived(data.takes.filter((t) => !left.has(t.key)));
	const cost = $derived(takesCost(taken, typed));
	const codeOf = (id: number) => data.record.components.find((c) => c.id === id)?.code ?? '';
	const money = (minor: number) => formatMoney(minor, costume.currency);
	const soldWords = ({ material: m }: Take) =>
		m.packSize === 1 ? `by the ${m.unit}` : `${formatNumber(m.packSize)} ${m.unit} a pack`;
	/** What each component takes of it, with its working. */
	const takers = ({ needs, line, material }: Take) =>
		needs.length
			? needs.map(({ componentId, figure }) => ({ componentId, figure }))
			: [...new Set(line.usages.map((u) => u.componentId))].map((componentId) => ({
					componentId,
					figure: takesFigure(
						line.usages.filter((u) => u.componentId === componentId),
						material,
						trade
					)
				}));

	function tick(key: string, on: boolean) {
		if (on) left.delete(key);
		else left.add(key);
	}
	/** Down the column of prices, and from the last of them to the button. */
	function onkeydown(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
		const by = ({ Enter: 1, ArrowDown: 1, ArrowUp: -1 } as Record<string, number>)[event.key];
		if (!by) return;
		event.preventDefault();
		const all = [...document.querySelectorAll<HTMLInputElement>('[data-price]')];
		const next = all[all.indexOf(event.currentTarget) + by];
		if (next) next.select();
		else if (by > 0) document.querySelector<HTMLElement>('[data-keep]')?.focus();
	}
</script>

<svelte:head><title>What it takes · {costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="What it takes">
	{#if data.takes.length}
		<p class="small soft">
			Worked out from steps, coats and forms of all components; sizes, packs and days on the way are usual
			ones. Untick what does not apply and type what a pack costs: Enter goes down the column. A price that
			you do not know stays empty.
		</p>
		<Form command="addTakes" label="What it takes" onDone={() => goto(`${base}/buy`)}>
			<ul class="plain takes">
				<li class="heads small soft" aria-hidden="true">
					<span></span><span>Material, and what for</span><span class="number">Needed</span><span
						class="number">Packs</span
					><span>Price of a pack</span><span class="number">Comes to</span>
				</li>
				{#each data.takes as take (take.key)}
					{@const { key, material, line } = take}
					{@const comesTo = cost.of.get(key)}
					<li class:left={left.has(key)}>
						<input
							type="checkbox"
							name="takes[]"
							value={key}
							checked
							aria-label="Takes {material.name}"
							onchange={(e) => tick(key, e.currentTarget.checked)}
						/>
						<span
							><Weave weave={WEAVE_OF_FAMILY[material.family] ?? 'plain'} />
							<b>{material.name}</b>
							<span class="small soft">{material.id > 0 ? 'from the stash list' : soldWords(take)}</span>
							<span class="small codes"
								>{#each takers(take) as { componentId, figure } (componentId)}<Working
										{figure}
										text={codeOf(componentId)}
									/>{/each}</span
							></span
						>
						<span class="number figure">{formatNumber(line.needed, 2)} {material.unit}</span>
						<span class="number figure"><Working figure={packsFigure(line)} text="{line.packsShort}×" /></span
						>
						<span
							><input
								class="price"
								data-price
								name="price {key}"
								inputmode="decimal"
								bind:value={
									() => texts.get(key) ?? typedMoney(material.packPriceMinor, costume.currency),
									(text) => texts.set(key, text)
								}
								aria-label="Price of a pack of {material.name}, {costume.currency}"
								autocomplete="off"
								{onkeydown}
							/></span
						>
						<span class="number figure" class:none={comesTo == null}
							>{comesTo === undefined ? '' : comesTo === null ? '–' : money(comesTo)}</span
						>
						<span class="wrong"><FormError name="price {key}" /></span>
					</li>
				{/each}
			</ul>
			<FormError name="takes" />
			<div class="foot">
				<p class="answer" aria-live="polite">
					{money(cost.minor)}
					<span class="small soft"
						>{cost.missing
							? `and ${pluralize('material', cost.missing, true)} without a price`
							: 'with every price known'}</span
					>
				</p>
				<Tick name="list" label="Put what is short on the shopping list" checked />
				<button class="button main" data-keep
					>It takes {taken.length === 1 ? 'this one' : `these ${taken.length}`}</button
				>
			</div>
		</Form>
	{:else if data.record.components.length === 0}
		<p>
			Say under <a href="{base}/look">Look</a> what the costume is made of: what it takes follows from that.
		</p>
	{:else}
		<p>
			Nothing more comes to mind: what its routes, coats and work take is entered. It stands under
			<a href="{base}/buy">Materials</a>.
		</p>
	{/if}
</Sheet>

<style>
	.takes li {
		display: grid;
		grid-template-columns: 26px minmax(0, 1fr) 90px 50px 110px 100px;
		gap: 2px 12px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 5px 0;
	}
	.takes .heads {
		border-top: 0;
	}
	.takes .left {
		opacity: 0.55;
	}
	.number {
		text-align: right;
	}
	.figure {
		font-family: var(--mono);
	}
	.codes {
		display: flex;
		flex-wrap: wrap;
		gap: 0 8px;
	}
	.price {
		width: 100%;
		text-align: right;
	}
	.wrong {
		grid-column: 2 / -1;
	}
	.foot {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 24px;
		align-items: center;
		justify-content: flex-end;
		border-top: 2px solid var(--ink);
		padding-top: 10px;
	}
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		margin-right: auto;
	}
	@media (max-width: 900px) {
		.takes .heads {
			display: none;
		}
		.takes li {
			grid-template-columns: 26px minmax(0, 1fr) 40px 104px;
		}
		.takes li > :nth-child(2) {
			grid-column: 2 / -1;
		}
		.takes li > :nth-child(3) {
			grid-column: 2;
			text-align: left;
		}
		.takes li > :nth-child(6) {
			grid-column: 2 / -1;
		}
		.takes .none {
			display: none;
		}
	}
</style>
