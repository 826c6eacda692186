<script lang="ts">
	/** Each join with what pulls on it and how much of what it bears that is; and what usually goes wrong with it. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import { carrying, type Held } from '$core/answers/holding.ts';
	import type { JoinMistake } from '$core/answers/joinMistakes.ts';
	import { fastenerWords, holdsToWords } from '$core/answers/joins.ts';
	import { forceFigure, usedFigure } from '$core/explain/load.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { LoadFactors, Motion } from '$core/facts/wear.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Table from '$lib/ui/Table.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		held: Held;
		motion: Motion;
		components: readonly Component[];
		factors: LoadFactors;
		unit: LengthUnit;
		/** Of each join. */
		mistakes: readonly (readonly JoinMistake[])[];
		onedit: (id: number) => void;
	}
	let { held, motion, components, factors, unit, mistakes, onedit }: Props = $props();
	const trade = $derived(handbook());
	const how = $derived({ factors, trade, unit });
</script>

<Table>
	{#snippet heads()}<th>Join</th><th>Size</th><th>Along its face</th><th>Straight off</th><th>Used</th><th
		></th>{/snippet}
	{#each held.joins as join, i (join.id)}
		{@const at = carrying(held).indexOf(join)}
		{@const load = held.loads?.[motion].joins[at]}
		<tr>
			<td><b>{i + 1}</b> {fastenerWords(join, trade)}, {holdsToWords(join, components)}</td>
			<td class="mono">{formatLength(join.widthMm, unit)} × {formatLength(join.lengthMm, unit)}</td>
			{#if load}
				<td
					><Working
						figure={forceFigure(held, at, 'shear', motion, how)}
						text="{formatNumber(load.shear, 1)} N"
					/></td
				>
				<td
					><Working
						figure={forceFigure(held, at, 'pull', motion, how)}
						text="{formatNumber(load.pull, 1)} N"
					/></td
				>
				<td class:bad={!load.holds}
					><Working
						figure={usedFigure(held, at, motion, how)}
						text="{formatNumber(100 * load.share, 0)} %"
					/></td
				>
			{:else}<td colspan="3" class="soft">{at < 0 ? 'carries nothing' : 'its weight is not known'}</td>{/if}
			<td class="tools">
				<button class="button quiet small" aria-label="Change join {i + 1}" onclick={() => onedit(join.id)}
					><Pencil size={14} /></button
				>
			</td>
		</tr>
	{/each}
</Table>
{#each mistakes as its, i (held.joins[i]!.id)}
	{#each its as { why, instead, bond } (why)}
		<div class="mistake">
			<p><b>Join {i + 1}.</b> {why} <span class="soft">{instead}</span></p>
			{#if bond}<Act command="prepareJoint" hidden={{ componentId: held.component.id, bond }}
					>Prepare it as steps</Act
				>{/if}
		</div>
	{/each}
{/each}

<style>
	.bad {
		color: var(--red-ink);
	}
	.mono {
		font-family: var(--mono);
		white-space: nowrap;
	}
	.tools {
		text-align: right;
	}
	.mistake {
		display: flex;
		gap: 12px;
		align-items: center;
		justify-content: space-between;
		flex-wrap: wrap;
		background: var(--yellow-wash);
		padding: 8px 10px;
		margin-top: 8px;
	}
</style>
