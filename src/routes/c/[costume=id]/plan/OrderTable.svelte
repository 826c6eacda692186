<script lang="ts">
	import { leadWords } from '$core/answers/leadTime.ts';
	/** What must be ordered by when, and when it comes. */
	import { orderByFigure } from '$core/explain/money.ts';
	import OrderStrip from '$lib/ui/OrderStrip.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { isOverdue } from '$core/answers/leadTime.ts';
	import { timeWords, dayWords, DAY, dayOf } from '$core/units/localTime.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import type { OrderBy } from '$core/answers/arrivals.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		orders: readonly OrderBy[];
		now: LocalMinutes;
	}
	let { orders, now }: Props = $props();
	const sorted = $derived(
		orders
			.filter((o) => o.usableFrom !== null)
			.sort((a, b) => (a.orderByDay ?? Infinity) - (b.orderByDay ?? Infinity))
	);
</script>

<Sheet title="Order by">
	{#if sorted.length}
		<Table>
			{#snippet heads()}<th>Material</th><th>Order by</th><th>There</th><th>Needed</th><th class="number"
					>Lead</th
				>{/snippet}
			{#each sorted as o (o.material.id)}
				<tr>
					<td>{o.material.name}</td>
					<td
						>{#if o.orderByDay !== null}<span class:wrong={o.orderByDay < dayOf(now)}
								><Working
									figure={orderByFigure(o)}
									text={o.orderByDay < dayOf(now)
										? `${dayWords(o.orderByDay)}, passed`
										: dayWords(o.orderByDay)}
								/></span
							>{#if o.odds}<OrderStrip
									odds={o.odds}
								/>{/if}{:else if o.purchase?.state === 'ordered'}ordered{isOverdue(o.purchase, now)
								? ', overdue'
								: ''}{/if}</td
					>
					<td class:wrong={o.tooLate}
						>{o.usableFrom !== null ? dayWords(Math.floor(o.usableFrom / DAY)) : ''}</td
					>
					<td>{o.neededAt !== null ? timeWords(o.neededAt) : ''}</td>
					<td class="number">{leadWords(o.purchase ?? o.material)}</td>
				</tr>
			{/each}
		</Table>
	{:else}
		<p class="soft">
			Everything that the steps need is here, or nothing has been entered under Materials yet.
		</p>
	{/if}
</Sheet>
