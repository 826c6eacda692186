<script lang="ts">
	/** Left against right, part by part, as shares of what each bears for hours. */
	import type { Carried, CarriedAll } from '$core/answers/carried.ts';
	import { BEARERS, type Bearer } from '$core/facts/wear.ts';
	import { borneFigure } from '$core/explain/travel.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Working from '$lib/ui/Working.svelte';
	import { BEARER_WORDS, bearerWords } from '$lib/ui/wear/bearerWords.ts';

	let { carried }: { carried: CarriedAll } = $props();
	const of = (bearer: Bearer, side: Carried['side']) =>
		carried.parts.find((p) => p.bearer === bearer && p.side === side);
	const rows = $derived(
		BEARERS.filter((b) => carried.parts.some((p) => p.bearer === b)).map((bearer) => ({
			bearer,
			limit: carried.parts.find((p) => p.bearer === bearer)!.limit,
			middle: of(bearer, null),
			right: of(bearer, 'right'),
			left: of(bearer, 'left')
		}))
	);
	/** Of a bar’s room, where the limit stands. */
	const AT_LIMIT = 66;
	const wide = (p: Pick<Carried, 'grams' | 'limit'>) => Math.min(100, (AT_LIMIT * p.grams) / p.limit);
</script>

{#snippet figure(part: Carried)}
	<span class="value" class:over={part.grams > part.limit}
		><Working
			figure={borneFigure(part, `${capital(bearerWords(part.bearer, part.side))} carries`)}
			text="{formatNumber(part.grams, 0)} g"
		/></span
	>
{/snippet}
{#snippet bar(part: Carried | undefined, way: 'left' | 'right')}
	<div class="side {way}">
		{#if part}
			<span class="room" aria-hidden="true">
				<i class:over={part.grams > part.limit} style:width="{wide(part)}%"></i>
				<span class="limit"></span>
			</span>
			{@render figure(part)}
		{:else}<span class="room empty"></span><span class="value soft">0 g</span>{/if}
	</div>
{/snippet}

<div class="heads small soft" aria-hidden="true">
	<span>the wearer’s right</span><span>borne for hours</span><span>left</span>
</div>
<ul class="plain">
	{#each rows as { bearer, limit, middle, right, left } (bearer)}
		<li>
			{#if middle}
				<div class="side middle">
					<span class="room" aria-hidden="true">
						<i class:over={middle.grams > middle.limit} style:width="{wide(middle)}%"></i>
						<span class="limit"></span>
					</span>
					{@render figure(middle)}
				</div>
			{:else}{@render bar(right, 'right')}{/if}
			<span class="name"
				><b>{capital(BEARER_WORDS[bearer])}</b><span class="soft">{formatNumber(limit, 0)} g</span></span
			>
			{#if !middle}{@render bar(left, 'left')}{/if}
		</li>
	{/each}
	{#if carried.shoulders.grams > 0}
		<li class="both small soft">
			Both shoulders together {formatNumber(carried.shoulders.grams, 0)} g, of {formatNumber(
				carried.shoulders.limit,
				0
			)} g.
		</li>
	{/if}
</ul>

<style>
	.heads,
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 132px minmax(0, 1fr);
		gap: 12px;
		align-items: center;
	}
	.heads {
		text-align: center;
	}
	.heads span:first-child {
		text-align: right;
	}
	.heads span:last-child {
		text-align: left;
	}
	li {
		padding: 6px 0;
		border-top: 1px solid var(--rule);
	}
	li.both {
		display: block;
		text-align: center;
	}
	.name {
		display: grid;
		text-align: center;
		order: 1;
		line-height: 1.25;
	}
	.side {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 84px;
		gap: 8px;
		align-items: center;
	}
	.side.right {
		grid-template-columns: 84px minmax(0, 1fr);
		order: 0;
	}
	.side.right .room {
		order: 1;
		direction: rtl;
	}
	.side.left {
		order: 2;
	}
	.side.middle {
		order: 2;
		grid-column: 3;
	}
	.side.middle + .name {
		grid-column: 2;
		grid-row: 1;
	}
	.room {
		position: relative;
		display: block;
		height: 16px;
		background: var(--sheet-shade);
		border: 1px solid var(--rule);
	}
	.room.empty {
		background: none;
	}
	i {
		print-color-adjust: exact;
		display: block;
		height: 100%;
		background: var(--good-ink);
	}
	i.over {
		background: var(--red-ink);
	}
	.limit {
		position: absolute;
		inset: -3px auto -3px 66%;
		border-left: 2px solid var(--ink);
	}
	.right .limit {
		inset: -3px 66% -3px auto;
	}
	.value {
		font-family: var(--mono);
		text-align: right;
		white-space: nowrap;
	}
	.value.over {
		color: var(--red-ink);
		font-weight: 600;
	}
	@media (max-width: 700px) {
		.heads,
		li {
			grid-template-columns: minmax(0, 1fr) 76px minmax(0, 1fr);
			gap: 6px;
		}
		.side,
		.side.right {
			grid-template-columns: minmax(0, 1fr);
			gap: 2px;
		}
		.side.right .room {
			order: 0;
		}
		.side.left .value,
		.side.middle .value {
			text-align: left;
		}
		.name {
			font-size: var(--s13);
		}
	}
</style>
