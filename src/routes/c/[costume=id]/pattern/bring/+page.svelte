<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { sayOf } from '$core/units/problem.ts';
	import type { Mesh } from '$core/engines/mesh/mesh.ts';
	import type { Problem } from '$core/units/problem.ts';
	import BringLines from '$lib/ui/bring/BringLines.svelte';
	import BringPdf from '$lib/ui/bring/BringPdf.svelte';
	import BringMesh from '$lib/ui/bring/BringMesh.svelte';
	import BringTrace from '$lib/ui/bring/BringTrace.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import { Task } from '$lib/ui/task.svelte.ts';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const components = $derived(data.record.components);
	const of = $derived(Number(page.url.searchParams.get('of')) || null);
	const component = $derived(components.find((c) => c.id === of) ?? null);

	/** A shape of three million triangles, as numbers. */
	const MOST_BYTES = 150_000_000;
	const meshReading = new Task<'mesh'>();
	let reading = $state(false);
	let problem = $state('');
	let found = $state.raw<
		| { name: string; mesh: Mesh; few: Mesh; notes: Problem[] }
		| { name: string; text: string; format: 'svg' | 'dxf' }
		| { name: string; bytes: Uint8Array }
		| null
	>(null);

	/** The file is read here and goes nowhere: only the pieces that come of it are kept. */
	async function read(file: File | undefined) {
		if (!file) return;
		problem = '';
		found = null;
		if (file.size > MOST_BYTES) return void (problem = sayOf('fileTooLarge', { most: MOST_BYTES / 1e6 }));
		reading = true;
		try {
			const bytes = new Uint8Array(await file.arrayBuffer());
			const name = file.name.replace(/\.[^.]*$/, '').slice(0, 120);
			// Told apart by content: a name is only a name.
			const begin = new TextDecoder().decode(bytes.slice(0, 4000));
			const format =
				/<svg[\s/>]/i.test(begin) || /^\s*<\?xml/.test(begin)
					? 'svg'
					: /^\s*(999[\s\S]*?)?0\s*\r?\n\s*SECTION/.test(begin)
						? 'dxf'
						: null;
			if (begin.startsWith('%PDF-')) found = { name, bytes };
			else if (format) found = { name, format, text: new TextDecoder().decode(bytes) };
			else {
				const mesh = await meshReading.start(
					() =>
						new Worker(new URL('../../../../../workers/mesh.worker.ts', import.meta.url), { type: 'module' }),
					async () => ({ kind: 'mesh', bytes })
				);
				if (mesh) found = { name, ...mesh };
				else problem = meshReading.problem === sayOf('meshUnknown') ? sayOf('notRead') : meshReading.problem;
			}
		} catch {
			problem = 'The file cannot be read.';
		}
		reading = false;
	}
</script>

<svelte:head><title>Bring pieces in · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if !components.length}
	<Sheet title="Bring pieces in"
		><p>Pieces belong to a component: <a href="{base}/look">add one first</a>.</p></Sheet
	>
{:else}
	<Sheet title="Bring pieces in">
		<div class="row">
			<label
				>Of
				<select
					value={component?.id ?? ''}
					onchange={(event) =>
						goto(`?of=${event.currentTarget.value}`, { replaceState: true, noScroll: true })}
				>
					<option value="" disabled>choose a component</option>
					{#each inLedgerOrder(components) as { item, depth } (item.id)}<option value={item.id}
							>{'  '.repeat(depth)}{item.code} {item.name}</option
						>{/each}
				</select></label
			>
			<label
				>File
				<input
					type="file"
					accept=".svg,.dxf,.stl,.obj,.pdf,image/svg+xml,model/stl,model/obj,application/pdf"
					disabled={!component}
					onchange={(event) => read(event.currentTarget.files?.[0])}
				/></label
			>
		</div>
		<p class="small soft">
			SVG or DXF: every closed line becomes a piece at its true size. STL or OBJ: a faceted shape is scaled to
			the wearer and unfolded, its edges numbered in pairs with their bevels; a curved one is cut into few
			patches that the material can follow. PDF: its pages are joined to a sheet at true size and traced. The
			file is read by this page and goes nowhere; only the pieces are kept.
		</p>
		{#if reading}<p role="status">Reading…</p>{/if}
		{#if problem}<p class="error" role="alert">{problem}</p>{/if}
	</Sheet>
	{#if component && found}
		{@const shared = {
			name: found.name,
			component,
			components,
			fit: data.fit,
			workshop: data.workshop,
			onDone: (id: number) => goto(`${base}/pattern/${id}`)
		}}
		{#key found}
			{#if 'mesh' in found}<BringMesh mesh={found.mesh} few={found.few} notes={found.notes} {...shared} />
			{:else if 'bytes' in found}<BringPdf bytes={found.bytes} {...shared} />
			{:else}<BringLines text={found.text} format={found.format} {...shared} />{/if}
		{/key}
	{/if}
	{#if component && !found}
		<BringTrace
			pictures={data.look.pictures}
			measures={data.look.measures}
			{component}
			workshop={data.workshop}
			{base}
			onDone={(id) => goto(`${base}/pattern/${id}`)}
		/>
	{/if}
{/if}

<style>
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 12px 24px;
		align-items: center;
	}
	label {
		display: flex;
		gap: 8px;
		align-items: center;
		min-width: 0;
		font-weight: 600;
	}
	select {
		max-width: 320px;
	}
	.error {
		color: var(--red-ink);
		font-weight: 600;
	}
</style>
