<script lang="ts">
	/** One shop: what lies together is together; a price that is another one on the spot is typed there. */
	import { SvelteMap, SvelteSet } from 'svelte/reactivity';
	import { basketOf, type ShopList } from '$core/answers/shopList.ts';
	import type { Material } from '$core/facts/material.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import { formatMoney, parseMoney, typedMoney } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import Weave from '$lib/ui/Weave.svelte';

	interface Props {
		list: ShopList;
		currency: string;
	}
	let { list, currency }: Props = $props();
	/** The photo of what there is of it already: more of the same is looked for. */
	const swatchOf = (m: Material) => m.lots.find((l) => l.hash)?.hash ?? null;
	const ticked = new SvelteSet<number>();
	const typed = new SvelteMap<number, number | null>();
	const basket = $derived(basketOf(list, ticked, typed));
	function tick(id: number, on: boolean) {
		if (on) ticked.add(id);
		else ticked.delete(id);
	}
	function price(id: number, text: string) {
		const read = parseMoney(text, currency);
		typed.set(id, read.ok ? read.value : null);
	}
</script>

<Form
	command="boughtInShop"
	id={list.supplier}
	label="Bought at {list.supplier || 'any shop'}"
	onDone={() => ticked.clear()}
>
	{#each list.aisles as aisle (aisle.family)}
		<h3>
			<Weave weave={WEAVE_OF_FAMILY[aisle.family] ?? 'plain'} />
			{aisle.family}
			<span class="a-pack no-print">price of a pack</span>
		</h3>
		<ul>
			{#each aisle.lines as { purchase: p, material: m } (p.id)}
				<li class:in={ticked.has(p.id)}>
					<label>
						<input
							type="checkbox"
							name="ticked[]"
							value={p.id}
							onchange={(e) => tick(p.id, e.currentTarget.checked)}
						/>
						<span class="box" aria-hidden="true"></span>
						{#if swatchOf(m)}<img
								src="/picture/{swatchOf(m)}?side=256"
								alt="How {m.name} looks"
								loading="lazy"
							/>{/if}
						<span
							><b>{m.name}</b>
							<span class="small soft"
								>{p.packs} × {formatNumber(p.packSize ?? m.packSize)}
								{m.unit}{p.note ? `, ${p.note}` : ''}</span
							></span
						>
					</label>
					<span class="price no-print"
						><input
							name="price{p.id}"
							inputmode="decimal"
							value={typedMoney(p.packPriceMinor, currency)}
							aria-label="Price of a pack of {m.name}, {currency}"
							oninput={(e) => price(p.id, e.currentTarget.value)}
						/></span
					>
					<FormError name="price{p.id}" />
				</li>
			{/each}
		</ul>
	{/each}
	<FormError name="ticked" />
	<div class="foot no-print">
		<p aria-live="polite">
			<b>{basket.lines} of {basket.of}</b> in the basket, {formatMoney(
				basket.minor,
				currency
			)}{basket.sendingMinor
				? `, ${formatMoney(basket.sendingMinor, currency)} of it for sending`
				: ''}{basket.unpriced ? `, and ${basket.unpriced} without a price` : ''}
		</p>
		<Tick name="remember" label="Remember these prices" checked />
		<button class="button main">Bought what is ticked</button>
	</div>
</Form>

<style>
	h3 {
		display: flex;
		gap: 8px;
		align-items: center;
		margin: 10px 0 0;
		font-size: var(--s13);
		color: var(--ink-soft);
	}
	.a-pack {
		margin-left: auto;
		font-weight: 400;
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		align-items: center;
		gap: 10px;
		border-bottom: 1px solid var(--rule);
	}
	label {
		display: flex;
		align-items: center;
		gap: 12px;
		min-height: 48px;
		cursor: pointer;
	}
	input[type='checkbox'] {
		width: 24px;
		height: 24px;
		flex: none;
	}
	img {
		width: 52px;
		height: 52px;
		object-fit: cover;
		flex: none;
	}
	.in b {
		text-decoration: line-through;
	}
	.price input {
		width: 6em;
		text-align: right;
		font-family: var(--mono);
	}
	.foot {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 20px;
		align-items: center;
		justify-content: space-between;
		margin-top: 12px;
	}
	p {
		margin: 0;
	}
	.box {
		display: none;
	}
	@media print {
		input[type='checkbox'] {
			display: none;
		}
		.box {
			display: block;
			flex: none;
			width: 4mm;
			height: 4mm;
			border: 0.3mm solid black;
		}
		label {
			min-height: 8mm;
		}
	}
</style>
