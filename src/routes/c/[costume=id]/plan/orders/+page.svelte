<script lang="ts">
	/** What has to be ordered by when, and what can no longer come in time. */
	import { planByOdds } from '$core/answers/orderOdds.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { shownForecast } from '$lib/ui/forecast.svelte.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import OrderTable from '../OrderTable.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const plan = $derived(data.plan);
	const base = $derived(`/c/${data.record.costume.id}`);
	const forecast = $derived(shownForecast.of(data.planKey, data.forecast));
	const tooLate = $derived(plan.orders.filter((o) => o.tooLate));
</script>

<svelte:head><title>Order by · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if tooLate.length}
	<Sheet title="Can no longer arrive in time">
		<ul class="plain">
			{#each tooLate as o (o.material.id)}
				<li>
					<b>{o.material.name}</b>
					{#if o.usableFrom !== null && o.neededAt !== null}<span class="wrong"
							>there {timeWords(o.usableFrom)}, needed {timeWords(o.neededAt)}</span
						>{/if}
					<a href="{base}/buy">Find a stand-in or a nearer supplier</a>
				</li>
			{/each}
		</ul>
	</Sheet>
{/if}

<OrderTable orders={planByOdds(plan, forecast).orders} now={data.now} />
