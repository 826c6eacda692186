<script lang="ts">
	import FileDown from '@lucide/svelte/icons/file-down';
	import pluralize from 'pluralize';
	import { goto } from '$app/navigation';
	import {
		guessColumns,
		LIST_COLUMNS,
		MOST_LIST_LETTERS,
		MOST_LIST_ROWS,
		readList,
		wrongRowsCsv,
		type ListColumns,
		type ListReport,
		type ListTable
	} from '$core/formats/priceList.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { isDone, isFailure } from '$lib/ui/formState.ts';
	import Notice from '$lib/ui/Notice.svelte';
	import Room from '$lib/ui/Room.svelte';
	import { run, send } from '$lib/ui/run.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Table from '$lib/ui/Table.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	/** Rows of the file that are shown for telling the columns apart. */
	const SHOWN = 4;
	/** Wrong rows that are shown; the file has all. */
	const WRONG_SHOWN = 50;
	/** Long enough to choose the next column. */
	const PAUSE = 300;
	const WORDS: Readonly<Record<string, string>> = {
		material: 'material',
		supplier: 'supplier',
		packSize: 'units in a pack',
		packPrice: 'price of a pack',
		breaks: 'cheaper from so many on',
		leadDays: 'lead, working days',
		mostPacks: 'packs to be had',
		note: 'note'
	};

	let text = $state.raw('');
	let name = $state('');
	let table = $state.raw<ListTable>({ heads: [], rows: [] });
	let columns = $state<ListColumns>({});
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
	const keyAt = (k: number) => LIST_COLUMNS.find((key) => columns[key] === k) ?? '';
	function use(k: number, key: string) {
		const others = Object.fromEntries(Object.entries(columns).filter(([its, at]) => at !== k && its !== key));
		columns = key ? { ...others, [key]: k } : others;
	}
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
	const wrongFile = $derived(
		report?.wrong.length
			? `data:text/csv;charset=utf-8,${encodeURIComponent(`\uFEFF${wrongRowsCsv(table, report.wrong)}`)}`
			: null
	);
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
		<Sheet title="Which column is what">
			<Table>
				{#snippet heads()}{#each table.heads as head, k (k)}<th>
							<label
								><span class="visually-hidden">{head || `column ${k + 1}`} is</span>
								<select value={keyAt(k)} onchange={(e) => use(k, e.currentTarget.value)}>
									<option value="">not used</option>
									{#each LIST_COLUMNS as key (key)}<option value={key}>{WORDS[key]}</option>{/each}
								</select></label
							>
							<span class="small soft">{head}</span>
						</th>{/each}{/snippet}
				{#each table.rows.slice(0, SHOWN) as cells, r (r)}
					<tr
						>{#each table.heads as _, k (k)}<td class:unused={!keyAt(k)}>{cells[k] ?? ''}</td>{/each}</tr
					>
				{/each}
			</Table>
			{#if columns.supplier === undefined}<p>
					<label>Supplier of all rows <input list="suppliers" bind:value={supplier} maxlength="120" /></label
					><datalist id="suppliers"
						>{#each data.suppliers as s (s)}<option value={s}></option>{/each}</datalist
					>
				</p>{/if}
		</Sheet>

		<Sheet title="What it would do">
			{#if report}
				<div aria-live="polite" class:busy>
					<p class="answer">
						{counted(report.changed)}
						{pluralize('price', report.changed)}
						{report.changed === 1 ? 'changes' : 'change'},
						{counted(report.added)}
						{pluralize('pack', report.added)}
						{report.added === 1 ? 'is' : 'are'} new
					</p>
					<p class="soft">
						{counted(report.rows)}
						{pluralize('row', report.rows)} in {name}. Known as they are: {counted(report.same)}. Of materials
						that are not here: {counted(report.notOurs)}.
						{#if report.wrong.length}<b class="wrong">Cannot be read: {counted(report.wrong.length)}.</b>{/if}
					</p>
					{#if report.first.length}
						<Table>
							{#snippet heads()}<th>Material</th><th>Supplier</th><th class="number">Pack</th><th
									class="number">Was</th
								><th class="number">Is</th>{/snippet}
							{#each report.first as f, k (k)}
								<tr
									><td>{f.material}</td><td>{f.supplier}</td><td class="number"
										>{formatNumber(f.packSize)} {f.unit}</td
									><td class="number">{f.before ?? 'new'}</td><td class="number">{f.now}</td></tr
								>
							{/each}
						</Table>
						{#if report.added + report.changed > report.first.length}<p class="small soft">
								And {counted(report.added + report.changed - report.first.length)} more.
							</p>{/if}
					{/if}
					{#if report.wrong.length}
						<h3>Rows that cannot be read</h3>
						<Table>
							{#snippet heads()}<th class="number">Row</th><th>Column</th><th>Why</th>{/snippet}
							{#each report.wrong.slice(0, WRONG_SHOWN) as w (w.row)}
								<tr><td class="number">{w.row}</td><td>{w.column}</td><td>{w.why}</td></tr>
							{/each}
						</Table>
						<p>
							<label class="leave"
								><input type="checkbox" bind:checked={leaveOut} /> Leave out what cannot be read</label
							>
							<a class="button small" href={wrongFile} download="rows-to-mend.csv"
								><FileDown size={14} /> Save them for mending</a
							>
						</p>
					{/if}
				</div>
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
	select {
		display: block;
		width: 150px;
	}
	.unused {
		opacity: 0.5;
	}
	.answer {
		font-family: var(--head);
		font-size: var(--s24);
		font-weight: 700;
		margin: 0 0 4px;
	}
	.busy {
		opacity: 0.5;
	}
	.leave {
		margin-right: 12px;
	}
	h3 {
		margin: 14px 0 4px;
	}
</style>
