<script lang="ts">
	/** Where a shape closes round the body: what does not go on is told while it is drawn. */
	import type { OpeningCheck, WornRound } from '$core/answers/goesOn.ts';
	import { missingFigure } from '$core/explain/fit.ts';
	import { measureWords } from '$core/facts/bodyMeasure.ts';
	import { PASSAGES } from '$core/facts/opening.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import Notice from '../Notice.svelte';
	import Working from '../Working.svelte';

	interface Props {
		checks: readonly OpeningCheck<WornRound>[];
		base: string;
		unit: LengthUnit;
	}
	let { checks, base, unit }: Props = $props();
	const failing = $derived(
		checks.flatMap((check) =>
			check.passes === false
				? [
						{
							check,
							worst: check.wearers.flatMap((w) => w.results).reduce((a, b) => (b.missing > a.missing ? b : a))
						}
					]
				: []
		)
	);
</script>

{#each failing as { check, worst } (check.opening.passage)}
	<Notice bad>
		It does not go on: closed at {formatLength(check.opening.closedMm, unit)} ({PASSAGES[
			check.opening.passage
		].name}), and on its way is the {measureWords(worst.tightest!.key, worst.side)}: <Working
			figure={missingFigure(worst, unit)}
		/> short. Leave a gap to lace or strap, or see
		<a href="{base}/measure/goes-on">Does it go on?</a>
	</Notice>
{/each}
