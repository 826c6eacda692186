<script lang="ts">
	/** What nobody has entered and no piece gives: first what may move the finish and the money most. */
	import pluralize from 'pluralize';
	import type { Guess } from '$core/answers/guesses.ts';
	import { USUAL_LEAD_DAYS } from '$core/answers/leadTime.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { Material } from '$core/facts/material.ts';
	import { formatDuration, formatWait } from '$core/units/duration.ts';
	import { formatMoney } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Tag from '$lib/ui/Tag.svelte';

	interface Props {
		guesses: readonly Guess[];
		components: readonly Component[];
		materials: readonly Material[];
		/** How far starting amounts are off. */
		factor: number;
		currency: string;
		base: string;
	}
	let { guesses, components, materials, factor, currency, base }: Props = $props();
	const FEW = 5;
	let all = $state(false);
	const shown = $derived(all ? guesses : guesses.slice(0, FEW));
	const component = (g: Guess) => components.find((c) => c.id === g.componentId);
	const material = (g: Guess) => materials.find((m) => m.id === g.materialId)?.name ?? '';
</script>

<p class="soft">
	Nobody has entered these, and no piece gives them. Amounts are taken to be up to {formatNumber(factor, 1)} times
	too little or too much.
</p>
<ol>
	{#each shown as g (`${g.kind} ${g.componentId} ${g.materialId}`)}
		{@const its = component(g)}
		<li>
			<span class="what">
				{#if its}<Tag component={its} href="{base}/look/{its.id}" short />{/if}
				{#if g.kind === 'amounts'}
					<span
						>amounts of {pluralize('step', g.steps, true)}, {formatDuration(g.minutes)} of work.
						<a href="{base}/pattern">Give it pieces</a>, or
						<a href="{base}/look/{g.componentId}">enter them</a></span
					>
				{:else if g.kind === 'lead'}
					<span
						>how long <b>{material(g)}</b> takes to come: {USUAL_LEAD_DAYS} days are assumed.
						<a href="/stash">Enter it</a></span
					>
				{:else if g.kind === 'price'}
					<span>the price of <b>{material(g)}</b>. <a href="/stash">Enter it</a></span>
				{:else}
					<span>how much <b>{material(g)}</b> it takes. <a href="{base}/buy">Look at it</a></span>
				{/if}
			</span>
			<span class="moves figure">
				{#if g.laterMinutes}finish up to {formatWait(g.laterMinutes)} later
				{:else if g.moreMinor}up to {formatMoney(g.moreMinor, currency)} more
				{:else if g.kind === 'price'}comes on top
				{:else}<span class="soft">no part in the finish</span>{/if}
			</span>
		</li>
	{/each}
</ol>
{#if guesses.length > FEW}
	<button class="button small" onclick={() => (all = !all)}
		>{all ? 'Only the first' : `All ${guesses.length}`}</button
	>
{/if}

<style>
	ol {
		margin: 8px 0;
		padding-left: 24px;
		display: grid;
		gap: 4px;
	}
	li {
		padding: 2px 0;
	}
	li > span {
		vertical-align: top;
	}
	.what {
		display: inline-flex;
		gap: 8px;
		align-items: baseline;
		flex-wrap: wrap;
	}
	.moves {
		float: right;
		padding-left: 16px;
	}
	@media (max-width: 700px) {
		.moves {
			float: none;
			display: block;
			padding: 0;
		}
	}
</style>
