<script lang="ts">
	/** The head of a column that can be sorted by. */
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import { pressed, type Sorting } from '$lib/sort.ts';

	interface Props {
		key: string;
		label: string;
		by: Sorting | null;
		number?: boolean;
	}
	let { key, label, by = $bindable(), number = false }: Props = $props();
	const mine = $derived(by?.key === key ? by : null);
</script>

<th class:number aria-sort={mine ? (mine.down ? 'descending' : 'ascending') : undefined}>
	<button type="button" onclick={() => (by = pressed(by, key))}
		>{label}{#if mine?.down}<ArrowDown size={12} />{:else if mine}<ArrowUp size={12} />{/if}</button
	>
</th>

<style>
	button {
		border: 0;
		padding: 4px 0;
		background: none;
		font: inherit;
		color: inherit;
		cursor: pointer;
	}
	button:hover {
		color: var(--blue-ink);
		text-decoration: underline;
	}
</style>
