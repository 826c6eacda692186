<script lang="ts">
	/** A plan that is ready sooner: found, or with something left out. */
	import { timeWords } from '$core/units/localTime.ts';
	import LeaveOut from '$lib/ui/plan/LeaveOut.svelte';
	import Sooner from '$lib/ui/plan/Sooner.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import { forecastFor } from '$lib/ui/words.ts';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const plan = $derived(data.plan);
	const base = $derived(`/c/${data.record.costume.id}`);
	const what = $derived(forecastFor(data.record.costume, plan.deadline, data.planKey));
	const isPlanned = $derived(plan.schedule.finish !== null && !plan.schedule.impossible.length);
</script>

<svelte:head><title>Sooner · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if isPlanned}
	<Sheet title="A sooner plan">
		<Sooner {what} plan={plan.schedule} kept={data.record.found !== null} />
		{#if data.otherFinish !== null}
			<p class="soft other">
				{data.record.costume.split === 'windows'
					? 'Here a step that is begun goes on in every window until it is done, which leaves nothing half done. If it may be set aside for another and taken up again, in parts of 30 min'
					: 'Here a step that is begun may be set aside for another and taken up again, in parts of 30 min, which fills every gap. If it goes on in every window until it is done'},
				the rule is ready
				<span class="figure">{timeWords(data.otherFinish)}</span>. Choose under Edit costume.
			</p>
		{/if}
	</Sheet>
{/if}
{#if data.alternatives.length || data.record.leftOut.length}
	<Sheet title="What to leave out">
		<LeaveOut
			costumeId={data.record.costume.id}
			planKey={data.planKey}
			currency={data.record.costume.currency}
			deadline={plan.deadline}
			target={data.record.costume.targetOdds}
			alternatives={data.alternatives}
			components={data.record.components}
			leftOut={data.record.leftOut}
			{base}
		/>
	</Sheet>
{/if}
{#if !isPlanned && !data.alternatives.length && !data.record.leftOut.length}
	<Sheet title="A sooner plan">
		<p class="soft">Nothing is planned that could be sooner: see <a href="{base}/plan">the outlook</a>.</p>
	</Sheet>
{/if}

<style>
	.other {
		margin-top: 10px;
		max-width: 75ch;
	}
</style>
