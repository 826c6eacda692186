<script lang="ts">
	import FileDown from '@lucide/svelte/icons/file-down';
	import Plus from '@lucide/svelte/icons/plus';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import X from '@lucide/svelte/icons/x';
	import { HANDBOOK_TABLES, type HandbookTable } from '$core/facts/handbook.ts';
	import { STANDARD } from '$core/trade/catalogue.ts';
	import { nameOfRow } from '$core/trade/handbookRow.ts';
	import { page } from '$app/state';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { isFailure, type Answer } from '$lib/ui/formState.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import RowFields from '$lib/ui/handbook/RowFields.svelte';
	import { SHOWN, TABLES } from '$lib/ui/handbook/tables.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import Notice from '$lib/ui/Notice.svelte';
	import Room from '$lib/ui/Room.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Table from '$lib/ui/Table.svelte';

	let { data }: { data: PageData } = $props();
	const trade = $derived(handbook());
	const table = $derived(
		HANDBOOK_TABLES.find((t) => t === page.url.searchParams.get('table')) ?? 'technique'
	) as HandbookTable;
	const unit = $derived(data.settings.lengthUnit);
	type Row = Record<string, unknown>;
	const rowsOf = $derived(trade[table] as unknown as Readonly<Record<string, Row>>);
	const rows = $derived(Object.entries(rowsOf));
	const own = $derived(new Set(data.handbook.map((r) => `${r.tableName} ${r.key}`)));
	const ships = (key: string) => Object.hasOwn(STANDARD[table] as object, key);
	const mark = (key: string) => (own.has(`${table} ${key}`) ? (ships(key) ? 'changed: ' : 'added: ') : '');
	const shown = (row: Row) => (SHOWN[table] as (row: unknown, u: typeof unit) => string)(row, unit);
	/** The row that is open; an empty key is a new one. */
	let open = $state<string | null>(null);
	let dialog = $state(false);
	/** What a new one begins as: another row, under a name of its own. */
	let like = $state<string | null>(null);
	const edit = (key: string, from: string | null = null) => ((open = key), (like = from), (dialog = true));
	const copied = $derived.by((): Row => {
		const row = like === null ? undefined : rowsOf[like];
		if (!row) return {};
		const called = table === 'knownFault' ? 'symptom' : table === 'caution' ? 'do' : 'name';
		return { ...row, [called]: `${nameOfRow(row)}, copy`, source: '' };
	});
	const refused = $derived.by(() => {
		const answer = page.form as Answer;
		return isFailure(answer) && answer.command === 'removeHandbookRow' ? answer.message : null;
	});
</script>

<svelte:head><title>Handbook · Dapper Ledger</title></svelte:head>
<Room>
	<Sheet title="Handbook">
		{#snippet tools()}
			<a class="button small" href="/stash">Stash</a>
			<a class="button small" href="/stash/handbook/out" download><FileDown size={14} /> Save my rows</a>
			<button class="button main small" data-add onclick={() => edit('')}
				><Plus size={14} /> {TABLES[table].one}</button
			>
		{/snippet}
		<p class="small soft">
			What the plan, the coats and the cures are worked out from. Change a row and everything follows; the one
			that ships is kept and can be brought back. Labels, local rules and qualified people decide.
		</p>
		<nav aria-label="Tables of the handbook">
			{#each HANDBOOK_TABLES as t (t)}<a
					href="?table={t}"
					aria-current={t === table ? 'page' : undefined}
					data-sveltekit-noscroll>{TABLES[t].name}</a
				>{/each}
		</nav>
		{#if refused}<Notice bad>{refused}</Notice>{/if}
		<Table>
			{#snippet heads()}<th>{TABLES[table].name}</th><th>Values</th><th>From</th><th
					><span class="visually-hidden">Change</span></th
				>{/snippet}
			{#each rows as [key, row] (key)}
				<tr>
					<td><b>{nameOfRow(row)}</b></td>
					<td class="small">{shown(row)}</td>
					<td class="small soft">{`${mark(key)}${row.source}`}</td>
					<td class="number">
						<button class="button small quiet" onclick={() => edit(key)} aria-label="Edit {nameOfRow(row)}"
							>Edit</button
						>
						<button
							class="button small quiet"
							onclick={() => edit('', key)}
							aria-label="Copy {nameOfRow(row)}">Copy</button
						>
						{#if own.has(`${table} ${key}`)}<Act
								command="removeHandbookRow"
								hidden={{ tableName: table, key }}
								look="quiet"
								label="{ships(key) ? 'Bring back' : 'Remove'} {nameOfRow(row)}"
								>{#if ships(key)}<RotateCcw size={14} />{:else}<X size={14} />{/if}</Act
							>{/if}
					</td>
				</tr>
			{/each}
		</Table>
	</Sheet>
	<Sheet title="Rows from another workshop">
		<p class="small soft">
			A handbook that was saved elsewhere. Rows under the same key take the place of yours; undo brings them
			back.
		</p>
		<Form command="importHandbook" upload label="Read a handbook" class="import">
			<Field name="file" label="Handbook file" type="file" accept=".json,application/json" />
			<button class="button">Read this file</button>
		</Form>
	</Sheet>
</Room>

<Dialog bind:open={dialog} title={open ? nameOfRow(rowsOf[open] ?? {}) : `New ${TABLES[table].one}`} wide>
	{#key `${table} ${open} ${like}`}
		<Form
			command={TABLES[table].command}
			hidden={{ key: open ?? '' }}
			onDone={() => (dialog = false)}
			label="Row of the handbook"
		>
			<RowFields {table} row={(open && rowsOf[open]) || copied} {trade} {unit} />
			<Submit>{open ? 'Save' : 'Add'}</Submit>
		</Form>
	{/key}
</Dialog>

<style>
	nav {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		margin: 12px 0;
		border-bottom: 1px solid var(--rule);
	}
	nav a {
		padding: 6px 0;
		color: var(--ink-soft);
		text-decoration: none;
	}
	nav a[aria-current] {
		color: var(--ink);
		border-bottom: 2px solid var(--ink);
	}
</style>
