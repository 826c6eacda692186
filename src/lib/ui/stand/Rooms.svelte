<script lang="ts">
	/** What runs into what, what has no room, and what is clear, nearest first. */
	import pluralize from 'pluralize';
	import type { Thing } from '$core/answers/assembled.ts';
	import type { RoomFound } from '$core/answers/rooms.ts';
	import { roomFigure } from '$core/explain/assembled.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import Sheet from '../Sheet.svelte';
	import Working from '../Working.svelte';
	import type { RoomsFound } from './roomsFound.svelte.ts';

	interface Props {
		rooms: RoomsFound;
		unit: LengthUnit;
		nameOf: (thing: Thing) => string;
		onchoose: (thing: Thing) => void;
	}
	let { rooms, unit: typed, nameOf, onchoose }: Props = $props();
	/** Room is told in the small unit. */
	const unit = $derived<LengthUnit>(typed === 'cm' || typed === 'm' ? 'mm' : typed);
	const ORDER = ['into', 'within', 'close', 'clear'] as const;
	/** Of a pair the worse side; where both are alike, one line. */
	const told = $derived.by(() => {
		const first = new Map<string, RoomFound>();
		for (const r of rooms.all ?? []) {
			const key = `${r.upper.shape.id} ${r.lower?.shape.id ?? ''}`;
			if (!first.has(key)) first.set(key, r);
		}
		return [...first.values()];
	});
	const of = (verdict: RoomFound['verdict']) => told.filter((r) => r.verdict === verdict);
	const bad = $derived(of('into').length + of('within').length);
	const lower = (r: RoomFound) => (r.lower ? nameOf(r.lower) : 'the body');
</script>

{#snippet line(r: RoomFound)}
	<li class={r.verdict}>
		<button class="link" type="button" onclick={() => onchoose(r.upper)}>{nameOf(r.upper)}</button>
		{#if r.verdict === 'into'}runs into {lower(r)} by
			<Working figure={roomFigure(r, unit)} text={formatLength(Math.abs(r.room.mm), unit)} />
		{:else if r.verdict === 'within'}lies beneath {lower(r)}, over which it is worn
		{:else if r.room.mm < 0.5}<span class="soft">touches {lower(r)}:</span>
			<Working figure={roomFigure(r, unit)} />
		{:else}
			<span class="soft">over {lower(r)}</span>
			<Working figure={roomFigure(r, unit)} />
		{/if}
	</li>
{/snippet}

<Sheet title="Does it go together?">
	{#if rooms.all === null}
		<p class="soft" role="status">Looking for room between the layers…</p>
	{:else}
		<p class="verdict" class:good={!bad} role="status">
			{#if bad}{pluralize('place', bad, true)} where it does not{:else}Yes: nothing runs into anything{/if}{#if of('close').length},
				{of('close').length} without room{/if}.
		</p>
		<ul class="plain">
			{#each ORDER.slice(0, 3).flatMap(of) as r (`${r.upper.shape.id} ${r.lower?.shape.id}`)}{@render line(
					r
				)}{/each}
		</ul>
		{#if of('clear').length}
			<details>
				<summary>{of('clear').length} with room</summary>
				<ul class="plain">
					{#each of('clear') as r (`${r.upper.shape.id} ${r.lower?.shape.id}`)}{@render line(r)}{/each}
				</ul>
			</details>
		{/if}
		<p class="small soft">
			The nearest place of each over the limb that it stands on, with what is worn beneath, and over every
			other. Flesh gives 5 mm.
		</p>
	{/if}
</Sheet>

<style>
	.verdict {
		font-size: var(--s18);
		font-weight: 600;
		color: var(--red-ink);
		margin: 0 0 8px;
	}
	.verdict.good {
		color: var(--good-ink);
	}
	li {
		border-bottom: 1px solid var(--rule);
		border-left: 4px solid transparent;
		padding: 5px 0 5px 8px;
	}
	li.into,
	li.within {
		border-left-color: var(--red-ink);
	}
	li.close {
		border-left-color: var(--brass);
	}
	.link {
		border: 0;
		background: none;
		padding: 0;
		font: inherit;
		font-weight: 600;
		color: inherit;
		text-decoration: underline;
		cursor: pointer;
	}
	summary {
		padding: 6px 0;
		cursor: pointer;
	}
</style>
