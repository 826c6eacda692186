<script lang="ts">
	/** What to settle next, from station to station, until nothing is guessed. */
	import ArrowRight from '@lucide/svelte/icons/arrow-right';
	import pluralize from 'pluralize';
	import { page } from '$app/state';
	import type { Settle } from '$core/answers/settle.ts';
	import type { Component } from '$core/facts/component.ts';
	import { STATIONS } from '$lib/stations.ts';
	import { settleLink, STATION_OF } from './settleWords.ts';

	interface Props {
		settle: readonly Settle[];
		components: readonly Component[];
		wearer: string;
		base: string;
	}
	let { settle, components, wearer, base }: Props = $props();
	const here = $derived(STATIONS.find((s) => page.url.pathname.startsWith(`${base}/${s.path}`))?.path);
	/** At the station where one is, else the first in the order of work. */
	const next = $derived(settle.find((s) => STATION_OF[s.kind] === here) ?? settle[0]);
	const link = $derived(next && settleLink(next, components, wearer, base));
	const elsewhere = $derived(
		STATIONS.flatMap(({ path, name }) => {
			const its = settle.filter((s) => STATION_OF[s.kind] === path && s !== next);
			return its.length
				? [
						{
							name,
							figures: its.reduce((sum, s) => sum + s.figures, 0),
							...settleLink(its[0]!, components, wearer, base)
						}
					]
				: [];
		})
	);
</script>

{#if next && link}
	<nav class="settle no-print" aria-label="To settle next">
		<a class="next" href={link.href}><ArrowRight size={14} aria-hidden="true" /> {link.words}</a>
		<span class="stands"
			>{pluralize('figure', next.figures, true)} {next.figures === 1 ? 'stands' : 'stand'} on it</span
		>
		{#if elsewhere.length}
			<span class="then"
				>then
				{#each elsewhere as e (e.name)}<a href={e.href} title={e.words}>{e.name} <b>{e.figures}</b></a
					>{/each}</span
			>
		{/if}
	</nav>
{/if}

<style>
	.settle {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
		align-items: baseline;
		padding: 6px 10px;
		border: 1px dashed var(--mat-line);
		color: var(--on-mat-soft);
		font-size: var(--s13);
	}
	.settle a {
		color: var(--on-mat);
	}
	.next {
		display: inline-flex;
		gap: 6px;
		align-items: center;
		font-weight: 600;
	}
	.then {
		display: inline-flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		margin-left: auto;
	}
	.then b {
		font-family: var(--mono);
	}
	@media (max-width: 700px) {
		.settle a {
			min-height: 44px;
			display: inline-flex;
			gap: 6px;
			align-items: center;
		}
		.then,
		.stands {
			display: none;
		}
	}
</style>
