<script lang="ts">
	/** Lent or sold: what another wearer would need done, as if, before anything is said. */
	import Printer from '@lucide/svelte/icons/printer';
	import type { FittingFor, ForOther } from '$core/answers/otherWearer.ts';
	import { otherMinutesFigure, otherMoneyFigure } from '$core/explain/otherWearer.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { definitionOf } from '$core/facts/bodyMeasure.ts';
	import { fastenerWords } from '$core/answers/joins.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { formatMoney } from '$core/units/money.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const { currency } = $derived(data.record.costume);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const trade = handbook();
	const HOW: Record<FittingFor, string> = {
		asItIs: 'fits as it is',
		moved: 'what holds it is moved',
		takenIn: 'taken in',
		letOut: 'let out',
		rebuilt: 'rebuilt',
		unknown: 'not known: try it on'
	};
	const minutes = $derived(otherMinutesFigure(data.parts));
	const money = $derived(otherMoneyFigure(data.parts, currency));
	const unpriced = $derived(data.parts.some((p) => p.minor === null));
	const needed = $derived(data.parts.filter((p) => p.how !== 'asItIs' && p.how !== 'unknown'));
	const said = ({ pieces, moved, missing }: ForOther) =>
		[
			...pieces.map(
				(p) =>
					`${p.name}: ${p.was ? `${p.was.map((mm) => formatLength(mm, unit)).join(' × ')} → ` : ''}${p.now
						.map((mm) => formatLength(mm, unit))
						.join(' × ')}`
			),
			...moved.map(
				({ join, measure, byMm }) =>
					`${fastenerWords(join, trade)}: ${definitionOf(measure).name} ${formatLength(Math.abs(byMm), unit)} ${byMm > 0 ? 'more' : 'less'}`
			),
			...(missing.length ? [`to be measured: ${missing.map((k) => definitionOf(k).name).join(', ')}`] : [])
		] as string[];
</script>

<svelte:head><title>Another wearer · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Another wearer">
	{#snippet tools()}<button class="button small" onclick={() => print()}><Printer size={14} /> Print</button
		>{/snippet}
	{#if data.others.length}
		<p class="who no-print" role="group" aria-label="Who would wear it">
			{#each data.others as o (o.id)}<a
					class="button small"
					href="?for={o.id}"
					aria-current={o.id === data.other?.id}>{o.name}</a
				>{/each}
		</p>
	{:else}
		<p>
			There is nobody else yet: add a wearer with their measures under
			<a href="{base}/measure">Measure</a>, before you lend or sell it.
		</p>
	{/if}
	{#if data.other}
		<p class="answer">
			{#if needed.length}{data.other.name}: <Working
					figure={minutes}
					text={formatDuration(valueOf(minutes))}
				/>{#if valueOf(money)}
					and <Working figure={money} text={formatMoney(valueOf(money), currency)} />{/if}
			{:else}{data.other.name} can wear it as it is, as far as is known.{/if}
		</p>
		<p class="small soft">
			Built for {data.now ?? 'nobody yet'}. Cloth is let out by 2 cm a piece at most; what is of foam or hard
			is made anew where it is another size. Nothing is changed: to make it so, let the pieces follow
			{data.other.name} under <a href="{base}/measure">Measure</a>.{#if unpriced}
				Some prices are not known.{/if}
		</p>
		<ul class="plain">
			{#each data.parts as part (part.component.id)}
				<li>
					<span><Tag component={part.component} href="{base}/look/{part.component.id}" /></span>
					<span class="how" class:hard={part.how === 'rebuilt'} class:soft={part.how === 'unknown'}
						>{HOW[part.how]}{part.missing.length && part.how !== 'unknown'
							? ', as far as is measured'
							: ''}</span
					>
					<span class="mono"
						>{part.minutes ? formatDuration(part.minutes) : ''}{part.minor
							? `, ${formatMoney(part.minor, currency)}`
							: ''}</span
					>
					{#each said(part) as text (text)}<span class="small soft said">{text}</span>{/each}
				</li>
			{/each}
		</ul>
	{:else if data.others.length}
		<p>Choose who would wear it: this shows what would be let out, moved or rebuilt, in hours and money.</p>
	{/if}
</Sheet>

<style>
	.who {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.who [aria-current='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	.answer {
		font: 600 var(--s36) / 1.1 var(--head);
	}
	.answer :global(button) {
		font: inherit;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1.6fr) 160px;
		gap: 2px 14px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 7px 0;
		break-inside: avoid;
	}
	.how {
		font-weight: 600;
	}
	.how.hard {
		color: var(--red-ink);
	}
	.how.soft {
		font-weight: 400;
		color: var(--ink-soft);
	}
	.said {
		grid-column: 2 / -1;
	}
	.mono {
		font-family: var(--mono);
		text-align: right;
	}
	@media (max-width: 600px) {
		li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.how {
			grid-row: 2;
		}
		.said {
			grid-column: 1 / -1;
		}
	}
</style>
