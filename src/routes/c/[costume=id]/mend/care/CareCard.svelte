<script lang="ts">
	/** One component: how roughly it may be washed, what comes off first, how it is stored, when it is looked at. */
	import Check from '@lucide/svelte/icons/check';
	import Pencil from '@lucide/svelte/icons/pencil';
	import pluralize from 'pluralize';
	import type { Care } from '$core/answers/care.ts';
	import { bearsFigure, driesFigure } from '$core/explain/health.ts';
	import { WASHES, type Store, type Wash } from '$core/trade/care.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		care: Care;
		base: string;
		slower: number;
		today: number;
		onedit: () => void;
	}
	let { care, base, slower, today, onedit }: Props = $props();
	const WASH_WORDS: Record<Wash, string> = {
		dry: 'brushed only',
		wipe: 'wiped',
		hand: 'by hand',
		machine: 'by machine'
	};
	const STORE_WORDS: Record<Store, string> = {
		hung: 'hung',
		flat: 'flat',
		stuffed: 'stuffed, so that it keeps its shape',
		onStand: 'on a stand',
		dark: 'out of the sun',
		apart: 'apart from the rest',
		cellsOut: 'cells out'
	};
	/** Both are asked for by different things of it. */
	const store = $derived(
		care.store.filter((s) => !(s === 'flat' && care.store.includes('hung'))).map((s) => STORE_WORDS[s])
	);
	const level = $derived(care.wash === null ? -1 : WASHES.indexOf(care.wash));
	const isDue = $derived(care.dueOn !== null && care.dueOn <= today);
</script>

<li class="care">
	<div class="head">
		<Tag component={care.component} href="{base}/look/{care.component.id}" />
		<span class="due small" class:bad={isDue}
			>{#if care.dueOn === null}not made yet{:else}look again {dayWords(care.dueOn, 0)}{/if}</span
		>
		<span class="acts no-print">
			{#if care.dueOn !== null}<Act
					command="lookedAfter"
					hidden={{ componentId: care.component.id }}
					look={isDue ? 'main' : 'quiet'}
					label="{care.component.code} was looked after"><Check size={14} /> Looked after</Act
				>{/if}
			<button class="button quiet small" aria-label="How {care.component.code} is kept" onclick={onedit}
				><Pencil size={14} /></button
			>
		</span>
	</div>
	{#if care.wash === null}<p class="soft">
			Nothing is known of what it is made of: say its materials under Look.
		</p>
	{:else}
		<div class="wash">
			<span class="scale" role="img" aria-label="washed {WASH_WORDS[care.wash]}"
				>{#each WASHES as w, i (w)}<span class:is={i === level} class:under={i < level}>{WASH_WORDS[w]}</span
					>{/each}</span
			>
			{#if care.mostC !== null}<span class="mono"
					><Working figure={bearsFigure(care)} text="at most {formatNumber(care.mostC, 0)} °C" /></span
				>{/if}
			{#if care.dryHours}<span class="mono"
					><Working
						figure={driesFigure(care, slower)}
						text="dry in {formatNumber(care.dryHours, 0)} h"
					/></span
				>{/if}
		</div>
		{#if care.offFirst.length}<p><b>Off first:</b> {care.offFirst.join(', ')}</p>{/if}
		<ul class="plain reasons">
			{#each care.reasons as { what, rule } (what)}
				<li>
					<b>{what}</b> <span class="small">{rule.say}</span>{#if rule.danger}
						<span class="small danger">{rule.danger}</span>{/if}
				</li>
			{/each}
		</ul>
		<p class="small">
			<b>Stored</b>
			{[...store, care.kept?.place, care.kept?.note].filter(Boolean).join('; ') || 'as it lies'}.
			{capital(`looked at every ${pluralize('month', care.months, true)}`)}{care.lookedOn === null
				? ''
				: `, last ${dayWords(care.lookedOn, 0)}`}.
		</p>
	{/if}
</li>

<style>
	.care {
		border-top: 2px solid var(--rule);
		padding: 10px 0;
		display: grid;
		gap: 6px;
		break-inside: avoid;
	}
	.head,
	.wash {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 14px;
		align-items: center;
	}
	.due.bad,
	.danger {
		color: var(--red-ink);
		font-weight: 600;
	}
	.acts {
		margin-left: auto;
		display: flex;
		gap: 6px;
		align-items: center;
	}
	.scale {
		display: flex;
		border: 1px solid var(--rule);
	}
	.scale span {
		padding: 3px 9px;
		font-size: var(--s14);
		color: var(--ink-soft);
		background: var(--sheet-shade);
		border-right: 1px solid var(--rule);
		print-color-adjust: exact;
	}
	.scale span:last-child {
		border-right: 0;
	}
	.scale .under {
		background: color-mix(in srgb, var(--brass) 35%, var(--sheet));
		color: var(--ink);
	}
	.scale .is {
		background: var(--brass);
		color: #1c1503;
		font-weight: 600;
	}
	.mono {
		font-family: var(--mono);
	}
	.reasons {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
		gap: 2px 16px;
		align-items: start;
	}
</style>
