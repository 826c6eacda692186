<script lang="ts">
	import FileUp from '@lucide/svelte/icons/file-up';
	import Plus from '@lucide/svelte/icons/plus';
	import { goto } from '$app/navigation';
	import { AGAIN, pause } from '$lib/ui/forecast.svelte.ts';
	import { fetched } from '$lib/ui/task.svelte.ts';
	import { DAY, dayOf, dayWords, formatLocalTime } from '$core/units/localTime.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import Room from '$lib/ui/Room.svelte';
	import NewCostume from './NewCostume.svelte';
	import CostumeCard from './CostumeCard.svelte';
	import EmptyShelf from './EmptyShelf.svelte';
	import EventMoney from './EventMoney.svelte';
	import CopyCostume from './CopyCostume.svelte';

	let { data }: { data: PageData } = $props();
	let adding = $state(false);
	let importing = $state(false);
	let copying = $state<{ id: number; name: string } | null>(null);
	const year = $derived(new Date(data.now * 60000).getUTCFullYear());
	const inSixWeeks = $derived(formatLocalTime((dayOf(data.now) + 42) * DAY + 9 * 60));
	/** Odds that came since the page did. */
	let told = $state.raw<{ key: string; ready: Record<number, number | null> } | null>(null);
	const readyOf = (card: PageData['cards'][number]) =>
		card.ready !== undefined || told?.key !== data.planKey ? card.ready : told.ready[card.costume.id];
	/** Costumes of the same day before this one, when there are any: by hand it can go before them. */
	const sameDay = (card: PageData['cards'][number]) =>
		data.cards.filter((c) => dayOf(c.costume.eventAt) === dayOf(card.costume.eventAt)).map((c) => c.costume);
	const waits = $derived(data.cards.some((c) => readyOf(c) === undefined));
	// The server is the outside world: it tells the odds as they are worked out.
	$effect(() => {
		if (!waits) return;
		const key = data.planKey;
		const waiting = new AbortController();
		const ask = async () => {
			while (!waiting.signal.aborted) {
				const { ready } = await (await fetched('/odds', waiting.signal)).json();
				told = { key, ready };
				await pause(AGAIN);
			}
		};
		const timer = setTimeout(() => ask().catch(() => {}), 1000);
		return () => {
			clearTimeout(timer);
			waiting.abort();
		};
	});
	const open = (result: unknown) => goto(`/c/${(result as { id: number }).id}/look`);
</script>

<svelte:head><title>Shelf · Dapper Ledger</title></svelte:head>
<Room>
	<div class="bar on-mat">
		<h1>Shelf</h1>
		<div class="row">
			<button class="button" onclick={() => (importing = true)}
				><FileUp size={16} /> Read a costume file</button
			>
			<button class="button main" data-add onclick={() => (adding = true)}
				><Plus size={16} /> New costume</button
			>
		</div>
	</div>
	{#each data.cards as card (card.costume.id)}
		<CostumeCard
			{card}
			ready={readyOf(card)}
			sameDay={sameDay(card)}
			{year}
			oncopy={() => (copying = { id: card.costume.id, name: card.costume.name })}
		/>
	{:else}
		<EmptyShelf currency={data.settings.currency} {inSixWeeks} now={data.now} onDone={open} />
	{/each}
	{#if !data.cards.some((c) => c.costume.demoAction !== null)}
		<div class="demo on-mat">
			<Act command="openDemo" onDone={(result) => goto(`/c/${(result as { id: number }).id}/look`)}
				>Open a demo costume{data.cards.length ? ' beside yours' : ''}</Act
			>
			<span class="small"
				>to look at: it takes no hours and no stash of yours, and is taken away again whole</span
			>
		</div>
	{/if}
	{#if data.events.length}<EventMoney events={data.events} {year} />{/if}
	{#if data.archived.length}
		<Sheet title="Archive" level={2}>
			<ul class="archive">
				{#each data.archived as c (c.id)}
					<li>
						<a href="/c/{c.id}/look"><b>{c.name}</b></a>
						<span class="soft">{c.wearer && `for ${c.wearer}, `}{dayWords(dayOf(c.eventAt), year)}</span>
						<span class="row">
							<Act command="restoreCostume" id={c.id}>Restore</Act>
							<Act command="removeCostume" id={c.id} look="quiet">Remove</Act>
						</span>
					</li>
				{/each}
			</ul>
		</Sheet>
	{/if}
</Room>

<NewCostume bind:open={adding} currency={data.settings.currency} {inSixWeeks} onDone={open} />
<Dialog bind:open={importing} title="Read a costume file">
	<Form command="importCostume" upload onDone={open} label="Read a costume file">
		<Field name="file" label="Costume file (.dapper.zip)" type="file" accept=".zip,application/zip" />
		<Submit>Read it</Submit>
	</Form>
</Dialog>
<CopyCostume bind:costume={copying} {inSixWeeks} onDone={open} />

<style>
	.demo {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 12px;
		align-items: center;
		color: var(--on-mat-soft);
	}
	.bar {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
		flex-wrap: wrap;
		color: var(--on-mat);
	}
	.bar :global(.button:not(.main)) {
		background: none;
		color: var(--on-mat);
		border-color: var(--on-mat-soft);
	}
	.bar :global(.button.main) {
		background: var(--brass);
		color: #1c1503;
		border-color: var(--brass);
	}
	.archive {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	.archive li {
		display: flex;
		gap: 12px;
		align-items: center;
		flex-wrap: wrap;
		padding: 4px 0;
	}
</style>
