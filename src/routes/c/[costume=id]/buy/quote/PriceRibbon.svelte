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

<div class="strip" aria-hidden="true">
	{#each parts as part (part.key)}<span class={part.key} style:flex-grow={part.minor}></span>{/each}
</div>
<ul aria-label="What the price is made of, {currency}">
	{#each parts as part (part.key)}
		<li>
			<span class="swatch {part.key}" aria-hidden="true"></span>
			<b>{moneyDigits(part.minor, currency)}</b>
			<span class="small soft">{part.name}{part.more ? `, ${part.more}` : ''}</span>
		</li>
	{/each}
</ul>

<style>
	.strip {
		display: flex;
		gap: 2px;
		height: 28px;
		margin-top: 10px;
	}
	.strip span {
		flex: 1 1 0;
		min-width: 2px;
	}
	.strip span,
	.swatch {
		border: 1px solid var(--brass);
		background: var(--tape);
	}
	.swatch {
		display: inline-block;
		width: 18px;
		height: 12px;
	}
	ul {
		display: flex;
		flex-wrap: wrap;
		list-style: none;
		margin: 6px 0 0;
		padding: 0;
		gap: 2px 22px;
	}
	li {
		display: flex;
		align-items: baseline;
		gap: 6px;
	}
	b {
		font-family: var(--mono);
		font-weight: 600;
	}
	.strip .work,
	.swatch.work {
		background: repeating-linear-gradient(90deg, var(--tape) 0 5px, var(--brass) 5px 6px);
	}
	.strip .unforeseen,
	.swatch.unforeseen {
		background: repeating-linear-gradient(135deg, transparent 0 4px, var(--brass) 4px 5px);
		border-style: dashed;
	}
	.strip .fee,
	.swatch.fee {
		background: var(--brass);
	}
	.strip .tax,
	.swatch.tax {
		background: var(--rule);
	}
</style>
