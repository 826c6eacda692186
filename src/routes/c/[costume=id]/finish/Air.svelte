<script lang="ts">
	/** How warm and damp it is where things dry: all waits follow from it. */
	import { slowerFigure } from '$core/explain/coating.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { COLD_BELOW, COLD_OR_DAMP_FACTOR, DAMP_ABOVE } from '$core/trade/coatProduct.ts';
	import type { Settings } from '$core/facts/workshop.ts';
	import { dayOf, dayWords, type LocalMinutes } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Working from '$lib/ui/Working.svelte';

	let { settings, now }: { settings: Settings; now: LocalMinutes } = $props();
	const last = $derived(settings.air.at(-1) ?? null);
	const measured = $derived(last !== null && (last.celsius !== null || last.humidity !== null));
	const figure = $derived(last && slowerFigure(last));
	const typed = (value: number | null | undefined) => (value == null ? '' : formatNumber(value, 1));
</script>

<div class="air">
	<div class="no-print">
		<Form command="setAir" label="Where it dries">
			<div class="row">
				<Field name="celsius" label="Where it dries, °C" value={typed(last?.celsius)} inputmode="decimal" />
				<Field name="humidity" label="Humidity, %" value={typed(last?.humidity)} inputmode="decimal" />
				<button class="button small">Set</button>
			</div>
		</Form>
	</div>
	<p class="small">
		{#if last && figure && measured}
			<b>Drying takes <Working {figure} text={formatNumber(valueOf(figure))} /> times as long</b>, by what was
			measured {last.on === dayOf(now) ? 'today' : `on ${dayWords(last.on)}: measure again`}. What went on
			before goes by its own day.
		{:else if settings.coldOrDamp}
			<b>Cold or damp: all drying is doubled.</b>
		{:else}
			As in a heated room. Below {COLD_BELOW} °C or above {DAMP_ABOVE} % all drying takes {COLD_OR_DAMP_FACTOR}
			times as long.
		{/if}
	</p>
</div>

<style>
	.air {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 18px;
		align-items: end;
		margin-top: 8px;
	}
	.row {
		display: grid;
		grid-template-columns: 150px 110px auto;
		gap: 10px;
		align-items: end;
	}
	p {
		flex: 1 1 220px;
		padding-bottom: 8px;
	}
</style>
