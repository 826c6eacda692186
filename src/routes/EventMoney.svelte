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
	const PARTS = [
		['paid', 'paidMinor'],
		['ordered', 'orderedMinor'],
		['to pay', 'toPayMinor'],
		['of the stash', 'stashMinor']
	] as const;
	const partsOf = (e: EventMoney) =>
		PARTS.flatMap(([words, part]) => (e[part] > 0 ? [{ words, minor: e[part] }] : []));
	const drawn = (e: EventMoney) => partsOf(e).reduce((sum, p) => sum + p.minor, 0);
	/** The longest bar of a currency is as wide as the sheet. */
	const most = (currency: string) => Math.max(1, ...events.filter((e) => e.currency === currency).map(drawn));
</script>

<Sheet title="Money by event" level={2}>
	<ul class="plain">
		{#each events as e (`${e.event} ${e.from} ${e.currency}`)}
			{@const parts = partsOf(e)}
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
				{#if parts.length}<div class="bar" aria-hidden="true">
						{#each parts as { words, minor } (words)}<i
								class={words.replaceAll(' ', '-')}
								style:width="{(minor / most(e.currency)) * 100}%"
							></i>{/each}
					</div>{/if}
				<p class="small soft">
					{parts.map((p) => `${p.words} ${formatMoney(p.minor, e.currency)}`).join(', ') ||
						'Nothing yet.'}{e.stashMinor < 0
						? `; ${formatMoney(-e.stashMinor, e.currency)} of it went to the stash`
						: ''}
				</p>
			</li>
		{/each}
	</ul>
</Sheet>

<style>
	ul {
		gap: 16px;
	}
	li {
		display: block;
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
	.of-the-stash {
		background: var(--yellow);
	}
	.to-pay {
		border: 1px solid var(--ink);
	}
</style>
