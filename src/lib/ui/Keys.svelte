<script lang="ts">
	/** The sheet that lists every key. */
	import { ROOMS, STATIONS } from '$lib/stations.ts';
	import Dialog from './Dialog.svelte';

	interface Props {
		open: boolean;
		inCostume: boolean;
	}
	let { open = $bindable(), inCostume }: Props = $props();
	const general = [
		['Ctrl or ⌘ Z', 'undo the last action'],
		['Ctrl or ⌘ Shift Z', 'redo'],
		['/', 'find anything'],
		['n', 'add, where you are'],
		['space', 'start or stop the timer, on Bench'],
		['↑ ↓', 'move in lists'],
		['Alt ↑ ↓', 'move a component or step up or down'],
		['Alt → ←', 'make it a part of the one above, or take it out'],
		['← → ↑ ↓ R F', 'on Lay: move, turn, turn over the chosen piece; Enter keeps it'],
		['Enter', 'open or edit'],
		['Esc', 'leave'],
		['?', 'this sheet']
	];
</script>

<Dialog bind:open title="Keys">
	<div class="columns">
		<dl>
			{#each general as [key, does] (key)}<dt><kbd>{key}</kbd></dt>
				<dd>{does}</dd>{/each}
		</dl>
		<dl>
			{#if inCostume}{#each STATIONS as s (s.key)}<dt><kbd>{s.key}</kbd></dt>
					<dd><b>{s.name}</b> {s.says}</dd>{/each}{/if}
			{#each ROOMS as r (r.key)}<dt><kbd>{r.key}</kbd></dt>
				<dd><b>{r.name}</b> {r.says}</dd>{/each}
		</dl>
	</div>
</Dialog>

<style>
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
		gap: 16px;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 6px 12px;
		margin: 0;
		align-content: start;
	}
	dd {
		margin: 0;
	}
	kbd {
		font: 600 var(--s13) var(--mono);
		border: 1px solid var(--ink-soft);
		padding: 1px 6px;
		background: var(--sheet-shade);
		white-space: nowrap;
	}
</style>
