<script lang="ts">
	/** The sheet that lists every key. */
	import { KEYS, type Key } from '$lib/keys.ts';
	import { ROOMS, STATIONS } from '$lib/stations.ts';
	import Dialog from './Dialog.svelte';

	interface Props {
		open: boolean;
		inCostume: boolean;
	}
	let { open = $bindable(), inCostume }: Props = $props();
	const all: Key[] = Object.values(KEYS);
	const pages = [...new Set(all.map((key) => key.on))];
</script>

<Dialog bind:open title="Keys">
	<div class="columns">
		<div>
			{#each pages as on (on)}
				{#if on}<h3>{on}</h3>{/if}
				<dl>
					{#each all.filter((key) => key.on === on) as key (key.shown)}<dt><kbd>{key.shown}</kbd></dt>
						<dd>{key.does}</dd>{/each}
				</dl>
			{/each}
		</div>
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
	h3 {
		margin: 12px 0 6px;
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
