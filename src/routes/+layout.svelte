<script lang="ts">
	import '$lib/ui/app.css';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { onMount, type Snippet } from 'svelte';
	import { scripts } from '$lib/ui/formState.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import type { Findable } from '$lib/find.ts';
	import { lookViews, measureViews } from '$lib/lookViews.ts';
	import { ROOMS, STATIONS } from '$lib/stations.ts';
	import { placesByKey } from '$lib/keys.ts';
	import { dialogIsOpen, hasOwnKeys, isTyping, pressing } from '$lib/ui/pressing.ts';
	import Find from '$lib/ui/Find.svelte';
	import Keys from '$lib/ui/Keys.svelte';
	import type { LayoutData } from './$types';
	import TopBar from '$lib/ui/TopBar.svelte';
	import Messages from '$lib/ui/Messages.svelte';
	import { announce } from '$lib/ui/announce.ts';
	import { readAnew } from '$lib/ui/readAnew.ts';
	import { whenRestored } from '$lib/ui/restored.ts';
	import { takeBack } from '$lib/ui/takeBack.ts';
	import PlanningAnew from '$lib/ui/PlanningAnew.svelte';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	onMount(() => {
		scripts.running = true;
		return whenRestored(
			() => data.life,
			() => {
				void readAnew();
				announce('A backup was put in place of all data in another window.', { undoable: false });
			}
		);
	});
	let finding = $state(false);
	let keys = $state(false);
	const costumeId = $derived(page.params.costume);

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
<TopBar
	undoWords={data.undoWords}
	redoWords={data.redoWords}
	onundo={() => takeBack('undoLast')}
	onredo={() => takeBack('redoLast')}
	onfind={() => (finding = true)}
	onkeys={() => (keys = true)}
/>
{#each data.running as timer (timer.id)}
	{#if page.url.pathname !== `/c/${timer.costumeId}/bench`}
		<a class="running no-print" href="/c/{timer.costumeId}/bench">
			{data.running.length > 1 && timer.maker ? `${timer.maker}’s timer` : 'Timer'} running:
			<b>{timer.code} {timer.name}</b>
		</a>
	{/if}
{/each}
<PlanningAnew />
{@render children()}
<Find bind:open={finding} {things} />
<Keys bind:open={keys} inCostume={!!costumeId} />
<Messages />

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
	.running {
		display: block;
		background: var(--pink);
		color: #2a0a18;
		padding: 4px 16px;
	}
	@media (max-width: 700px) {
		.running {
			padding: 11px 16px;
		}
	}
</style>
