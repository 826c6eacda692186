<script lang="ts">
	/** A body that was scanned: levels are pressed on it, girths compared with the tape, and taken. */
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { fittedOf, wearersOf } from '$core/facts/measureRecord.ts';
	import { sayOf } from '$core/units/problem.ts';
	import type { Mesh } from '$core/engines/mesh/mesh.ts';
	import ScanDesk from '$lib/ui/stand/ScanDesk.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import { Task } from '$lib/ui/task.svelte.ts';
	import TaskBar from '$lib/ui/TaskBar.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/measure`);
	const wearers = $derived(wearersOf(data.fit));
	const wearer = $derived(
		wearers.find((w) => String(w.id) === page.url.searchParams.get('wearer')) ?? fittedOf(data.fit)[0]
	);

	const MOST_BYTES = 150_000_000;
	const reading = new Task<'mesh'>();
	let problem = $state('');
	let mesh = $state.raw<Mesh | null>(null);
	/** The file is read here and goes nowhere: only what is taken from it is kept. */
	async function read(file: File | undefined) {
		if (!file) return;
		problem = '';
		mesh = null;
		if (file.size > MOST_BYTES) return void (problem = sayOf('fileTooLarge', { most: MOST_BYTES / 1e6 }));
		const bytes = new Uint8Array(await file.arrayBuffer());
		const done = await reading.start(
			() =>
				new Worker(new URL('../../../../../../workers/mesh.worker.ts', import.meta.url), { type: 'module' }),
			async () => ({ kind: 'mesh', bytes })
		);
		if (done) mesh = done.mesh;
		else problem = reading.problem;
	}
</script>

<svelte:head><title>Scan · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if !wearer}
	<Sheet title="From a scan"><p>A scan is of a wearer: <a href={base}>add one first</a>.</p></Sheet>
{:else}
	<Sheet title="From a scan of {wearer.name}">
		<div class="row">
			<label
				>File
				<input
					type="file"
					accept=".stl,.obj"
					onchange={(event) => read(event.currentTarget.files?.[0])}
				/></label
			>
			{#if wearers.length > 1}
				<label
					>Wearer
					<select
						value={String(wearer.id)}
						onchange={(e) => goto(`?wearer=${e.currentTarget.value}`, { replaceState: true, noScroll: true })}
					>
						{#each wearers as w (w.id)}<option value={String(w.id)}>{w.name}</option>{/each}
					</select></label
				>
			{/if}
			<a href="{base}/stand?wearer={wearer.id}">Back to the stand</a>
		</div>
		<TaskBar task={reading} going="Reading the scan" />
		{#if problem}<p class="warn" role="alert">{problem}</p>{/if}
		{#if !mesh}<p class="soft small">
				STL or OBJ, of somebody who stands in what they are measured in, arms a little away. It stays on this
				device.
			</p>{/if}
	</Sheet>
	{#if mesh}
		<ScanDesk
			{mesh}
			{wearer}
			workshop={data.workshop}
			onDone={() => goto(`${base}/stand?wearer=${wearer.id}`)}
		/>
	{/if}
{/if}

<style>
	.row {
		gap: 12px 20px;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
	}
</style>
