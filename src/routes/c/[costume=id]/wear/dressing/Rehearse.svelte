<script lang="ts">
	/** Dressing by the clock: each thing is tapped when it is on, and what it took is learned from. */
	import Check from '@lucide/svelte/icons/check';
	import Timer from '@lucide/svelte/icons/timer';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import type { DressingPlan, PutOn } from '$core/answers/dressing.ts';
	import {
		beginOne,
		beginRehearsing,
		endOne,
		keyOf,
		rehearsalOf,
		takeBack,
		type Rehearsing
	} from '$core/answers/rehearsing.ts';
	import type { Rehearsal, Variant } from '$core/facts/wear.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import { quietly } from '$lib/ui/drafts.ts';
	import { run } from '$lib/ui/run.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';

	interface Props {
		costumeId: number;
		plan: DressingPlan;
		names: readonly string[];
		rehearsals: readonly Rehearsal[];
		variants: readonly Variant[];
		variant: Variant | null;
	}
	let { costumeId, plan: asked, names, rehearsals, variants, variant }: Props = $props();
	/** On this device, until it is told: a phone that goes dark loses nothing. */
	const key = $derived(`dapper rehearsal ${costumeId}`);
	const clock = () => performance.timeOrigin + performance.now();
	let now = $state(0);
	let busy = $state(false);
	interface Kept {
		running: Rehearsing;
		/** The order as it was when it began: saving one thing does not turn the others round. */
		plan: DressingPlan;
	}
	let held = $state.raw<Kept | null>(null);
	const running = $derived(held?.running ?? null);
	const plan = $derived(held?.plan ?? null);
	$effect(() => {
		held = quietly(() => JSON.parse(localStorage.getItem(key) ?? 'null') as Kept | null, null);
	});
	$effect(() => {
		if (!running) return;
		const tick = () => (now = clock());
		tick();
		const timer = setInterval(tick, 1000);
		return () => clearInterval(timer);
	});
	function keep(next: Kept | null) {
		held = next;
		quietly(() => {
			if (next) localStorage.setItem(key, JSON.stringify(next));
			else localStorage.removeItem(key);
		}, undefined);
	}
	const turn = (next: Rehearsing) => held && keep({ ...held, running: next });
	const start = () => keep({ running: beginRehearsing(asked, variant?.id ?? null, clock()), plan: asked });
	const two = (n: number) => String(n).padStart(2, '0');
	function passed(from: number, to: number): string {
		const seconds = Math.max(0, Math.floor((to - from) / 1000));
		return `${Math.floor(seconds / 60)}:${two(seconds % 60)}`;
	}
	const done = $derived(running ? Object.keys(running.ended).length : 0);
	const last = $derived(running && done === plan?.order.length);
	async function tell() {
		if (!running) return;
		const { minutes, times } = rehearsalOf(running);
		busy = true;
		const { dressers } = running;
		// It may have been removed meanwhile: the times stay true.
		const variantId = variants.find((v) => v.id === running.variantId)?.id ?? null;
		const told = await run('logRehearsal', {
			dressers,
			variantId,
			minutes,
			times: JSON.stringify(times)
		});
		busy = false;
		if (told) keep(null);
	}
	const nameOf = (one: PutOn) =>
		one.component ? `${one.component.code} ${one.component.name}` : one.preparation!.name;
	const wayOf = (id: number | null) => variants.find((v) => v.id === id)?.name ?? 'all of it';
	const WITH: Record<number, string> = { 1: 'alone', 2: 'with one helper', 3: 'with two helpers' };
</script>

<div class="no-print">
	<Sheet title="Rehearsal">
		{#if running && plan}
			{@const its = running}
			<p class="clock figure" role="timer">
				{passed(its.startedAt, last ? Math.max(...Object.values(its.ended)) : now)}
			</p>
			<p class="small soft">
				{wayOf(its.variantId)}, {WITH[its.dressers]}: planned {formatNumber(plan.minutes, 1)} min. Tap each when
				it is on.
			</p>
			<ol class="plain">
				{#each plan.order as one (keyOf(one))}
					{@const of = keyOf(one)}
					{@const from = its.begun[of]}
					{@const to = its.ended[of]}
					<li class:runs={from !== undefined && to === undefined}>
						<span class="what">
							{#if one.component}<Tag component={one.component} />{:else}<b>{one.preparation!.name}</b>{/if}
							<span class="small soft">{one.by.map((i) => names[i]).join(' and ')}</span>
						</span>
						<span class="mono">
							{#if to !== undefined}{passed(from ?? to, to)}{:else if from !== undefined}{passed(
									from,
									now
								)}{/if}
						</span>
						{#if to !== undefined}
							<button
								class="button quiet small"
								aria-label="{nameOf(one)} is not on yet"
								onclick={() => turn(takeBack(its, of))}><Undo2 size={14} /></button
							>
						{:else if from !== undefined}
							<button
								class="button main"
								aria-label="{nameOf(one)} is on"
								onclick={() => turn(endOne(plan!, its, of, clock()))}><Check size={16} /> On</button
							>
						{:else}
							<button
								class="button small"
								aria-label="Begin {nameOf(one)}"
								onclick={() => turn(beginOne(its, of, clock()))}>Begin</button
							>
						{/if}
					</li>
				{/each}
			</ol>
			<p class="ends">
				<button class="button main" disabled={done === 0 || busy} onclick={tell}>Keep the times</button>
				<button class="button quiet" onclick={() => keep(null)}>Throw it away</button>
			</p>
		{:else}
			<p>
				<button class="button main" onclick={start}
					><Timer size={16} /> Start the clock {WITH[asked.dressers]}</button
				>
			</p>
			<p class="small soft">
				Put it on in this order and tap each thing when it is on. The plan learns from every rehearsal; a
				phone that goes dark keeps the clock.
			</p>
		{/if}
		{#if rehearsals.length}
			<h3>By the clock</h3>
			<ul class="plain">
				{#each rehearsals as r (r.id)}
					<li class="past">
						<span><b>{formatNumber(r.minutes, 1)} min</b> {WITH[r.dressers]}, {wayOf(r.variantId)}</span>
						<span class="small soft">{timeWords(r.heldAt)}</span>
						<Act
							command="removeRehearsal"
							id={r.id}
							look="quiet"
							label="Remove the rehearsal of {timeWords(r.heldAt)}"><Trash2 size={14} /></Act
						>
					</li>
				{/each}
			</ul>
		{/if}
	</Sheet>
</div>

<style>
	.clock {
		font-size: 3.5rem;
		line-height: 1;
		font-weight: 600;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 64px 110px;
		gap: 10px;
		align-items: center;
		min-height: 44px;
		border-top: 1px solid var(--rule);
		padding: 2px 0;
	}
	li.past {
		grid-template-columns: minmax(0, 1fr) auto 44px;
		min-height: 36px;
	}
	li.runs {
		background: var(--yellow-wash);
	}
	.what {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		align-items: center;
		min-width: 0;
	}
	.mono {
		font-family: var(--mono);
		text-align: right;
	}
	h3 {
		margin: 16px 0 4px;
	}
	.ends {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		margin-top: 12px;
	}
	@media (max-width: 700px) {
		li {
			grid-template-columns: minmax(0, 1fr) 52px 92px;
			gap: 6px;
		}
	}
</style>
