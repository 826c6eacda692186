<script lang="ts">
	/** A price as a strip of tape, cut where one thing ends and the next begins: as wide as it costs. */
	import type { QuoteSums } from '$core/facts/quote.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { moneyDigits } from '$core/units/money.ts';

	interface Props {
		sums: QuoteSums;
		currency: string;
	}
	let { sums, currency }: Props = $props();
	const parts = $derived(
		[
			{ key: 'materials', name: 'materials', minor: sums.materialsMinor, more: '' },
			{ key: 'work', name: 'work', minor: sums.workMinor, more: formatDuration(sums.minutes) },
			{
				key: 'unforeseen',
				name: 'not foreseen',
				minor: sums.contingencyMinor,
				more: formatDuration(sums.contingencyMinutes)
			},
			{ key: 'fee', name: 'besides', minor: sums.feeMinor, more: '' },
			{ key: 'tax', name: 'tax', minor: sums.taxMinor, more: '' }
		].filter((p) => p.minor > 0)
	);
</script>

<ul aria-label="What the price is made of, {currency}">
	{#each parts as part (part.key)}
		<li class={part.key} style:flex-grow={part.minor}>
			<span class="strip"></span>
			<b>{moneyDigits(part.minor, currency)}</b>
			<span class="small soft">{part.name}{part.more ? `, ${part.more}` : ''}</span>
		</li>
	{/each}
</ul>

<style>
	ul {
		display: flex;
		list-style: none;
		margin: 8px 0 0;
		padding: 0;
		gap: 2px;
	}
	li {
		flex: 1 1 0;
		min-width: 84px;
		display: grid;
		align-content: start;
		gap: 1px;
	}
	b {
		font-family: var(--mono);
		font-weight: 600;
	}
	.strip {
		height: 26px;
		border: 1px solid var(--brass);
		background: var(--tape);
	}
	.work .strip {
		background: repeating-linear-gradient(90deg, var(--tape) 0 9px, var(--brass) 9px 10px);
	}
	.unforeseen .strip {
		background: repeating-linear-gradient(135deg, transparent 0 4px, var(--brass) 4px 5px);
		border-style: dashed;
	}
	.fee .strip {
		background: var(--brass);
	}
	.tax .strip {
		background: var(--rule);
	}
	@media (max-width: 600px) {
		ul {
			flex-wrap: wrap;
		}
		li {
			min-width: 0;
			flex-basis: 30%;
		}
	}
</style>
