<script lang="ts">
	/** What the costume will cost, against its limit. */
	import GuessMark from '$lib/ui/GuessMark.svelte';
	import PageAnswer from '$lib/ui/PageAnswer.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { valueOf } from '$core/explain/figure.ts';
	import type { Material } from '$core/facts/material.ts';
	import ListChecks from '@lucide/svelte/icons/list-checks';
	import Fact from '$lib/ui/Fact.svelte';
	import Facts from '$lib/ui/Facts.svelte';
	import type { Costume } from '$core/facts/costume.ts';
	import FileDown from '@lucide/svelte/icons/file-down';
	import { formatMoney } from '$core/units/money.ts';
	import type { GuessedCost } from '$core/answers/moneyOverDays.ts';
	import type { Spend } from '$core/answers/spend.ts';
	import { groupMoneyFigure, limitFigure, spendFigure, spendRangeFigure } from '$core/explain/money.ts';

	interface Props {
		costume: Costume;
		spend: Spend;
		materials: readonly Material[];
		/** What guessed amounts may move it by. */
		guesses: readonly GuessedCost[];
		base: string;
	}
	let { costume, spend, materials, guesses, base }: Props = $props();
	const range = (which: 'less' | 'more') => spendRangeFigure(costume, spend, guesses, materials, which);
	const currency = $derived(costume.currency);
	const figure = $derived(spendFigure(costume, spend));
	/** Nothing in it is a guess, and nothing comes on top. */
	const sure = $derived(!spend.guessed && spend.unpriced.length === 0);
</script>

<PageAnswer>
	<p class="headline" class:wrong={spend.leftMinor !== null && spend.leftMinor < 0}>
		Will cost <Working {figure} text={formatMoney(valueOf(figure), currency)} />
	</p>
	{#if costume.limitMinor !== null && spend.leftMinor !== null}
		<p>
			<b class:wrong={spend.leftMinor < 0}
				><Working
					figure={limitFigure(costume, spend)}
					text={formatMoney(Math.abs(spend.leftMinor), currency)}
				/></b
			>
			{spend.leftMinor < 0 ? 'over' : sure ? 'under' : 'left of'}
			the limit of {formatMoney(costume.limitMinor, currency)}{sure || spend.leftMinor < 0
				? ''
				: ', as far as is known'}
		</p>
	{:else}<p class="soft">No limit set.</p>{/if}
	{#if guesses.length}<p>
			As guesses go, between <b
				><Working figure={range('less')} text={formatMoney(valueOf(range('less')), currency)} /></b
			>
			and <b><Working figure={range('more')} text={formatMoney(valueOf(range('more')), currency)} /></b>
		</p>{/if}
	{#if spend.tools.minor > 0}<p class="small">
			Of it <b
				><Working
					figure={groupMoneyFigure(
						'For tools',
						spend.tools,
						costume,
						materials,
						'bought with its sending, or still short; less what went to the stash at cost'
					)}
				/></b
			> for tools, which stay when the costume is done.
		</p>{/if}
	{#if spend.guessed}<p class="small">
			Some of it is for amounts that are <GuessMark words="guessed" />:
			<a href="{base}/plan">settle them first</a>.
		</p>{/if}
	{#if spend.unpriced.length}<p class="small" data-unpriced>
			On top of this comes what nobody knows the price of: {spend.unpriced
				.map((id) => materials.find((m) => m.id === id)!.name)
				.join(', ')}.
		</p>{/if}
	{#snippet beside()}
		<Facts look="columns">
			<Fact name="Paid">{formatMoney(spend.paidMinor, currency)}</Fact>
			<Fact name="Ordered">{formatMoney(spend.orderedMinor, currency)}</Fact>
			<Fact name="Planned">{formatMoney(spend.plannedMinor, currency)}</Fact>
			<Fact name="Still short">{formatMoney(spend.notListedMinor, currency)}</Fact>
		</Facts>
	{/snippet}
	{#snippet tools()}
		<a class="button small" href="{base}/buy/list"><ListChecks size={14} /> Shopping list</a>
		<a class="button small" href="{base}/out/materials" download><FileDown size={14} /> Materials as CSV</a>
		<a class="button small" href="{base}/out/money" download><FileDown size={14} /> Money as CSV</a>
	{/snippet}
</PageAnswer>
