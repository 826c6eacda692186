<script lang="ts">
	/** One rule, what stands before it, and what to change. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import { INSTEAD, isForbidding, partsFor, type RuleCheck, type Verdict } from '$core/answers/door.ts';
	import type { KitItem } from '$core/answers/kit.ts';
	import { longestPart, outerOf, type Luggage } from '$core/answers/packed.ts';
	import { keptHoursFigure } from '$core/explain/light.ts';
	import { longFigure, luggageFigure } from '$core/explain/travel.ts';
	import { namesWords } from '$core/units/names.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { boxWords, kilograms, ruleWords } from '$lib/ui/wear/travelWords.ts';
	import Gauge from './Gauge.svelte';

	interface Props {
		check: RuleCheck;
		luggage: readonly Luggage[];
		/** Of the emergency kit, what the rule forbids. */
		kit: readonly KitItem[];
		unit: LengthUnit;
		onedit: () => void;
		onmeasure: (componentId: number) => void;
	}
	let { check, luggage, kit, unit, onedit, onmeasure }: Props = $props();
	const rule = $derived(check.rule);
	const words = $derived(ruleWords(rule, unit));
	const VERDICT_WORDS: Record<Verdict, string> = {
		passes: 'passes',
		fails: 'does not pass',
		unknown: 'not all measured',
		look: 'look yourself'
	};
	const limit = $derived(rule.limits[0] ?? 0);
	const failing = $derived(check.checks.filter((c) => c.verdict === 'fails'));
	const apart = $derived(check.checks.filter((c) => c.verdict === 'passes' && c.parts > 1));
	const sizeOf = (id: number) => luggage.find((l) => l.component.id === id)?.said.size ?? null;
	const PARTS: Record<number, string> = { 2: 'two halves', 3: 'three parts', 4: 'four parts' };
	const cures = $derived(
		rule.kind !== 'length'
			? []
			: failing.map(({ component }) => {
					const size = sizeOf(component!.id)!;
					const parts = partsFor(size, limit);
					return { component: component!, parts, long: parts && longestPart(size, parts) };
				})
	);
</script>

<section>
	<div class="head">
		<h3>{words}</h3>
		<span class="verdict {check.verdict}">{VERDICT_WORDS[check.verdict]}</span>
		<button class="button quiet small no-print" aria-label="Change the rule: {words}" onclick={onedit}
			><Pencil size={14} /></button
		>
	</div>
	{#if rule.note && rule.kind !== 'other'}<p class="small soft">{rule.note}</p>{/if}
	{#if rule.kind === 'length'}
		{#if check.checks.length}
			<Gauge
				checks={check.checks}
				{limit}
				{luggage}
				figure={(its) => longFigure(its, unit)}
				says={(mm) => formatLength(mm, unit)}
				onedit={onmeasure}
			/>
		{:else}<p class="small soft">No prop yet, and nothing that is measured.</p>{/if}
	{:else if rule.kind === 'weight'}
		<Gauge
			checks={check.checks}
			{limit}
			{luggage}
			figure={luggageFigure}
			says={kilograms}
			onedit={onmeasure}
		/>
	{:else if rule.kind === 'case'}
		<ul class="plain">
			{#each check.checks as { travelCase, verdict } (travelCase!.id)}
				<li class:bad={verdict === 'fails'}>
					{travelCase!.name}: {boxWords(outerOf(travelCase!), unit)} outside{verdict === 'fails'
						? ', larger: a smaller case, or ask where it can stay'
						: ''}
				</li>
			{:else}<li class="soft">No case yet: say under Packing what you travel in.</li>{/each}
		</ul>
	{:else if rule.kind === 'hours'}
		{#each check.checks as { component, verdict, value } (component!.id)}
			{@const circuit = luggage.find((l) => l.component === component)?.said.circuit}
			<p class:bad={verdict === 'fails'}>
				<Tag component={component!} /> lasts
				{#if circuit}<Working
						figure={keptHoursFigure(circuit)}
						text="{formatNumber(value ?? 0, 1)} h"
					/>{/if}{verdict === 'fails' ? ': spare cells, or another row of them' : ''}
			</p>
		{:else}<p class="small soft">Nothing that goes there is lit by a circuit that is kept.</p>{/each}
	{:else if isForbidding(rule.kind)}
		{#each failing as { component } (component!.id)}
			<p><Tag component={component!} /> {INSTEAD[rule.kind]}.</p>
		{:else}{#if !kit.length}<p class="small soft">Nothing that goes there has any.</p>{/if}{/each}
	{/if}
	{#each cures as { component, parts, long } (component.id)}
		<div class="cure">
			<span>
				{#if parts}{component.code} in {PARTS[parts]} of {formatLength(long!, unit)}, with a sleeve and pin
				{:else}{component.code} would need more than four parts: make it shorter{/if}
			</span>
			{#if parts}
				<Act
					command="takeApart"
					hidden={{ componentId: component.id, ruleId: rule.id }}
					look="main"
					label="Make {component.code} in {PARTS[parts]}">Make it in {PARTS[parts]}</Act
				>
			{/if}
		</div>
	{/each}
	{#each apart as { component, parts } (component!.id)}
		<p class="small">
			{component!.code} passes in its {PARTS[parts] ?? `${parts} parts`}. Put together it is
			{formatLength(Math.max(...sizeOf(component!.id)!), unit)}: only where that is allowed.
		</p>
	{/each}
	{#if kit.length}
		<p class="small">
			Of the emergency kit: {namesWords(kit.map((k) => k.name))}. Leave at the cloakroom what is forbidden.
		</p>
	{/if}
</section>

<style>
	section {
		border-top: 1px solid var(--rule);
		padding: 10px 0;
		display: grid;
		gap: 6px;
	}
	.head {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto auto;
		gap: 12px;
		align-items: center;
	}
	h3 {
		margin: 0;
	}
	h3::first-letter {
		text-transform: uppercase;
	}
	.verdict {
		font-weight: 600;
		color: var(--good-ink);
	}
	.verdict.fails,
	.bad {
		color: var(--red-ink);
	}
	.verdict.unknown,
	.verdict.look {
		color: var(--ink-soft);
	}
	.cure {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: center;
		justify-content: space-between;
	}
</style>
