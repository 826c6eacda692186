<script lang="ts">
	/** One component: what holds it, how much that bears, and how far it goes. */
	import pluralize from 'pluralize';
	import type { Held } from '$core/answers/holding.ts';
	import { fastenerWords } from '$core/answers/joins.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import { carriedFigure } from '$core/explain/load.ts';
	import Working from '$lib/ui/Working.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import { holdWords } from '$lib/ui/wear/holdWords.ts';
	import LoadBars from '$lib/ui/wear/LoadBars.svelte';

	let { held, mistakes, base }: { held: Held; mistakes: number; base: string } = $props();
	const trade = $derived(handbook());
	const href = $derived(`${base}/wear/${held.component.id}`);
	const names = $derived(held.joins.map((j) => fastenerWords(j, trade)).join(', '));
</script>

<li>
	<div class="head">
		<Tag component={held.component} {href} />
		<span class="mono"
			>{#if held.grams === null}? g{:else}<Working
					figure={carriedFigure(held)}
					text="{formatNumber(held.grams, 0)} g"
				/>{/if}</span
		>
	</div>
	<p class="verdict" class:bad={held.upTo !== null && held.upTo !== 'jumping'}>
		{holdWords(held)}
	</p>
	<LoadBars {held} />
	{#if mistakes}<p class="mistakes small">
			<a {href}>{pluralize('usual mistake', mistakes, true)}</a> to look at
		</p>{/if}
	<p class="small soft">
		{names}{held.hung.length ? `; with ${held.hung.map((h) => h.component.code).join(', ')} on it` : ''}.
		<a {href}>{held.loads && held.upTo !== 'jumping' ? 'What to change' : 'Its joins and weight'}</a>
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
	.mistakes {
		background: var(--yellow-wash);
		padding: 4px 8px;
	}
	.bad {
		color: var(--red-ink);
	}
</style>
