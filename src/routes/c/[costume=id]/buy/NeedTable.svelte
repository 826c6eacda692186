<script lang="ts">
	/** What is needed of each material, what covers it, and how many packs are short. */
	import { formatNumber } from '$core/units/number.ts';
	import { WEAVE_OF_FAMILY } from '$core/trade/weave.ts';
	import type { Component } from '$core/facts/component.ts';
	import Weave from '$lib/ui/Weave.svelte';
	import { packsFigure, takesFigure } from '$core/explain/money.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import GuessMark from '$lib/ui/GuessMark.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { ShoppingLine } from '$core/answers/shopping.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		lines: readonly ShoppingLine[];
		components: readonly Component[];
	}
	let { lines, components }: Props = $props();
	/** Which components ask for it, each with what it takes. */
	const takers = ({ usages }: ShoppingLine) =>
		components.flatMap((c) => {
			const its = usages.filter((u) => u.componentId === c.id);
			return its.length ? [[c, its] as const] : [];
		});
</script>

<Table>
	{#snippet heads()}<th>Material, and what for</th><th class="number">Needed</th><th class="number besides"
			>Promised of the stash</th
		><th class="number besides">Bought</th><th class="number">Packs short</th><th class="number besides"
			>Over</th
		>{/snippet}
	{#each lines as line (line.material.id)}
		<tr class:short={line.packsShort > 0}>
			<td
				><Weave weave={WEAVE_OF_FAMILY[line.material.family] ?? 'plain'} />
				{line.material.name}
				<span class="small soft for"
					>{#each takers(line) as [component, usages] (component.id)}<span
							><Working figure={takesFigure(usages, line.material, handbook())} text={component.code} /></span
						>{/each}</span
				></td
			>
			<td class="number"
				>{formatNumber(line.needed, 2)}
				{line.material.unit}{#if line.taken > 0}<br /><span class="small soft"
						>of it {formatNumber(line.taken, 2)} used</span
					>{/if}
				{#if line.guessed}<br /><GuessMark />{/if}</td
			>
			<td class="number besides">{formatNumber(line.stash, 2)}</td>
			<td class="number besides">{formatNumber(line.bought, 2)}</td>
			<td class="number"><Working figure={packsFigure(line)} text={String(line.packsShort)} /></td>
			<td class="number soft besides">{formatNumber(line.over, 2)}</td>
		</tr>
	{/each}
</Table>

<style>
	.for {
		display: block;
		white-space: normal;
	}
	.for span {
		display: inline-block;
		margin-right: 8px;
	}
	/* The working of the packs says these too. */
	@media (max-width: 640px) {
		.besides {
			display: none;
		}
		th,
		td {
			white-space: normal;
			padding-inline: 5px;
		}
	}
	tr.short td:first-child {
		box-shadow: inset 4px 0 0 var(--pink-ink);
		padding-left: 12px;
	}
</style>
