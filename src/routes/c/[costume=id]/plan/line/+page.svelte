<script lang="ts">
	/** What is done when, what decides it, and which starts are kept. */
	import BenchLine from '$lib/ui/BenchLine.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Kept from '../Kept.svelte';
	import PlanChain from '../PlanChain.svelte';
	import { namesOf } from '../planNames.ts';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const plan = $derived(data.plan);
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(new Map(data.record.components.map((c) => [c.id, c])));
	const steps = $derived(new Map(data.record.steps.map((s) => [String(s.id), s])));
	const planned = $derived([...plan.schedule.steps].sort((a, b) => a.start - b.start));
	const { named } = $derived(namesOf(data.record, data.workshop, plan));
	const words = (id: string) => {
		const step = steps.get(id);
		const component = step && components.get(step.componentId);
		return { code: component?.code ?? '', name: step?.name ?? '', place: '' };
	};
</script>

<svelte:head><title>Bench line · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Bench line">
	{#if plan.schedule.steps.length}
		<BenchLine
			steps={plan.schedule.steps}
			windows={data.windows}
			now={data.now}
			deadline={plan.deadline}
			{words}
		/>
	{:else}
		<p class="soft">Nothing left to plan. Steps come with a component’s route, under Look.</p>
		{#if !data.record.components.length}<p class="end">
				<a class="button main" href="{base}/look">Break the look into components</a>
			</p>{/if}
	{/if}
</Sheet>

{#if plan.chain.length}
	<PlanChain {plan} {steps} {components} {base} />
{/if}

{#if planned.length}
	<Kept {data} {planned} {named} />
{/if}

<Caution keys={data.cautions} />
