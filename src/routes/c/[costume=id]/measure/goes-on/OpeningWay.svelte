<script lang="ts">
	/** The way of an opening over the body, measure by measure. */
	import { BODY_MEASURES, definitionOf, measureWords } from '$core/facts/bodyMeasure.ts';
	import { girthFigure, closureFigure } from '$core/explain/fit.ts';
	import type { MeasureSide } from '$core/facts/bodyMeasure.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import Working from '$lib/ui/Working.svelte';
	import type { OpeningCheck, WornRound } from '$core/answers/goesOn.ts';
	import { formatLength } from '$core/units/measure.ts';

	interface Props {
		check: OpeningCheck<WornRound>;
		base: string;
		unit: LengthUnit;
	}
	let { check, base, unit }: Props = $props();
	const length = (mm: number) => formatLength(mm, unit);
	const FIT_WORDS = {
		tight: 'too tight where it sits',
		good: 'sits as it should',
		loose: 'loose where it sits'
	};
	const sideWords = (side: MeasureSide) => (side === 'none' ? '' : `, ${side}`);
</script>

<details>
	<summary class="small">The way, measure by measure</summary>
	{#each check.wearers as w (w.wearer.id)}
		{#each w.results as r (r.side)}
			<div class="way">
				<b class="small">{w.wearer.name}{sideWords(r.side)}</b>
				<ol>
					{#each r.way as g (g.key)}
						<li class:tightest={g.key === r.tightest?.key}>
							{BODY_MEASURES[g.key].name}
							<Working figure={girthFigure(g, unit, r.side)} />
							{#if g.beneath}<span class="small soft">over {length(g.beneath)} worn beneath</span>{/if}
						</li>
					{/each}
				</ol>
				{#if r.unknown.length}
					<p class="small">
						Not measured: {r.unknown
							.map((k) => measureWords(k, definitionOf(k).sided ? r.side : 'none'))
							.join('; ')}. <a href="{base}/measure/take?wearer={w.wearer.id}">Measure</a>
					</p>
				{/if}
				{#if r.seat}
					<p class="small">
						Seat {length(r.seat.girth.mm)}; closed at {length(r.seat.range[0])} to {length(r.seat.range[1])}:
						at
						{length(check.opening.closedMm)} it is <b>{FIT_WORDS[r.seat.fit]}</b>.
					</p>
				{/if}
			</div>
		{/each}
	{/each}
	{#if check.range}
		<p class="small">
			Its closure must cover {length(check.range[0])} to {length(check.range[1])}: <Working
				figure={closureFigure(check.range, unit)}
			/>.
		</p>
	{/if}
</details>

<style>
	summary {
		cursor: pointer;
		min-height: 24px;
	}
	.way {
		margin: 6px 0;
		padding-left: 12px;
		border-left: 2px solid var(--rule);
	}
	.way ol {
		margin: 2px 0;
		padding-left: 20px;
	}
	.tightest {
		font-weight: 600;
	}
	@media (max-width: 700px) {
		summary {
			min-height: 44px;
		}
	}
</style>
