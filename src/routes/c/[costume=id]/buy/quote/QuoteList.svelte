<script lang="ts">
	/** What was told to the client so far, the newest first. */
	import FileDown from '@lucide/svelte/icons/file-down';
	import X from '@lucide/svelte/icons/x';
	import type { Quote, QuoteState } from '$core/facts/quote.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Act from '$lib/ui/Act.svelte';

	interface Props {
		quotes: readonly Quote[];
		base: string;
		/** The quote that holds. */
		holds: number | null;
	}
	let { quotes, base, holds }: Props = $props();
	const numberOf = (id: number | null) => quotes.find((q) => q.id === id)?.number;
	const NEXT: Record<QuoteState, readonly { state: QuoteState; words: string }[]> = {
		draft: [
			{ state: 'sent', words: 'Mark sent' },
			{ state: 'accepted', words: 'Mark accepted' }
		],
		sent: [
			{ state: 'accepted', words: 'Mark accepted' },
			{ state: 'declined', words: 'Mark declined' }
		],
		accepted: [{ state: 'sent', words: 'Not accepted yet' }],
		declined: [{ state: 'sent', words: 'Not declined yet' }]
	};
</script>

<ol>
	{#each quotes as q (q.id)}
		<li class:holds={q.id === holds} aria-label="Quote {q.number}">
			<span class="what">
				<b>Quote {q.number}</b>
				<span class="small soft"
					>{[q.client.split('\n')[0], numberOf(q.changesId) ? `changes quote ${numberOf(q.changesId)}` : '']
						.filter(Boolean)
						.join(', ')}</span
				>
			</span>
			<b class="price">{formatMoney(q.sums.totalMinor, q.currency)}</b>
			<span class="state {q.state}">{q.state}</span>
			<span class="small soft">{dayWords(q.madeOn)}, valid until {dayWords(q.validUntil)}</span>
			<span class="acts">
				<a class="button small" href="{base}/quote/{q.id}/out" download aria-label="Quote {q.number} as PDF"
					><FileDown size={14} /> PDF</a
				>
				{#each NEXT[q.state] as next (next.state)}
					<Act
						command="setQuoteState"
						id={q.id}
						hidden={{ state: next.state }}
						label="{next.words}: quote {q.number}">{next.words}</Act
					>
				{/each}
				{#if q.state === 'draft'}<Act
						command="removeQuote"
						id={q.id}
						look="quiet"
						label="Remove quote {q.number}"><X size={14} /></Act
					>{/if}
			</span>
		</li>
	{/each}
</ol>

<style>
	ol {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 14px;
		padding: 6px 0 6px 12px;
		border-top: 1px solid var(--rule);
		border-left: 4px solid transparent;
	}
	.holds {
		border-left-color: var(--good-ink);
	}
	.what {
		flex: 1 1 12em;
	}
	.price {
		font-family: var(--mono);
	}
	.state {
		font-size: var(--s13);
		font-weight: 600;
		padding: 1px 6px;
		border: 1px solid var(--rule);
	}
	.accepted {
		color: var(--good-ink);
		border-color: var(--good-ink);
	}
	.declined {
		color: var(--ink-soft);
		text-decoration: line-through;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 4px;
	}
</style>
