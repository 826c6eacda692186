<script lang="ts">
	/** The odds by the day of ordering, drawn day by day up to the day on which nothing is left, and that day in words. */
	import type { OrderOdds } from '$core/answers/arrivals.ts';
	import { dayWords } from '$core/units/localTime.ts';

	let { odds }: { odds: OrderOdds } = $props();
	const shown = $derived(
		odds.hopeless === null ? odds.shares : odds.shares.slice(0, odds.hopeless - odds.from)
	);
	const kept = $derived(odds.latest - odds.from);
</script>

<span class="strip">
	<svg viewBox="0 0 {shown.length} 1" preserveAspectRatio="none" aria-hidden="true">
		{#each shown as share, k (k)}<rect
				x={k}
				y={1 - share}
				width="0.9"
				height={share}
				class:kept={k <= kept}
			/>{/each}
	</svg>
	{#if odds.hopeless !== null}<span class="small soft">hopeless from {dayWords(odds.hopeless)}</span>{/if}
</span>

<style>
	.strip {
		display: block;
		white-space: nowrap;
	}
	svg {
		display: block;
		width: 120px;
		height: 14px;
		margin: 2px 0;
		border-bottom: 1px solid var(--rule);
	}
	rect {
		fill: var(--pink-ink);
		opacity: 0.55;
	}
	rect.kept {
		fill: var(--good-ink);
		opacity: 1;
	}
</style>
