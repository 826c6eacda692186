<script lang="ts">
	/** The newest measures, over what they were taken, and by how much they changed since it was built. */
	import { definitionOf, BODY_MEASURES, MEASURE_KEYS, latest, OVERS } from '$core/facts/bodyMeasure.ts';
	import type { Wearer, BodyMeasure, MeasureKey } from '$core/facts/bodyMeasure.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		wearer: Wearer;
		/** The day whose measures the costume was built for. */
		builtOn: number | null;
		length: (mm: number) => string;
		onshow: (measure: MeasureKey) => void;
	}
	let { wearer, builtOn, length, onshow }: Props = $props();
	/** Rows of the table: what was ever measured of it, over each thing it was taken over. */
	const rows = $derived(
		MEASURE_KEYS.flatMap((key) =>
			OVERS.flatMap((over) => {
				const sides = definitionOf(key).sided ? (['left', 'right'] as const) : (['none'] as const);
				const now = sides.map((side) => latest(wearer.measures, key, side, { over }));
				if (now.every((m) => m === null)) return [];
				const built = sides.map((side) =>
					builtOn !== null ? latest(wearer.measures, key, side, { over, asOf: builtOn }) : null
				);
				return [{ key, over, sides, now, built }];
			})
		)
	);
	const changeOf = (now: BodyMeasure | null, built: BodyMeasure | null) =>
		now && built && now.id !== built.id ? now.mm - built.mm : null;
	const signed = (mm: number) => `${mm > 0 ? '+' : '−'}${length(Math.abs(mm))}`;
</script>

<Table>
	{#snippet heads()}<th>Measure</th><th>Over</th><th class="number">Whole or left</th><th class="number"
			>Right</th
		><th>Taken</th>{#if builtOn !== null}<th class="number">Since built</th>{/if}{/snippet}
	{#each rows as row (`${row.key} ${row.over}`)}
		{@const days = [...new Set(row.now.flatMap((m) => m?.takenOn ?? []))]}
		<tr>
			<td
				><button class="name" onclick={() => onshow(row.key)}>{BODY_MEASURES[row.key].name}</button>
				{#if BODY_MEASURES[row.key].ofTrade}<span class="own" title="the trade’s own, not in ISO 8559-1"
						>own</span
					>{/if}</td
			>
			<td class="small">{row.over}</td>
			{#each row.now as m, i (row.sides[i])}
				<td class="number">{m ? length(m.mm) : '–'}</td>
			{/each}
			{#if row.sides.length === 1}<td></td>{/if}
			<td class="small soft">{days.map((d) => dayWords(d)).join(', ')}</td>
			{#if builtOn !== null}
				<td class="number">
					{#each row.now as m, i (row.sides[i])}
						{@const change = changeOf(m, row.built[i]!)}
						{#if change !== null}<span class:large={Math.abs(change) >= 10}
								>{row.sides[i] === 'none' ? '' : row.sides[i] === 'left' ? 'L ' : 'R '}{signed(change)}</span
							>{/if}
					{/each}
				</td>
			{/if}
		</tr>
	{/each}
</Table>

<style>
	.name {
		border: 0;
		padding: 0;
		background: none;
		text-align: left;
		cursor: pointer;
		text-decoration: underline dotted var(--ink-soft) 1px;
		text-underline-offset: 0.2em;
	}
	.own {
		font-size: var(--s13);
		color: var(--ink-soft);
	}
	.large {
		color: var(--pink-ink);
		font-weight: 600;
	}
	td {
		padding: 4px 8px;
	}
	@media (max-width: 700px) {
		.name {
			min-height: 44px;
			display: inline-flex;
			align-items: center;
		}
	}
</style>
