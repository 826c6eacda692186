<script lang="ts">
	/** Minutes that each technique takes: started with, set by hand, learned from what was logged. */
	import pluralize from 'pluralize';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Act from '$lib/ui/Act.svelte';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import { rateOf } from '$core/trade/rates.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		workshop: Workshop;
	}
	let { workshop }: Props = $props();
	const unit = { length: 'a metre', area: 'a m²', count: 'each' };
	const trade = $derived(handbook());
	/** Three figures say all that a rate can. */
	const rateWords = (minutes: number) => formatNumber(minutes, minutes >= 100 ? 0 : minutes >= 10 ? 1 : 2);
</script>

<Sheet title="Rates">
	<p class="soft">
		Minutes of hands-on work on a good, a usual and a bad day, before anything is logged. Starting values are
		from memory; put your own in their place. Logged work pulls them, the more the more there is of it; what
		is learned is what plans use.
	</p>
	<Table>
		{#snippet heads()}<th>Technique</th><th>Counts</th><th>Good</th><th>Usual</th><th>Bad</th><th></th><th
				>Learned</th
			>{/snippet}
		{#each Object.entries(trade.technique) as [key, technique] (key)}
			{@const rate = rateOf(trade, key, workshop.ownRates)}
			{@const own = workshop.ownRates[key] !== undefined}
			{@const learned = workshop.learned.find((l) => l.technique === key)}
			<tr>
				<td><b>{technique.name}</b></td>
				<td class="small soft">{technique.of}, {unit[technique.driver]}</td>
				<td colspan="3">
					<Form
						command="setRate"
						id={key}
						hidden={{ technique: key }}
						class="rate"
						label="Rate for {technique.name}"
					>
						<Field
							name="goodMinutes"
							label="Good, {technique.name}"
							hideLabel
							value={formatNumber(rate[0], 3)}
							inputmode="decimal"
						/>
						<Field
							name="usualMinutes"
							label="Usual, {technique.name}"
							hideLabel
							value={formatNumber(rate[1], 3)}
							inputmode="decimal"
						/>
						<Field
							name="badMinutes"
							label="Bad, {technique.name}"
							hideLabel
							value={formatNumber(rate[2], 3)}
							inputmode="decimal"
						/>
						<button class="button small quiet">Set</button>
					</Form>
				</td>
				<td class="small">
					{#if own}your own
						<Act
							command="resetRate"
							hidden={{ technique: key }}
							look="quiet"
							label="Starting value for {technique.name}"><RotateCcw size={14} /></Act
						>{:else}<span class="soft">starting value</span>{/if}
				</td>
				<td class="learned">
					{#if learned}
						<b class="figure">{rateWords(learned.now[1])}</b>
						<span class="small soft"
							>{rateWords(learned.sure[0])} to {rateWords(learned.sure[1])}, from {pluralize(
								'log',
								learned.logs,
								true
							)}{learned.outliers
								? `, ${learned.outliers} far out`
								: ''}{#each learned.makers.length > 1 ? learned.makers : [] as m (m.makerId)}; {workshop.makers.find(
									(x) => x.id === m.makerId
								)?.name}
								{rateWords(m.usual)}{/each}</span
						>
					{/if}
				</td>
			</tr>
		{/each}
	</Table>
</Sheet>

<style>
	:global(form.rate) {
		display: grid;
		grid-template-columns: repeat(3, minmax(70px, 1fr)) auto;
		gap: 6px;
	}
	:global(form.rate input) {
		text-align: right;
		font-family: var(--mono);
	}
	.learned {
		min-width: 150px;
	}
</style>
