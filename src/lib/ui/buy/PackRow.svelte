<script lang="ts">
	/** A need's length, and beneath it the packs that it is bought in, to one scale; then the packs that were passed over. */
	import type { Pack } from '$core/answers/purchase.ts';
	import type { PurchaseRow } from '$core/answers/purchaseChoice.ts';
	import type { Material } from '$core/facts/material.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Table from '$lib/ui/Table.svelte';
	import Weave from '$lib/ui/Weave.svelte';

	interface Props {
		row: PurchaseRow;
		material: Material;
		currency: string;
		/** Those that buy, where there are several. */
		buyers: readonly { id: number; name: string }[];
		ontoggle: (pack: string, wanted: boolean) => void;
		/** Of this material no other pack. */
		ononly: (pack: Pack) => void;
	}
	let { row, material, currency, buyers, ontoggle, ononly }: Props = $props();

	/** More packs of one kind are drawn as one. */
	const MOST_DRAWN = 24;
	const size = (amount: number) => `${formatNumber(amount, 2)} ${material.unit}`;
	const packWords = (pack: Pack) => `${size(pack.packSize)}${pack.supplier ? ` from ${pack.supplier}` : ''}`;
	const late = (b: PurchaseRow['bought'][number]) => b.shares.some((s) => s.late);
	const whole = $derived(row.amount + row.over);
	const drawn = $derived(
		row.bought.flatMap((b) =>
			b.packs > MOST_DRAWN
				? [{ share: b.packs * b.pack.packSize, words: `× ${b.packs}` }]
				: Array.from({ length: b.packs }, () => ({ share: b.pack.packSize, words: '' }))
		)
	);
	const nameOf = (id: number) => buyers.find((b) => b.id === id)?.name ?? '';
	const several = $derived(row.wants.length > 1);
	/** Of what is bought together, whose it is. */
	const sharesWords = (shares: PurchaseRow['bought'][number]['shares']) =>
		shares.map((s) => `${size(s.units)} for ${nameOf(s.costumeId)}`).join(', ');
	const WHY = { unwanted: 'not wanted', tooLate: 'too late', notAsked: 'not worked out' };
</script>

<section aria-label={material.name}>
	<header>
		<Weave weave={WEAVE_OF_FAMILY[material.family] ?? 'plain'} />
		<b>{material.name}</b>
		<span class="figure">{size(row.amount)}</span>
		{#if row.by !== null}<span class="small soft">by {dayWords(row.by)}</span>{/if}
		{#if buyers.length > 1 && !several}<span class="small">{nameOf(row.wants[0]!.costumeId)}</span>{/if}
	</header>
	{#if several}
		<ul class="small">
			{#each row.wants as w (w.costumeId)}
				<li>
					{nameOf(w.costumeId)} <span class="figure">{size(w.amount)}</span>
					{#if w.by !== null}<span class="soft">by {dayWords(w.by)}</span>{/if}
				</li>
			{/each}
		</ul>
	{/if}
	{#if row.short}
		<p class="wrong small">No pack with a price is left: give it one under Stash, or allow one below.</p>
	{:else}
		<div
			class="scale"
			role="img"
			aria-label="{size(row.amount)} needed, {size(whole)} in packs, {size(row.over)} over"
		>
			<span class="need" style:width="{(100 * row.amount) / whole}%"
				>{#each row.wants as w (w.costumeId)}<span style:flex-grow={w.amount}></span>{/each}</span
			>
			<span class="packs">
				{#each drawn as d, k (k)}<span class="pack" style:flex-grow={d.share}>{d.words}</span>{/each}
				<span class="over" style:width="{(100 * row.over) / whole}%"></span>
			</span>
		</div>
		<ul>
			{#each row.bought as b (b.pack.id)}
				<li>
					<b>{b.packs} × {packWords(b.pack)}</b>
					<span class="figure">{formatMoney(b.costMinor, currency)}</span>
					<span class:wrong={late(b)}>{late(b) ? 'too late, ' : ''}here {dayWords(b.arrives)}</span>
					<button
						class="button small quiet"
						aria-label="Not this one: {packWords(b.pack)}"
						onclick={() => ontoggle(b.pack.id, false)}>Not this one</button
					>
					{#if b.shares.length > 1 || (several && row.bought.length > 1)}<span class="small shares"
							>{sharesWords(b.shares)}</span
						>{/if}
				</li>
			{/each}
		</ul>
		{#if row.over > 0}<p class="small soft">
				{size(row.over)} over{#if row.last}: the last pack, {formatMoney(row.last.costMinor, currency)}, is
					for
					{size(row.last.used)} of it{/if}
			</p>{/if}
	{/if}
	{#if row.others.length}
		<details>
			<summary>{row.others.length === 1 ? 'Another pack' : `${row.others.length} other packs`}</summary>
			<Table>
				{#snippet heads()}<th>May be bought</th><th class="number">Price</th><th>Here</th><th>Why not</th
					>{/snippet}
				{#each row.others as o (o.pack.id)}
					<tr>
						<td
							><label
								><input
									type="checkbox"
									checked={o.why !== 'unwanted'}
									onchange={(e) => ontoggle(o.pack.id, e.currentTarget.checked)}
								/>
								{packWords(o.pack)}
								{#if o.pack.note}<span class="soft small">{o.pack.note}</span>{/if}</label
							></td
						>
						<td class="number">{formatMoney(o.pack.priceMinor, currency)}</td>
						<td>{dayWords(o.arrives)}</td>
						<td
							>{#if o.why === 'dearer'}{o.moreMinor! > 0
									? `${formatMoney(o.moreMinor!, currency)} more for all`
									: o.moreMinor! < 0
										? `${formatMoney(-o.moreMinor!, currency)} less for all, but not as wanted`
										: 'costs the same'}{:else}{WHY[o.why]}{/if}
							<button
								class="button small quiet"
								aria-label="Only this one: {packWords(o.pack)}"
								onclick={() => ononly(o.pack)}>Only this one</button
							></td
						>
					</tr>
				{/each}
			</Table>
		</details>
	{/if}
</section>

<style>
	section {
		min-width: 0;
	}
	header,
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		gap: 2px 10px;
	}
	ul {
		list-style: none;
		padding: 0;
		margin: 0;
	}
	.shares {
		flex-basis: 100%;
	}
	.scale {
		margin: 4px 0;
		display: grid;
		gap: 2px;
	}
	.need {
		display: flex;
		gap: 3px;
		height: 6px;
	}
	.need span {
		background: var(--ink);
	}
	.packs {
		position: relative;
		display: flex;
		height: 22px;
	}
	.pack {
		flex: 1 1 0;
		border: 1px solid var(--brass-ink);
		background: var(--tape);
		color: var(--tape-ink);
		font-size: var(--s13);
		text-align: center;
		margin-right: -1px;
	}
	.over {
		position: absolute;
		right: 0;
		top: 1px;
		bottom: 1px;
		background: repeating-linear-gradient(45deg, transparent 0 5px, var(--sheet) 5px 8px);
	}
	summary {
		cursor: pointer;
		font-size: var(--s13);
		color: var(--ink-soft);
	}
	label {
		display: inline-flex;
		gap: 6px;
		align-items: baseline;
	}
	@media (max-width: 700px) {
		summary {
			min-height: 44px;
			line-height: 44px;
		}
	}
</style>
