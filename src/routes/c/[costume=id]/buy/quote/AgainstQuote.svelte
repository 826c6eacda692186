<script lang="ts">
	/** What was quoted, beside what it comes to now: part by part. */
	import type { AgainstQuote } from '$core/answers/quote.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { moneyDigits } from '$core/units/money.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		lines: readonly AgainstQuote[];
		currency: string;
	}
	let { lines, currency }: Props = $props();
	const hours = (l: AgainstQuote['now']) => (l === null ? '' : formatDuration(l.minutes));
	const money = (l: AgainstQuote['now']) => (l === null ? '' : moneyDigits(l.materialsMinor, currency));
	const more = (quoted: number | undefined, now: number | undefined) =>
		quoted !== undefined && now !== undefined && now > quoted;
</script>

<Table>
	{#snippet heads()}<th>Part</th><th class="number">Hours quoted</th><th class="number">now</th><th
			class="number">Materials quoted</th
		><th class="number">now</th>{/snippet}
	{#each lines as l (l.componentId ?? 0)}
		<tr>
			<td
				><b>{l.code}</b>
				{l.name}
				{#if l.quoted === null}<span class="small mark">added since</span>{:else if l.now === null}<span
						class="small mark">left out since</span
					>{/if}</td
			>
			<td class="number soft">{hours(l.quoted)}</td>
			<td class="number" class:more={more(l.quoted?.minutes, l.now?.minutes)}>{hours(l.now)}</td>
			<td class="number soft">{money(l.quoted)}</td>
			<td class="number" class:more={more(l.quoted?.materialsMinor, l.now?.materialsMinor)}>{money(l.now)}</td
			>
		</tr>
	{/each}
</Table>

<style>
	.more {
		color: var(--red-ink);
		font-weight: 600;
	}
	.mark {
		color: var(--pink-ink);
		font-weight: 600;
	}
</style>
