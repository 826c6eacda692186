<script lang="ts">
	import '$lib/ui/app.css';
	import { goto } from '$app/navigation';
	import { navigating, page } from '$app/state';
	import Undo from '@lucide/svelte/icons/undo-2';
	import Redo from '@lucide/svelte/icons/redo-2';
	import Search from '@lucide/svelte/icons/search';
	import Keyboard from '@lucide/svelte/icons/keyboard';
	import { onMount, type Snippet } from 'svelte';
	import { scripts } from '$lib/ui/formState.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import type { Findable } from '$lib/find.ts';
	import { lookViews, measureViews } from '$lib/lookViews.ts';
	import { ROOMS, STATIONS } from '$lib/stations.ts';
	import { placesByKey } from '$lib/keys.ts';
	import { dialogIsOpen, hasOwnKeys, isTyping, pressing } from '$lib/ui/pressing.ts';
	import { run } from '$lib/ui/run.ts';
	import { toast } from '$lib/ui/toast.svelte.ts';
	import Find from '$lib/ui/Find.svelte';
	import Keys from '$lib/ui/Keys.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	onMount(() => {
		scripts.running = true;
	});
	let finding = $state(false);
	let keys = $state(false);
	const costumeId = $derived(page.params.costume);

	const takeBack = (command: 'undoLast' | 'redoLast') =>
		run(command, {}, { at: '/history', undoable: false });

	const taken = pressing({ undo: () => takeBack('undoLast'), redo: () => takeBack('redoLast') });
	const places = $derived(placesByKey(costumeId));
	const opened = pressing({
		find: () => (finding = true),
		keys: () => (keys = true),
		add: () => document.querySelector<HTMLElement>('[data-add]')?.click()
	});
	function onkeydown(event: KeyboardEvent) {
		if (isTyping(event.target)) return;
		taken(event);
		if (event.ctrlKey || event.metaKey || event.altKey || dialogIsOpen()) return;
		if (/^[a-z]$/i.test(event.key) && hasOwnKeys(event.target)) return;
		const place = places.get(event.key);
		if (!place) return opened(event);
		event.preventDefault();
		goto(place);
	}

	const things = $derived.by((): Findable[] => {
		const here = page.data as { record?: CostumeRecord; workshop?: Workshop };
		const base = costumeId ? `/c/${costumeId}` : '';
		const record = costumeId ? here.record : undefined;
		const byId = new Map(record?.components.map((c) => [c.id, c]) ?? []);
		return [
			...data.shelf.map((c) => ({ name: c.name, what: 'costume', href: `/c/${c.id}/look` })),
			...(base ? STATIONS.map((s) => ({ name: s.name, what: s.says, href: `${base}/${s.path}` })) : []),
			...(base ? lookViews(base).map((v) => ({ ...v, what: 'Look' })) : []),
			...(base ? measureViews(base).map((v) => ({ ...v, what: 'Measure' })) : []),
			...ROOMS.map((r) => ({ name: r.name, what: r.says, href: r.path })),
			...(record?.components ?? []).map((c) => ({
				name: `${c.code} ${c.name}`,
				what: c.kind,
				href: `${base}/look/${c.id}`
			})),
			...(record?.steps ?? []).map((s) => ({
				name: s.name,
				what: `step of ${byId.get(s.componentId)?.code} ${byId.get(s.componentId)?.name}`,
				href: `${base}/look/${s.componentId}#step-${s.id}`
			})),
			...(here.workshop?.materials ?? []).map((m) => ({
				name: m.name,
				what: 'material',
				href: `/stash#material-${m.id}`
			}))
		];
	});
</script>

<svelte:window {onkeydown} />
<a class="skip" href="#main">To the work</a>
<header class="top on-mat no-print" class:busy={navigating.to !== null}>
	<a class="mark" href="/"><span>Dapper</span> <span>Ledger</span></a>
	<nav aria-label="Workshop">
		{#each ROOMS as room (room.path)}
			<a href={room.path} aria-current={page.url.pathname === room.path ? 'page' : undefined}>{room.name}</a>
		{/each}
	</nav>
	<div class="tools">
		<button
			title={data.undoWords ? `Undo: ${data.undoWords}` : 'Nothing to undo'}
			disabled={!data.undoWords}
			onclick={() => takeBack('undoLast')}><Undo size={16} /> Undo</button
		>
		<button
			title={data.redoWords ?? 'Nothing to redo'}
			disabled={!data.redoWords}
			onclick={() => takeBack('redoLast')}><Redo size={16} /> Redo</button
		>
		<button onclick={() => (finding = true)}><Search size={16} /> Find</button>
		<button class="keys" onclick={() => (keys = true)}><Keyboard size={16} /> Keys</button>
	</div>
</header>
{#each data.running as timer (timer.id)}
	{#if page.url.pathname !== `/c/${timer.costumeId}/bench`}
		<a class="running no-print" href="/c/{timer.costumeId}/bench">
			{data.running.length > 1 && timer.maker ? `${timer.maker}’s timer` : 'Timer'} running:
			<b>{timer.code} {timer.name}</b>
		</a>
	{/if}
{/each}
{@render children()}
<Find bind:open={finding} {things} />
<Keys bind:open={keys} inCostume={!!costumeId} />
<div class="toast-place no-print" role="status" aria-live="polite">
	{#if toast.now}
		<div class="toast" class:bad={toast.now.bad}>
			<span>{toast.now.words}</span>
			{#if toast.now.undoable}<button onclick={() => takeBack('undoLast')}>Undo</button>{/if}
		</div>
	{/if}
</div>

<style>
	.skip {
		position: absolute;
		left: -999px;
		background: var(--sheet);
		color: var(--ink);
		padding: 8px;
		z-index: 10;
	}
	.skip:focus {
		left: 8px;
		top: 8px;
	}
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
	.running {
		display: block;
		background: var(--pink);
		color: #2a0a18;
		padding: 4px 16px;
	}
	.toast-place {
		position: fixed;
		left: 50%;
		bottom: 24px;
		translate: -50% 0;
		z-index: 20;
		max-width: calc(100vw - 24px);
	}
	.toast {
		display: flex;
		gap: 16px;
		align-items: center;
		background: #0a1f1d;
		color: #fff;
		padding: 10px 16px;
		border-left: 5px solid var(--brass);
		box-shadow: var(--shadow);
	}
	.toast.bad {
		border-left-color: #ff8a80;
	}
	.toast button {
		background: none;
		border: 1px solid #fff;
		color: #fff;
		font-weight: 600;
		padding: 4px 10px;
		cursor: pointer;
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
		.running {
			padding: 11px 16px;
		}
		.keys {
			display: none !important;
		}
		/* At the top: below lie the rail and what a thumb presses next. */
		.toast-place {
			top: 8px;
			bottom: auto;
			width: calc(100vw - 24px);
		}
		.toast {
			justify-content: space-between;
		}
	}
</style>
