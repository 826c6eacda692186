<script lang="ts">
	/** Whether one opening goes on, by how much it does not, and what would cure it. */
	import Check from '@lucide/svelte/icons/check';
	import CircleHelp from '@lucide/svelte/icons/circle-help';
	import { BODY_MEASURES } from '$core/facts/bodyMeasure.ts';
	import type { GoesOn } from '$core/engines/body/goesOn.ts';
	import { missingFigure, reachFigure, sitsFigure } from '$core/explain/fit.ts';
	import { formatNumber } from '$core/units/number.ts';
	import type { Wearer, MeasureSide } from '$core/facts/bodyMeasure.ts';
	import { easeOf } from '$core/answers/goesOn.ts';
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import X from '@lucide/svelte/icons/x';
	import { PASSAGES } from '$core/facts/opening.ts';
	import Tag from '$lib/ui/Tag.svelte';
	import { MOST_CLOTH_STRETCH } from '$core/engines/body/goesOn.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import Working from '$lib/ui/Working.svelte';
	import OpeningWay from './OpeningWay.svelte';
	import Pencil from '@lucide/svelte/icons/pencil';
	import type { StoredShape } from '$core/facts/shape.ts';
	import { shaperOf } from '$core/engines/shapers/shapers.ts';
	import type { OpeningCheck, WornRound } from '$core/answers/goesOn.ts';
	import { formatLength } from '$core/units/measure.ts';

	interface Props {
		check: OpeningCheck<WornRound>;
		wearers: readonly Wearer[];
		base: string;
		unit: LengthUnit;
		/** Changes what somebody entered. */
		onedit?: () => void;
		/** What makes it, when nobody entered it. */
		shape?: StoredShape;
	}
	let { check, wearers, base, unit, onedit, shape }: Props = $props();
	const sideWords = (side: MeasureSide) => (side === 'none' ? '' : `, ${side}`);
	/** The worst first: what is missing most, then what cannot be told. */
	const at: { result: GoesOn; name: string } | null = $derived(
		check.wearers
			.flatMap((w) => w.results.map((result) => ({ result, name: w.wearer.name })))
			.sort((a, b) => b.result.missing - a.result.missing)[0] ?? null
	);
	const o = $derived(check.opening);
	const length = (mm: number) => formatLength(mm, unit);
	const EASE_WORDS = {
		rigid: 'rigid: 10 to 25 mm ease',
		woven: 'woven: ease by girth',
		stretch: 'stretch: 5 to 15 % less'
	};
</script>

<li class="check" class:bad={check.passes === false}>
	<div class="line">
		<Tag component={check.component} href="{base}/look/{check.component.id}" />
		<span>{PASSAGES[o.passage].name}</span>
		<span class="verdict">
			{#if check.passes === true && check.sits?.fit === 'tight'}
				<TriangleAlert size={18} aria-hidden="true" /> goes on, but is
				<Working figure={sitsFigure(o.closedMm, check.sits, unit)} /> too tight where it sits
			{:else if check.passes === true}<Check size={18} aria-hidden="true" /> goes on
				{#if check.sits?.fit === 'loose'}<span class="plain"
						>· loose by <Working figure={sitsFigure(o.closedMm, check.sits, unit)} /></span
					>{/if}
			{:else if check.passes === false && at}<X size={18} aria-hidden="true" />
				<Working figure={missingFigure(at.result, unit)} /> short
				<span class="small"
					>at {BODY_MEASURES[at.result.tightest!.key].name}{sideWords(at.result.side)}{wearers.length > 1
						? `, ${at.name}`
						: ''}</span
				>
			{:else}<CircleHelp size={18} aria-hidden="true" /> not told yet{/if}
		</span>
		{#if shape}<a class="small" href="{base}/pattern/{shape.id}"
				>{shape.name || shaperOf(shape.shaper).name}</a
			>{/if}
		{#if onedit}<button
				class="button quiet small"
				aria-label="Edit {PASSAGES[o.passage].name} of {check.component.code}"
				onclick={() => onedit()}><Pencil size={14} /></button
			>{/if}
	</div>
	<p class="small soft">
		closed {length(o.closedMm)}{o.stretchPercent
			? ` + ${formatNumber(o.stretchPercent, 1)} % stretch`
			: ''}{o.openingMm ? ` + ${length(o.openingMm)} opening` : ''} reaches <Working
			figure={reachFigure(o, unit)}
		/>
		{o.split ? '· opens along its whole length' : ''}
		· {EASE_WORDS[easeOf(check.component)]}
		{#if check.component.flex === 'stretch' && o.stretchPercent === 0}
			· <b>a stretch component with 0 % stretch: enter what the cloth gives</b>{/if}
	</p>
	{#if check.passes === false && at?.result.cures}
		{@const cures = at.result.cures}
		<ul class="cures">
			<li>
				<b>More opening:</b>
				{length(cures.opening.more)} more round, or a slit {length(cures.opening.slit)} long from the edge.
			</li>
			{#if easeOf(check.component) !== 'rigid'}<li>
					<b>Stretch:</b>
					{#if cures.stretch.would}cloth that gives {formatNumber(Math.ceil(cures.stretch.percent), 0)} % would
						do.
					{:else}would need {formatNumber(Math.ceil(cures.stretch.percent), 0)} %, more than the {MOST_CLOTH_STRETCH}
						% cloth gives.{/if}
				</li>{/if}
			<li>
				<b>Split:</b> open it along its whole length and close it with a zip, lacing or buckles.
			</li>
		</ul>
	{/if}
	<OpeningWay {check} {base} {unit} />
</li>

<style>
	.check {
		padding: 8px 0 8px 10px;
		border-bottom: 1px solid var(--rule);
		border-left: 4px solid transparent;
	}
	.check.bad {
		border-left-color: var(--red-ink);
	}
	.line {
		display: flex;
		gap: 4px 12px;
		align-items: center;
		flex-wrap: wrap;
	}
	.verdict {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		margin-left: auto;
		font-weight: 600;
		flex-wrap: wrap;
	}
	.plain {
		font-weight: 400;
		display: inline-flex;
		gap: 4px;
		white-space: nowrap;
	}
	.bad .verdict {
		color: var(--red-ink);
	}
	.cures {
		margin: 6px 0;
		padding-left: 18px;
	}
	@media (max-width: 700px) {
		.verdict {
			margin-left: 0;
		}
	}
</style>
