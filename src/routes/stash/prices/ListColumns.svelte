<script lang="ts">
	/** The first rows of a list, with what stands in which column chosen above each. */
	import { columnsWith, LIST_COLUMNS, type ListColumns, type ListTable } from '$core/formats/priceList.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		table: ListTable;
		columns: ListColumns;
		/** Of all rows, where no column says it. */
		supplier: string;
		/** Those that are known. */
		suppliers: readonly string[];
	}
	let { table, columns = $bindable(), supplier = $bindable(), suppliers }: Props = $props();
	/** Rows of the file that are shown for telling the columns apart. */
	const SHOWN = 4;
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
	const keyAt = (k: number) => LIST_COLUMNS.find((key) => columns[key] === k) ?? '';
</script>

<Sheet title="Which column is what">
	<Table>
		{#snippet heads()}{#each table.heads as head, k (k)}<th>
					<label
						><span class="visually-hidden">{head || `column ${k + 1}`} is</span>
						<select
							value={keyAt(k)}
							onchange={(e) => (columns = columnsWith(columns, k, e.currentTarget.value))}
						>
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
				>{#each suppliers as s (s)}<option value={s}></option>{/each}</datalist
			>
		</p>{/if}
</Sheet>

<style>
	select {
		display: block;
		width: 150px;
	}
	.unused {
		opacity: 0.5;
	}
</style>
