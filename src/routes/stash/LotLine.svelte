<script lang="ts">
	/** One lot of a material: how much, counted in place; which it is, where it lies, until when, and for whom. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import { freeOf, placeOf } from '$core/answers/lots.ts';
	import type { Lot } from '$core/facts/lot.ts';
	import type { Material } from '$core/facts/material.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { keepsWords, lotName } from '$lib/ui/lotWords.ts';
	import LotBar from './LotBar.svelte';

	interface Props {
		material: Material;
		lot: Lot;
		/** To whom what of it is promised. */
		promised: readonly { to: { name: string }; units: number }[];
		today: number;
		onedit: () => void;
	}
	let { material, lot, promised, today, onedit }: Props = $props();
	const place = $derived(placeOf(lot, material));
	const name = $derived([material.name, lotName(lot)].filter(Boolean).join(', '));
	const { given, free } = $derived(freeOf(lot, promised));
	const keeps = $derived(keepsWords(lot, today));
</script>

<li>
	{#if lot.hash}<a href="/picture/{lot.hash}" target="_blank" rel="noopener"
			><img src="/picture/{lot.hash}?side=256" alt="Photo of {name}" loading="lazy" /></a
		>{/if}
	<Form command="countLot" id={lot.id} version={lot.version} class="lot-count" label="Stash of {name}">
		<Field
			name="quantity"
			label="Stash of {name}"
			hideLabel
			value={formatNumber(lot.quantity, 3)}
			inputmode="decimal"
			suffix={material.unit}
		/>
		<button class="button small quiet">Count</button>
	</Form>
	<span class="which small">
		<LotBar quantity={lot.quantity} promised={given} packSize={material.packSize} good={lot.good} />
		<span
			>{[lot.colour, place].filter(Boolean).join(' · ')}{#if keeps}{lot.colour || place ? ' · ' : ''}<span
					class:past={!lot.good}>{keeps}</span
				>{/if}</span
		>
		{#if promised.length}<span class="soft" data-promised
				>{promised.map((p) => `${formatNumber(p.units, 2)} for ${p.to.name}`).join(', ')}{free
					? `, ${formatNumber(free, 2)} free`
					: ', none free'}</span
			>{/if}
	</span>
	<button class="button small quiet" onclick={onedit} aria-label="Lot of {name}"><Pencil size={14} /></button>
</li>

<style>
	li {
		display: flex;
		gap: 4px 8px;
		align-items: center;
	}
	img {
		display: block;
		width: 34px;
		height: 34px;
		object-fit: cover;
	}
	.which {
		flex: 1;
		display: grid;
		gap: 1px;
		min-width: 140px;
		max-width: 24em;
		white-space: normal;
	}
	@media (max-width: 700px) {
		li {
			width: 100%;
		}
	}
	.past {
		color: var(--red-ink);
		font-weight: 600;
	}
	:global(form.lot-count) {
		display: flex;
		gap: 4px;
		align-items: center;
	}
	:global(form.lot-count input) {
		width: 4.6em !important;
		text-align: right;
		font-family: var(--mono);
	}
	:global(form.lot-count .suffix) {
		min-width: 2.6em;
	}
	/* Only where something is typed is there something to count. */
	:global(form.lot-count:not(:focus-within) button) {
		display: none;
	}
</style>
