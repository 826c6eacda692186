<script lang="ts">
	/** What will be missing when its step needs it: late ones first, each with what could stand in for it. */
	import Replace from '@lucide/svelte/icons/replace';
	import type { OrderBy } from '$core/answers/arrivals.ts';
	import type { LocalMinutes } from '$core/units/localTime.ts';
	import { comesWords } from './comesWords.ts';

	interface Props {
		orders: readonly OrderBy[];
		now: LocalMinutes;
		/** Of a material. */
		onreplace: (material: number) => void;
	}
	let { orders, now, onreplace }: Props = $props();
</script>

<ul class="plain">
	{#each orders as o (o.material.id)}
		<li>
			<span
				><b>{o.material.name}</b>
				{comesWords(o, now)}</span
			>
			<button
				class="button small"
				onclick={() => onreplace(o.material.id)}
				aria-label="What could stand in for {o.material.name}, which cannot come"
				><Replace size={14} /> What could stand in</button
			>
		</li>
	{/each}
</ul>

<style>
	li {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: center;
		gap: 4px 12px;
		padding: 4px 0 4px 10px;
		border-left: 4px solid var(--red-ink);
		margin-bottom: 6px;
	}
</style>
