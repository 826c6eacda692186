<script lang="ts">
	/** The bar above every page: the rooms, and undo, redo, find, keys. */
	import { navigating, page } from '$app/state';
	import Redo from '@lucide/svelte/icons/redo-2';
	import Keyboard from '@lucide/svelte/icons/keyboard';
	import Undo from '@lucide/svelte/icons/undo-2';
	import Search from '@lucide/svelte/icons/search';
	import { ROOMS } from '$lib/stations.ts';

	interface Props {
		/** What Undo would take back. */
		undoWords: string | null;
		redoWords: string | null;
		onundo: () => void;
		onredo: () => void;
		onfind: () => void;
		onkeys: () => void;
	}
	let { undoWords, redoWords, onundo, onredo, onfind, onkeys }: Props = $props();
</script>

<header class="top on-mat no-print" class:busy={navigating.to !== null}>
	<a class="mark" href="/"><span>Dapper</span> <span>Ledger</span></a>
	<nav aria-label="Workshop">
		{#each ROOMS as room (room.path)}
			<a href={room.path} aria-current={page.url.pathname === room.path ? 'page' : undefined}>{room.name}</a>
		{/each}
	</nav>
	<div class="tools">
		<button
			title={undoWords ? `Undo: ${undoWords}` : 'Nothing to undo'}
			disabled={!undoWords}
			onclick={onundo}><Undo size={16} /> Undo</button
		>
		<button title={redoWords ?? 'Nothing to redo'} disabled={!redoWords} onclick={onredo}
			><Redo size={16} /> Redo</button
		>
		<button onclick={onfind}><Search size={16} /> Find</button>
		<button class="keys" onclick={onkeys}><Keyboard size={16} /> Keys</button>
	</div>
</header>

<style>
	.top {
		display: flex;
		align-items: center;
		gap: 4px 24px;
		flex-wrap: wrap;
		padding: 8px 16px;
		background: var(--mat-deep);
		color: var(--on-mat);
		border-bottom: 2px solid var(--brass);
	}
	.top.busy {
		border-bottom-style: dashed;
	}
	.mark {
		font-family: var(--head);
		font-weight: 750;
		font-size: var(--s18);
		text-decoration: none;
		letter-spacing: -0.01em;
	}
	.mark span:last-child {
		color: var(--brass);
	}
	nav {
		display: flex;
		gap: 4px 16px;
		flex-wrap: wrap;
	}
	nav a {
		text-decoration: none;
		padding: 4px 0;
		color: var(--on-mat-soft);
	}
	nav a:hover {
		color: var(--on-mat);
	}
	nav a[aria-current] {
		color: var(--on-mat);
		box-shadow: 0 2px 0 var(--brass);
	}
	.tools {
		margin-left: auto;
		display: flex;
		gap: 4px;
	}
	.tools button {
		display: inline-flex;
		align-items: center;
		gap: 5px;
		min-height: 32px;
		padding: 2px 8px;
		border: 1px solid transparent;
		background: none;
		color: var(--on-mat);
		cursor: pointer;
		font-size: var(--s13);
	}
	.tools button:hover:not(:disabled) {
		border-color: var(--on-mat-soft);
	}
	.tools button:disabled {
		color: #7d9793;
		cursor: default;
	}
	@media (max-width: 700px) {
		.top {
			padding: 4px 12px;
			gap: 0 12px;
		}
		nav {
			order: 3;
			width: 100%;
			justify-content: space-between;
			gap: 4px;
		}
		nav a {
			padding: 11px 2px;
		}
		.tools button {
			min-height: 44px;
			padding: 2px 7px;
		}
		.keys {
			display: none !important;
		}
	}
</style>
