<script lang="ts">
	/** What a list would do, and which of its rows cannot be read. */
	import FileDown from '@lucide/svelte/icons/file-down';
	import pluralize from 'pluralize';
	import { wrongRowsCsv, type ListReport, type ListTable } from '$core/formats/priceList.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		report: ListReport;
		table: ListTable;
		/** Of the file. */
		name: string;
		busy: boolean;
		/** Rows that are wrong are left out. */
		leaveOut: boolean;
	}
	let { report, table, name, busy, leaveOut = $bindable() }: Props = $props();
	/** Wrong rows that are shown; the file has all. */
	const WRONG_SHOWN = 50;
	const counted = (n: number) => n.toLocaleString('en');
	const wrongFile = $derived(
		report.wrong.length
			? `data:text/csv;charset=utf-8,${encodeURIComponent(`\uFEFF${wrongRowsCsv(table, report.wrong)}`)}`
			: null
	);
</script>

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
		{pluralize('row', report.rows)} in {name}. Known as they are: {counted(report.same)}. Of materials that
		are not here: {counted(report.notOurs)}.
		{#if report.wrong.length}<b class="wrong">Cannot be read: {counted(report.wrong.length)}.</b>{/if}
	</p>
	{#if report.first.length}
		<Table>
			{#snippet heads()}<th>Material</th><th>Supplier</th><th class="number">Pack</th><th class="number"
					>Was</th
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

<style>
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
