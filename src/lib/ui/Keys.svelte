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

<Dialog bind:open title="Keys" wide>
	<div class="columns">
		{#each pages as on (on)}
			<section>
				{#if on}<h3>{on}</h3>{/if}
				<dl>
					{#each all.filter((key) => key.on === on) as key (key.shown)}<dt><kbd>{key.shown}</kbd></dt>
						<dd>{key.does}</dd>{/each}
				</dl>
			</section>
		{/each}
		{#each inCostume ? [STATIONS, ROOMS] : [ROOMS] as places (places)}
			<section>
				<h3>{places === ROOMS ? 'Rooms' : 'Stations'}</h3>
				<dl>
					{#each places as place (place.key)}<dt><kbd>{place.key}</kbd></dt>
						<dd><b>{place.name}</b> {place.says}</dd>{/each}
				</dl>
			</section>
		{/each}
	</div>
</Dialog>

<style>
	.columns {
		columns: 3 220px;
		column-gap: 24px;
	}
	section {
		break-inside: avoid;
		margin-bottom: 14px;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 6px 12px;
		margin: 0;
		align-content: start;
	}
	h3 {
		margin-bottom: 6px;
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
