<script lang="ts">
	/** What of the costume each part of the body carries. */
	import { carriedBy, uneven } from '$core/answers/carried.ts';
	import { holdings } from '$core/answers/holding.ts';
	import { namesWords, capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import { bearerWords } from '$lib/ui/wear/bearerWords.ts';
	import type { PageData } from './$types';
	import Balance from './Balance.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const { settings } = $derived(data.workshop);
	const components = $derived(data.components);
	const held = $derived(holdings(components, data.wear, data.weights, settings.loadFactors, handbook()));
	const carried = $derived(carriedBy(components, data.wear, data.weights, held, settings.comfort));
	const over = $derived([
		...carried.parts.filter((p) => p.grams > p.limit),
		...(carried.shoulders.grams > carried.shoulders.limit
			? [{ bearer: 'shoulders' as const, side: null, ...carried.shoulders }]
			: [])
	]);
	const sides = $derived(uneven(carried));
	const grams = (g: number) => `${formatNumber(g, 0)} g`;
</script>

<svelte:head><title>Weight · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="What carries it">
	{#if carried.parts.length}
		<p class="answer" class:bad={over.length > 0}>
			{#if over.length}
				{capital(
					namesWords(
						over.map((o) => `${bearerWords(o.bearer, o.side)} carries ${grams(o.grams - o.limit)} too much`)
					)
				)} for hours.
			{:else}Nothing is more than is borne for hours.{/if}
		</p>
		<Balance {carried} />
		{#each sides as s (s.bearer)}
			<p>
				<b>Uneven:</b>
				{bearerWords(s.bearer, s.heavier)} carries {grams(s.by)} more than the other. Change hands in time, or hang
				as much on the other side.
			</p>
		{/each}
		{#if over.length}
			<p class="small">
				Lighter: hang it from the hips rather than the shoulders, let a pole rest on the ground, take foam for
				what is hard, take it off while you wait (common practice).
			</p>
		{/if}
		<p class="small soft">
			By what holds each component when standing, else by its zones; what hangs on another bears where that
			one does. Feet stand on the ground. Limits are starting values, from memory: change them under
			<a href="/settings">Settings</a>. Pain, numbness or dizziness: take it off.
		</p>
	{:else}
		<p>
			Nothing is known to weigh anything yet: weigh a component on its page under
			<a href="{base}/wear">What holds it</a>, or say what its pieces are cut from.
		</p>
	{/if}
	{#if carried.unknown.length}
		<h3>Weight not known</h3>
		<p class="row">
			{#each carried.unknown as component (component.id)}
				<Tag {component} href="{base}/wear/{component.id}" />
			{/each}
		</p>
		<p class="small soft">They are carried all the same: the figures above are without them.</p>
	{/if}
	{#if carried.nowhere.length}
		<h3>Borne nowhere</h3>
		<p class="row">
			{#each carried.nowhere as component (component.id)}
				<Tag {component} href="{base}/look/{component.id}" />
			{/each}
		</p>
		<p class="small soft">They have no zone, and nothing says what holds them.</p>
	{/if}
</Sheet>

<style>
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
		margin-bottom: 16px;
	}
	.answer.bad {
		color: var(--red-ink);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
</style>
