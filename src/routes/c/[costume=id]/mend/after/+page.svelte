<script lang="ts">
	/** After it was worn: what held, what hurt, what it took, and what to do otherwise next time. */
	import pluralize from 'pluralize';
	import { hoursWorn } from '$core/answers/holds.ts';
	import { hoursWornFigure } from '$core/explain/health.ts';
	import { zoneWords } from '$core/facts/zone.ts';
	import { holdRateOf } from '$core/trade/holdRate.ts';
	import { formatNumber } from '$core/units/number.ts';
	import BodyFigure from '$lib/ui/BodyFigure.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import NextTimes from './NextTimes.svelte';
	import Took from './Took.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const trade = handbook();
	const hours = $derived(hoursWorn(data.wears));
	const { all, letGo, held } = $derived(data.holding);
	const kg = (grams: number) => `${formatNumber(grams / 1000, 1)} kg`;
</script>

<svelte:head><title>After the event · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if !data.wears.length}
	<Sheet title="After the event">
		<p>
			Nobody has said that it was worn. Say <a href="{base}/mend/holds">when it was worn</a>, and where it
			hurt: then this shows what held, what it took, and what to do otherwise next time.
		</p>
	</Sheet>
{/if}
<div class:two={data.wears.length > 0}>
	{#if data.wears.length}
		<Sheet title="What held, what hurt">
			{#if all}
				<p class="answer" class:bad={letGo.length > 0}>{held.length} of {all} held.</p>
			{/if}
			<p>
				{pluralize('wear', data.wears.length, true)}{#if hours}, <Working
						figure={hoursWornFigure(data.wears)}
						text="{formatNumber(hours, 1)} h"
					/>{/if}
			</p>
			<div class="body">
				<div>
					<ul class="plain">
						{#each letGo as { fault, component, kind, mended } (fault.id)}
							<li>
								<Tag {component} href="{base}/mend" />
								<span
									><b>{fault.symptom}</b>
									<span class="small soft"
										>{kind ? holdRateOf(kind, trade).name : fault.occasion}{mended
											? ', mended'
											: ', to mend'}</span
									></span
								>
							</li>
						{/each}
						{#each data.hurt as { zone, times, components, carried } (zone)}
							<li>
								<span class="zone">{zoneWords(zone)}</span>
								<span
									><b>hurt in {pluralize('wear', times, true)}</b>
									<span class="small soft"
										>{components.map((c) => c.code).join(', ')}{carried
											? `${components.length ? '; ' : ''}carries ${kg(carried.grams)}, of ${kg(carried.limit)} for hours`
											: ''}</span
									></span
								>
							</li>
						{/each}
					</ul>
					{#if !letGo.length}<p>Nothing let go since it was first worn.</p>{/if}
					{#if !data.hurt.length}<p class="small soft">Nobody has said that it hurt anywhere.</p>{/if}
					{#each data.wears.filter((w) => w.note) as w (w.id)}<p class="small">“{w.note}”</p>{/each}
				</div>
				<div class="figure-of">
					<BodyFigure components={data.record.components} chosen={data.hurt.map((h) => h.zone)} />
				</div>
			</div>
		</Sheet>{/if}
	<Took work={data.work} money={data.money} costume={data.record.costume} learned={data.workshop.learned} />
</div>
<NextTimes
	nextTimes={data.nextTimes}
	lessons={data.lessons}
	components={data.record.components}
	others={data.others}
/>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 16px;
		align-items: start;
		margin-bottom: 16px;
	}
	.answer {
		font: 600 var(--s36) / 1.1 var(--head);
		color: var(--good-ink);
	}
	.answer.bad {
		color: var(--red-ink);
	}
	.body {
		--figure-ink: var(--ink-soft);
		display: grid;
		grid-template-columns: minmax(0, 1fr) 200px;
		gap: 16px;
		align-items: start;
	}
	li {
		display: flex;
		gap: 10px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 6px 0;
		min-height: 36px;
	}
	.zone {
		min-width: 72px;
		color: var(--red-ink);
		font-weight: 600;
	}
	li .small {
		display: block;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	@media (max-width: 500px) {
		.body {
			grid-template-columns: minmax(0, 1fr);
		}
		.figure-of {
			max-width: 240px;
		}
	}
</style>
