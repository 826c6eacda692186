<script lang="ts">
	import { onDestroy } from 'svelte';
	import { packLines } from '$core/answers/packList.ts';
	import { packingOf } from '$core/answers/packed.ts';
	import type { Packing } from '$core/engines/case/pack.ts';
	import { Task } from '$lib/ui/task.svelte.ts';
	import TravelDialog from '$lib/ui/wear/TravelDialog.svelte';
	import type { PageData } from './$types';
	import Cases from './Cases.svelte';
	import PackList from './PackList.svelte';

	let { data }: { data: PageData } = $props();
	const unit = $derived(data.workshop.settings.lengthUnit);
	const lines = $derived(
		packLines(
			data.luggage,
			data.kit.filter((k) => k.taken)
		)
	);
	const asked = $derived(packingOf(data.luggage, data.cases));
	const question = $derived(JSON.stringify(asked.task));
	const SECONDS = 2;
	const work = new Task<'case'>();
	onDestroy(() => work.stop());
	let found = $state.raw<{ of: string; packing: Packing } | null>(null);
	$effect(() => {
		const of = question;
		const task = JSON.parse(of) as typeof asked.task;
		if (!task.cases.length || !task.items.length) return;
		const keep = (packing: Packing) => (found = { of, packing });
		void work
			.start(
				() =>
					new Worker(new URL('../../../../../workers/case.worker.ts', import.meta.url), { type: 'module' }),
				async () => ({ kind: 'case', task, seconds: SECONDS }),
				keep
			)
			.then((packing) => packing && keep(packing));
		return () => work.stop();
	});
	const packing = $derived(found?.of === question ? found.packing : null);
	let travelling = $state<number | null>(null);
</script>

<svelte:head><title>Packing · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<div class="two">
	<PackList
		costume={data.record.costume}
		variant={data.variant}
		{lines}
		cases={data.cases}
		ticks={data.ticks}
		task={asked.task}
		{packing}
		onedit={(id) => (travelling = id)}
	/>
	<Cases cases={data.cases} luggage={data.luggage} {asked} {packing} {work} {unit} />
</div>

<TravelDialog bind:id={travelling} luggage={data.luggage} components={data.record.components} {unit} />

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 16px;
		align-items: start;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	@media print {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
