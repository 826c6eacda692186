<script lang="ts">
	/** The price of a costume for its client: what it is now, what was told, and what the next one says. */
	import {
		acceptedOf,
		againstQuote,
		depositCovers,
		earnedOf,
		movedMinor,
		quoteBegun,
		quoteOf,
		usualMinutes
	} from '$core/answers/quote.ts';
	import { contingencyFigure, earnedFigure, quoteFigure } from '$core/explain/quote.ts';
	import { dayOf } from '$core/units/localTime.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Fact from '$lib/ui/Fact.svelte';
	import Facts from '$lib/ui/Facts.svelte';
	import GuessMark from '$lib/ui/GuessMark.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import PageAnswer from '$lib/ui/PageAnswer.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';
	import AgainstQuote from './AgainstQuote.svelte';
	import PriceRibbon from './PriceRibbon.svelte';
	import QuoteForm from './QuoteForm.svelte';
	import QuoteList from './QuoteList.svelte';
	import { begunTerms, readTerms, type TypedTerms } from './typedTerms.ts';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const costume = $derived(data.record.costume);
	const currency = $derived(costume.currency);
	const base = $derived(`/c/${costume.id}/buy`);
	const last = $derived(data.quotes[0] ?? null);
	const holds = $derived(acceptedOf(data.quotes, currency));
	const hasWork = $derived(data.costing.lines.some((l) => l.minutes > 0));
	const begun = $derived(quoteBegun(last, costume, data.plan.deadline, dayOf(data.now)));
	// What is typed stays when a quote is made of it.
	// svelte-ignore state_referenced_locally
	let typed = $state<TypedTerms>(begunTerms(begun, currency));
	const terms = $derived(readTerms(typed, currency));
	const sums = $derived(terms && quoteOf(data.costing, terms));
	const differs = (minor: number) =>
		minor === 0
			? ', as quoted.'
			: `, ${formatMoney(Math.abs(minor), currency)} ${minor > 0 ? 'more' : 'less'} than quoted.`;
	const earned = $derived(holds && earnedOf(holds.sums, data.costing));
</script>

<Sheet>
	<PageAnswer>
		{#if holds && earned}
			<p class="headline">
				Quoted for {formatMoney(holds.sums.totalMinor, holds.currency)}
			</p>
			<p>
				Quote {holds.number} is accepted. As it goes, it leaves
				<b
					>{#if earned.perHourMinor === null}nothing to work on{:else}<Working
							figure={earnedFigure(holds.sums, data.costing, holds.currency)}
							text={formatMoney(earned.perHourMinor, holds.currency)}
						/> an hour{/if}</b
				>
				for {formatDuration(earned.minutes)} of work; {formatMoney(holds.hourRateMinor, holds.currency)} was asked.
			</p>
		{:else if sums && terms && hasWork}
			<p class="headline">
				Would be quoted for <Working
					figure={quoteFigure(sums, terms, currency)}
					text={formatMoney(sums.totalMinor, currency)}
				/>
			</p>
		{:else if !hasWork}
			<p class="headline">Nothing to quote yet</p>
			<p>
				A price is materials and hours: <a href="/c/{costume.id}/look">give components their steps</a> first.
			</p>
		{:else}
			<p class="headline">What does an hour cost?</p>
			<p>
				The hours are worked out, {formatDuration(usualMinutes(data.costing))} with what is done; say what one costs,
				and the price is here.
			</p>
		{/if}
		{#snippet beside()}
			{#if sums && hasWork && !holds}
				<Facts look="columns">
					<Fact name="Work">{formatDuration(sums.minutes)}</Fact>
					<Fact name="Not foreseen"
						><Working
							figure={contingencyFigure(data.costing, terms!.oddsPercent)}
							text={formatDuration(sums.contingencyMinutes)}
						/></Fact
					>
				</Facts>
			{/if}
		{/snippet}
	</PageAnswer>
	{#if holds}<PriceRibbon sums={holds.sums} currency={holds.currency} />
	{:else if sums && hasWork}<PriceRibbon {sums} {currency} />{/if}
	{#if data.costing.guessed && !holds}<p class="small">
			Some amounts behind it are <GuessMark words="guessed" />:
			<a href="/c/{costume.id}/plan">settle them first</a>.
		</p>{/if}
	{#if data.spend.unpriced.length}<Notice
			>The price of {data.spend.unpriced
				.map((id) => data.workshop.materials.find((m) => m.id === id)?.name)
				.join(', ')} is not known: it is not in the quote.</Notice
		>{/if}
	{#if sums && !depositCovers(sums)}<Notice
			>The first payment, {formatMoney(sums.payments[0]!.minor, currency)}, does not cover the materials of {formatMoney(
				sums.materialsMinor,
				currency
			)}: you would lend them the rest.</Notice
		>{/if}
</Sheet>

{#if data.quotes.length}
	<Sheet title="Told to the client">
		<QuoteList quotes={data.quotes} {base} holds={holds?.id ?? null} />
	</Sheet>
{/if}

{#if holds}
	<Sheet title="Against quote {holds.number}">
		<AgainstQuote lines={againstQuote(holds.sums, data.costing)} currency={holds.currency} />
	</Sheet>
{/if}

{#if hasWork}
	<Sheet title={holds ? `Change of quote ${holds.number}` : 'New quote'}>
		{#if holds && sums && terms}<p>
				As it is now: <b
					><Working
						figure={quoteFigure(sums, terms, currency)}
						text={formatMoney(sums.totalMinor, currency)}
					/></b
				>{differs(movedMinor(holds.sums, sums))}
			</p>
			<PriceRibbon {sums} {currency} />{/if}
		{#key last?.id}
			<QuoteForm bind:typed {sums} {currency} {begun} changes={holds?.number ?? null} />
		{/key}
	</Sheet>
{/if}
