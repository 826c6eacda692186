<script lang="ts">
	/** One lot of a stock-take: as it says, or what there is instead. */
	import type { Lot } from '$core/facts/lot.ts';
	import type { Material } from '$core/facts/material.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import { formatNumber } from '$core/units/number.ts';
	import FormError from '$lib/ui/FormError.svelte';
	import { dayFrom, keepsWords } from '$lib/ui/lotWords.ts';
	import Weave from '$lib/ui/Weave.svelte';

	interface Props {
		material: Material;
		lot: Lot;
		today: number;
		seen: boolean;
		typed: string;
		onseen: (on: boolean) => void;
		ontyped: (text: string) => void;
	}
	let { material, lot, today, seen, typed, onseen, ontyped }: Props = $props();
	const name = $derived([material.name, lot.colour].filter(Boolean).join(', '));
	const says = $derived(
		[
			lot.colour,
			keepsWords(lot, today),
			lot.countedOn !== null ? `counted ${dayFrom(lot.countedOn, today)}` : '',
			lot.note
		]
			.filter(Boolean)
			.join(' · ')
	);
	const done = $derived(seen || typed.trim() !== '');
</script>

<li class:done>
	{#if lot.hash}<img src="/picture/{lot.hash}?side=256" alt="Photo of {name}" loading="lazy" />{:else}<Weave
			weave={WEAVE_OF_FAMILY[material.family] ?? 'plain'}
		/>{/if}
	<span class="what">
		<b>{material.name}</b>
		{#if says}<span class="small soft">{says}</span>{/if}
	</span>
	<label class="seen">
		<input
			type="checkbox"
			name="seen[]"
			value={lot.id}
			checked={seen}
			onchange={(e) => onseen(e.currentTarget.checked)}
			aria-label="{name}: {formatNumber(lot.quantity, 3)} {material.unit}, as it says"
		/>
		<span class="much">{formatNumber(lot.quantity, 3)} {material.unit}</span>
	</label>
	<span class="other"
		><input
			name="lot{lot.id}"
			inputmode="decimal"
			placeholder="or"
			value={typed}
			autocomplete="off"
			aria-label="{name}: what there is instead, {material.unit}"
			oninput={(e) => ontyped(e.currentTarget.value)}
			onchange={(e) => ontyped(e.currentTarget.value)}
		/></span
	>
	<input type="hidden" name="was{lot.id}" value={lot.quantity} />
	<span class="error"><FormError name="lot{lot.id}" /></span>
</li>

<style>
	li {
		display: grid;
		grid-template-columns: 44px minmax(0, 1fr) auto 84px;
		gap: 4px 12px;
		align-items: center;
		min-height: 52px;
		border-bottom: 1px solid var(--rule);
	}
	img {
		width: 44px;
		height: 44px;
		object-fit: cover;
	}
	.what {
		display: grid;
	}
	.seen {
		display: flex;
		gap: 10px;
		align-items: center;
		min-height: 48px;
		cursor: pointer;
	}
	.seen input {
		width: 26px;
		height: 26px;
	}
	.much {
		font-family: var(--mono);
		min-width: 6.5em;
	}
	.other input {
		width: 84px;
		min-height: 44px;
		text-align: right;
		font-family: var(--mono);
	}
	.done {
		background: linear-gradient(to right, var(--yellow-wash), transparent);
	}
	.error {
		grid-column: 1 / -1;
	}
	.error:empty {
		display: none;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr) auto 74px;
			padding-block: 4px;
		}
		li > :global(:first-child) {
			display: none;
		}
		img {
			display: block !important;
			grid-column: 1 / -1;
			width: 100%;
			height: 90px;
		}
		.much {
			min-width: 5.8em;
		}
		.other input {
			width: 74px;
		}
	}
</style>
