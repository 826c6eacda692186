<script lang="ts">
	/** How much of what is to do has to be done again, as plans count it. */
	import type { Redo } from '$core/answers/redo.ts';
	import { redoFigure } from '$core/explain/health.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		again: readonly Redo[];
	}
	let { again }: Props = $props();
	const WORDS = { coat: 'coats', fit: 'fittings', glue: 'what is glued' };
	const COATS: Readonly<Record<string, string>> = {
		'coat clear': 'coats, a clear one over them',
		'coat painted': 'coats with nothing over them'
	};
	const wordsOf = ({ kind, hold }: Redo) => COATS[hold ?? ''] ?? WORDS[kind];
</script>

<h3>Done again, by the plan</h3>
<ul class="plain">
	{#each again as r (`${r.kind} ${r.hold}`)}
		{@const figure = redoFigure(r, `${wordsOf(r)}: done again`)}
		<li>
			<span>{wordsOf(r)}</span>
			<span class="figure"><Working {figure} text="{formatNumber(100 * r.chance, 1)} %" /></span>
		</li>
	{/each}
</ul>
<p class="small soft">
	Faults of this costume and wears of the others tell how much of what is to do has to be done again; the odds
	of the day count it.
</p>

<style>
	h3 {
		margin: 16px 0 4px;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		border-top: 1px solid var(--rule);
		padding: 6px 0;
	}
</style>
