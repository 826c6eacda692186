<script lang="ts">
	import { page } from '$app/state';
	import Pencil from '@lucide/svelte/icons/pencil';
	import type { Snippet } from 'svelte';
	import { planByOdds } from '$core/answers/orderOdds.ts';
	import { tapePins } from '$core/answers/pins.ts';
	import { dayOf, dayWords } from '$core/units/localTime.ts';
	import CostumeDialog from '$lib/ui/CostumeDialog.svelte';
	import { shownForecast } from '$lib/ui/forecast.svelte.ts';
	import SettleStrip from '$lib/ui/SettleStrip.svelte';
	import Tape from '$lib/ui/Tape.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { daysWords } from '$lib/ui/words.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { daysLeftFigure } from '$core/explain/plan.ts';
	import type { LayoutData } from './$types';
	import StationRail from './StationRail.svelte';

	let editing = $state(false);
	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	const costume = $derived(data.record.costume);
	const base = $derived(`/c/${costume.id}`);
	const days = $derived(daysLeftFigure(costume, data.now));
	const open = $derived(data.record.faults.length);
	/** A page left again at once is not worth simulating for, ms; where odds are the answer it begins at once. */
	const PAUSE = 1000;
	const forecast = $derived(shownForecast.of(data.planKey, data.forecast));
	const pins = $derived(tapePins(data.record, planByOdds(data.plan, forecast), data.workshop, data.now));

	/** Where it is planned, not where it is made or worn. */
	const settling = $derived(
		/^\/(look|measure|pattern|lay|buy|plan)\b/.test(page.url.pathname.slice(base.length))
	);

	// The server is the outside world: it is waited for while the odds of the plan on show are worked out.
	$effect(() => {
		if (forecast !== undefined) return;
		const waiting = new AbortController();
		const what = { costumeId: costume.id, key: data.planKey };
		const ask = () => shownForecast.wait(what, waiting.signal).catch(() => {});
		const timer = setTimeout(ask, page.url.pathname.startsWith(`${base}/plan`) ? 0 : PAUSE);
		return () => {
			clearTimeout(timer);
			waiting.abort();
		};
	});
</script>

<div class="costume">
	<header class="head on-mat">
		<div class="title">
			<h1>{costume.name}</h1>
			<p>
				{[costume.wearer && `for ${costume.wearer}`, costume.eventName].filter(Boolean).join(' · ')}
				{#if data.stage}<span class="stage">{data.stage}</span>{/if}
				{#if costume.demoAction !== null}<span class="stage">demo</span>{/if}
				{#if costume.archivedAt !== null}<span class="stage">in the archive</span>{/if}
				<button class="edit no-print" onclick={() => (editing = true)}
					><Pencil size={13} /> Edit costume</button
				>
			</p>
		</div>
		<p class="days">
			<b><Working figure={days} text={daysWords(valueOf(days))} /></b>
			<span>{dayWords(dayOf(costume.eventAt), new Date(data.now * 60000).getUTCFullYear())}</span>
		</p>
	</header>
	<div class="tape on-mat no-print">
		<Tape {costume} {base} plan={data.plan} windows={data.windows} {pins} now={data.now} {forecast} />
	</div>
	<StationRail {base} broken={open > 0 && Object.values(data.stages).includes('broken')} />
	<main id="main">
		{#if settling}<SettleStrip
				settle={data.settle}
				components={data.record.components}
				wearer={costume.wearer || 'the wearer'}
				{base}
			/>{/if}
		{@render children()}
	</main>
</div>
<CostumeDialog bind:open={editing} {costume} />

<style>
	.costume {
		display: grid;
		grid-template-columns: 112px minmax(0, 1fr);
		gap: 12px 16px;
		padding: 12px 16px 48px;
		max-width: 1500px;
		margin: 0 auto;
	}
	.head,
	.tape {
		grid-column: 1 / -1;
		color: var(--on-mat);
		min-width: 0;
	}
	.head {
		display: flex;
		justify-content: space-between;
		align-items: end;
		gap: 16px;
	}
	.title p {
		color: var(--on-mat-soft);
	}
	.stage {
		margin: 0 8px;
		padding: 0 8px;
		background: var(--brass);
		color: #1c1503;
		font-size: var(--s13);
		font-weight: 600;
	}
	.edit {
		background: none;
		border: 0;
		padding: 2px 4px;
		color: var(--on-mat-soft);
		cursor: pointer;
		font-size: var(--s13);
		text-decoration: underline;
	}
	.edit:hover {
		color: var(--on-mat);
	}
	.days {
		text-align: right;
		color: var(--brass);
	}
	.days b {
		display: block;
		font-family: var(--head);
		font-size: var(--s24);
		line-height: 1.1;
		white-space: nowrap;
	}
	.days :global(button) {
		font-family: var(--head);
		letter-spacing: normal;
	}
	.days :global(button:hover) {
		color: var(--on-mat);
	}
	.days span {
		color: var(--on-mat-soft);
	}
	main {
		min-width: 0;
		display: grid;
		gap: 16px;
		align-content: start;
	}
	@media (max-width: 700px) {
		.costume {
			grid-template-columns: minmax(0, 1fr);
			padding: 8px 8px 76px;
		}
		.days b {
			font-size: var(--s18);
		}
		h1 {
			font-size: 1.25rem;
		}
	}
	@media print {
		.costume {
			display: block;
			padding: 0;
		}
		/* What has a head of its own begins the page. */
		.costume:has(:global([data-own-head])) .head {
			display: none;
		}
		.head,
		.days,
		.title p,
		.days span {
			color: black;
		}
	}
</style>
