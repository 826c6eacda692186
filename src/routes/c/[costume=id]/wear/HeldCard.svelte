<script lang="ts">
	/** One component: what holds it, how much that bears, and how far it goes. */
	import type { Held } from '$core/answers/holding.ts';
	import { fastenerWords } from '$core/answers/joins.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Tag from '$lib/ui/Tag.svelte';
	import { holdWords } from '$lib/ui/wear/holdWords.ts';
	import LoadBars from '$lib/ui/wear/LoadBars.svelte';

	let { held, base }: { held: Held; base: string } = $props();
	const trade = $derived(handbook());
	const href = $derived(`${base}/wear/${held.component.id}`);
	const names = $derived(held.joins.map((j) => fastenerWords(j, trade)).join(', '));
</script>

<li>
	<div class="head">
		<Tag component={held.component} {href} />
		<span class="mono">{held.grams === null ? '? g' : `${formatNumber(held.grams, 0)} g`}</span>
	</div>
	<p class="verdict" class:bad={held.upTo !== null && held.upTo !== 'jumping'}>
		{capital(holdWords(held))}
	</p>
	<LoadBars {held} />
	<p class="small soft">
		{names}.
		{#if held.upTo !== 'jumping'}<a {href}>What to change</a>{/if}
	</p>
</li>

<style>
	li {
		display: grid;
		gap: 6px;
		align-content: start;
		border-top: 2px solid var(--rule);
		padding-top: 10px;
	}
	.head {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
	}
	.mono {
		font-family: var(--mono);
		white-space: nowrap;
	}
	.verdict {
		font-weight: 600;
	}
	.bad {
		color: var(--red-ink);
	}
</style>
