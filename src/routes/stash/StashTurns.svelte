<script lang="ts">
	/** Which costume is promised the stash first. */
	import type { PageData } from './$types';
	import Sheet from '$lib/ui/Sheet.svelte';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import { dayWords, dayOf } from '$core/units/localTime.ts';
	import Act from '$lib/ui/Act.svelte';

	interface Props {
		turns: PageData['turns'];
		/** Set by the maker; else by event. */
		own: boolean;
	}
	let { turns, own }: Props = $props();
	/** The costumes in another order: one of them a place up or down. */
	const moved = (i: number, by: -1 | 1) => {
		const ids = turns.map((c) => c.id);
		[ids[i], ids[i + by]] = [ids[i + by]!, ids[i]!];
		return ids.join(' ');
	};
</script>

<Sheet title="Who is promised the stash first">
	{#snippet tools()}
		{#if own}<Act command="orderStash" hidden={{ ids: '' }}>By event again</Act>{/if}
	{/snippet}
	<ol class="turns">
		{#each turns as c, i (c.id)}
			<li>
				<a href="/c/{c.id}/buy">{c.name}</a>
				<span class="small soft">{dayWords(dayOf(c.eventAt))}</span>
				<span class="move">
					<Act
						command="orderStash"
						hidden={{ ids: i > 0 ? moved(i, -1) : '' }}
						look="quiet"
						label="{c.name} earlier"
						disabled={i === 0}><ArrowUp size={14} /></Act
					>
					<Act
						command="orderStash"
						hidden={{ ids: i < turns.length - 1 ? moved(i, 1) : '' }}
						look="quiet"
						label="{c.name} later"
						disabled={i === turns.length - 1}><ArrowDown size={14} /></Act
					>
				</span>
			</li>
		{/each}
	</ol>
	<p class="small soft end">
		What is owned is counted on once: by each costume in its turn, {own
			? 'as you have set it'
			: 'the earliest event first'}. What is promised to one is short for the next.
	</p>
</Sheet>

<style>
	.turns {
		margin: 0;
		padding-left: 1.5em;
	}
	.turns li {
		padding: 2px 0;
	}
	.move {
		margin-left: 8px;
		white-space: nowrap;
	}
</style>
