<script lang="ts">
	/** What was told to the client so far, the newest first. */
	import FileDown from '@lucide/svelte/icons/file-down';
	import X from '@lucide/svelte/icons/x';
	import type { Quote, QuoteState } from '$core/facts/quote.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Act from '$lib/ui/Act.svelte';
	import Table from '$lib/ui/Table.svelte';

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

<Table>
	{#snippet heads()}<th>Quote</th><th class="number">Price</th><th>Made</th><th>Valid until</th><th>State</th
		><th><span class="visually-hidden">What to do</span></th>{/snippet}
	{#each quotes as q (q.id)}
		<tr class:holds={q.id === holds}>
			<td
				><b>{q.number}</b>
				<span class="small soft"
					>{q.client.split('\n')[0]}{numberOf(q.changesId) ? `, changes ${numberOf(q.changesId)}` : ''}</span
				></td
			>
			<td class="number">{formatMoney(q.sums.totalMinor, q.currency)}</td>
			<td class="small">{dayWords(q.madeOn)}</td>
			<td class="small">{dayWords(q.validUntil)}</td>
			<td><span class="state {q.state}">{q.state}</span></td>
			<td class="acts">
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
			</td>
		</tr>
	{/each}
</Table>

<style>
	tr.holds td:first-child {
		box-shadow: inset 4px 0 0 var(--good-ink);
		padding-left: 12px;
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
		justify-content: flex-end;
	}
</style>
