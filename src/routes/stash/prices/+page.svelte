<script lang="ts">
	import { goto } from '$app/navigation';
	import {
		guessColumns,
		MOST_LIST_LETTERS,
		MOST_LIST_ROWS,
		readList,
		type ListColumns as Columns,
		type ListReport,
		type ListTable
	} from '$core/formats/priceList.ts';
	import { isDone, isFailure } from '$lib/ui/formState.ts';
	import Notice from '$lib/ui/Notice.svelte';
	import Room from '$lib/ui/Room.svelte';
	import { run, send } from '$lib/ui/run.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import ListAnswer from './ListAnswer.svelte';
	import ListColumns from './ListColumns.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	/** Long enough to choose the next column. */
	const PAUSE = 300;
	let text = $state.raw('');
	let name = $state('');
	let table = $state.raw<ListTable>({ heads: [], rows: [] });
	let columns = $state<Columns>({});
	let supplier = $state('');
	let leaveOut = $state(false);
	let report = $state.raw<ListReport | null>(null);
	let refused = $state('');
	let busy = $state(false);

	/** What was not written as UTF-8 is taken to be Windows-1252, as older spreadsheets write it. */
	function decoded(bytes: ArrayBuffer): string {
		try {
			return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
		} catch {
			return new TextDecoder('windows-1252').decode(bytes);
		}
	}
	async function choose(event: Event & { currentTarget: HTMLInputElement }) {
		const file = event.currentTarget.files?.[0];
		if (!file) return;
		report = null;
		refused = '';
		leaveOut = false;
		if (file.size > MOST_LIST_LETTERS) {
			text = '';
			table = { heads: [], rows: [] };
			refused = 'The file is too long: bring it in in parts.';
			return;
		}
		text = decoded(await file.arrayBuffer());
		name = file.name;
		table = readList(text);
		columns = guessColumns(table.heads);
	}
	const counted = (n: number) => n.toLocaleString('en');
	const asked = $derived({
		text,
		columns: JSON.stringify(columns),
		supplier: columns.supplier === undefined ? supplier : ''
	});

	// The server is the outside world: it knows what is there already. It keeps nothing of a look.
	$effect(() => {
		const what = asked;
		if (what.text === '') return;
		const stop = new AbortController();
		busy = true;
		const timer = setTimeout(async () => {
			const answer = await send('checkPriceList', what, { signal: stop.signal });
			if (stop.signal.aborted) return;
			report = isDone(answer) ? (answer.result as ListReport) : null;
			refused = isFailure(answer) ? (Object.values(answer.errors)[0] ?? answer.message) : '';
			busy = false;
		}, PAUSE);
		return () => {
			clearTimeout(timer);
			stop.abort();
		};
	});
	const ready = $derived(report !== null && report.added + report.changed > 0);

	async function bring() {
		busy = true;
		const done = await run('bringPriceList', { ...asked, ...(leaveOut ? { leaveOut: 'on' } : {}) });
		busy = false;
		if (done) await goto('/stash');
	}
</script>

<svelte:head><title>Price list · Dapper Ledger</title></svelte:head>
<Room>
	<Sheet title="Price list">
		{#snippet tools()}<a class="button small" href="/stash">Stash</a>{/snippet}
		<p class="soft">
			A supplier’s list as CSV, up to {counted(MOST_LIST_ROWS)} rows. What it says of materials that are here is
			read; nothing is kept until you bring it in.
		</p>
		<label class="file"
			>CSV file <input type="file" accept=".csv,.tsv,.txt,text/csv,text/plain" onchange={choose} /></label
		>
		{#if refused}<Notice>{refused}</Notice>{/if}
	</Sheet>

	{#if table.rows.length}
		<ListColumns {table} bind:columns bind:supplier suppliers={data.suppliers} />

		<Sheet title="What it would do">
			{#if report}
				<ListAnswer {report} {table} {name} {busy} bind:leaveOut />
				<p>
					<button
						class="button main"
						onclick={bring}
						disabled={busy || !ready || (report.wrong.length > 0 && !leaveOut)}
						>Bring in {counted(report.added + report.changed)}</button
					>
					{#if !ready}<span class="soft">Nothing of it is new here.</span>
					{:else if report.wrong.length && !leaveOut}<span class="soft"
							>Mend the rows that cannot be read, or leave them out.</span
						>{/if}
				</p>
			{:else if busy}<p class="soft" role="status">Reading {counted(table.rows.length)} rows…</p>
			{:else}<p class="soft">Say which column is what first.</p>{/if}
		</Sheet>
	{/if}
</Room>

<style>
	.file {
		display: block;
		font-weight: 600;
	}
</style>
