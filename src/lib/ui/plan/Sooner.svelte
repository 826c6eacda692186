<script lang="ts">
	/** Looks for a plan that is ready sooner, shows the best so far, and takes it. */
	import { foundOf } from '$core/answers/planProblem.ts';
	import type { Plan } from '$core/engines/schedule/problem.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import Act from '../Act.svelte';
	import TaskBar from '../TaskBar.svelte';
	import { searchSooner, type ForecastFor } from '../forecast.svelte.ts';
	import { Task } from '../task.svelte.ts';

	interface Props {
		what: ForecastFor;
		plan: Plan;
		/** The plan in use was found by searching, and kept. */
		kept: boolean;
	}
	let { what, plan, kept }: Props = $props();
	/** So long it may take; what it has by then is shown. */
	const SECONDS = 15;
	const task = new Task<'plan'>();
	let found = $state.raw<{ key: string; plan: Plan; over: boolean } | null>(null);
	const mine = $derived(found?.key === what.key ? found : null);
	const sooner = $derived(
		mine?.plan.finish != null && plan.finish !== null ? plan.finish - mine.plan.finish : null
	);

	async function look() {
		const { key } = what;
		const show = (plan: Plan, over: boolean) => (found = { key, plan, over });
		found = null;
		const done = await searchSooner(task, what, SECONDS, (best) => show(best.plan, false));
		if (done) show(done.plan, true);
		else if (mine) show(mine.plan, true);
	}
</script>

<p class="soft">
	{#if plan.stoppedBy === 'proved'}No plan can be sooner with these hours and usual minutes.
	{:else if kept}By an order that a search found and you took.
	{:else}By rule: the longest remaining path first. A search may find a sooner order of the same steps.{/if}
</p>
{#if plan.stoppedBy !== 'proved'}
	<TaskBar {task} label="Look for a sooner plan" going="Looking for a sooner plan" onstart={look} />
{/if}
{#if mine && plan.finish !== null}
	<p class="found" role="status">
		{#if sooner !== null && sooner > 0}
			<b>{formatWait(sooner)} sooner:</b> ready {timeWords(mine.plan.finish!)}.
		{:else if mine.over}
			Nothing sooner was found.
		{:else}
			Nothing sooner so far.
		{/if}
		{#if mine.over && mine.plan.lowerBound !== null}
			{mine.plan.stoppedBy === 'proved'
				? 'No plan can be sooner.'
				: `No plan can be ready before ${timeWords(mine.plan.lowerBound)}.`}
		{/if}
	</p>
	{#if sooner !== null && sooner > 0}
		<Act
			command="keepPlan"
			hidden={{ plan: JSON.stringify(foundOf(mine.plan.order)) }}
			look="main"
			onDone={() => task.stop()}>Use it</Act
		>
	{/if}
{/if}
{#if kept}
	<div class="back"><Act command="dropPlan" look="quiet">Plan by rule again</Act></div>
{/if}

<style>
	.found {
		margin: 10px 0 6px;
	}
	.back {
		margin-top: 8px;
	}
</style>
