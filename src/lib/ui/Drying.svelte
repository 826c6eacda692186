<script lang="ts">
	/** What must not be touched yet, for how long, and what goes on then. */
	import Hourglass from '@lucide/svelte/icons/hourglass';
	import type { Drying } from '$core/answers/today.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { timeWords, type LocalMinutes } from '$core/units/localTime.ts';
	import Tag from './Tag.svelte';

	interface Props {
		drying: readonly Drying[];
		/** As the clock runs on. */
		now: LocalMinutes;
		base: string;
	}
	let { drying, now, base }: Props = $props();
</script>

<ul class="plain">
	{#each drying as d (d.step.id)}
		<li>
			<Hourglass size={16} aria-hidden="true" />
			<Tag component={d.component} href="{base}/look/{d.component.id}" />
			<span>{d.step.name}</span>
			<b class="figure"
				>{d.until > now ? `${formatWait(d.until - now)} more, until` : 'dry since'} {timeWords(d.until)}</b
			>
			{#if d.next}<span class="small soft">then {d.next.name}</span>{/if}
		</li>
	{/each}
</ul>

<style>
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 12px;
		align-items: center;
		padding: 4px 0;
	}
</style>
