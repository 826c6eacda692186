<script lang="ts">
	/** What each event costs, all its costumes together: drawn to one scale a currency. */
	import pluralize from 'pluralize';
	import type { EventMoney } from '$core/answers/moneyByEvent.ts';
	import { eventMoneyFigure } from '$core/explain/money.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		events: readonly EventMoney[];
		/** This year, which need not be said. */
		year: number;
	}
	let { events, year }: Props = $props();
	const most = (currency: string) =>
		Math.max(1, ...events.filter((e) => e.currency === currency).map((e) => e.totalMinor));
	const width = (e: EventMoney, minor: number) => `${Math.max(0, (minor / most(e.currency)) * 100)}%`;
	const PARTS = [
		['paid', 'paidMinor'],
		['ordered', 'orderedMinor'],
		['to pay', 'toPayMinor']
	] as const;
</script>

<Sheet title="Money by event" level={2}>
	<ul>
		{#each events as e (`${e.event} ${e.from} ${e.currency}`)}
			<li>
				<div class="head">
					<span
						><b>{e.event || 'No name yet'}</b>
						<span class="soft"
							>{dayWords(e.from, year)}{e.to > e.from ? ` to ${dayWords(e.to, year)}` : ''}, {pluralize(
								'costume',
								e.costumes.length,
								true
							)}</span
						></span
					>
					<b><Working figure={eventMoneyFigure(e)} /></b>
				</div>
				{#if e.totalMinor > 0}<div class="bar" aria-hidden="true">
						{#each PARTS.filter(([, part]) => e[part] > 0) as [words, part] (part)}<i
								class={words.replace(' ', '-')}
								style:width={width(e, e[part])}
							></i>{/each}
					</div>{/if}
				<p class="small soft">
					{PARTS.filter(([, part]) => e[part] > 0)
						.map(([words, part]) => `${words} ${formatMoney(e[part], e.currency)}`)
						.join(', ') || 'Nothing yet.'}
				</p>
			</li>
		{/each}
	</ul>
</Sheet>

<style>
	ul {
		list-style: none;
		padding: 0;
		margin: 0;
		display: grid;
		gap: 16px;
	}
	.head {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		gap: 12px;
	}
	.bar {
		display: flex;
		height: 12px;
		margin: 4px 0;
	}
	.head > :last-child {
		flex: none;
	}
	.paid {
		background: var(--ink);
	}
	.ordered {
		background: repeating-linear-gradient(135deg, var(--ink) 0 2px, transparent 2px 5px);
	}
	.to-pay {
		border: 1px solid var(--ink);
	}
</style>
