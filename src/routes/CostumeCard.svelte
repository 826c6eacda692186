<script lang="ts">
	/** A costume on the shelf: how long until its event, whether it will be ready, what comes next. */
	import { of100 } from '$core/units/number.ts';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import Copy from '@lucide/svelte/icons/copy';
	import type { PageData } from './$types';
	import Archive from '@lucide/svelte/icons/archive';
	import {
		daysWords,
		guessedWords,
		isTroubled,
		ODDS_COMING,
		oddsWords,
		OUTLOOK_WORDS,
		spareWords
	} from '$lib/ui/words.ts';
	import { dayWords, dayOf } from '$core/units/localTime.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { moneyDigits, formatMoney } from '$core/units/money.ts';
	import FileDown from '@lucide/svelte/icons/file-down';
	import { valueOf } from '$core/explain/figure.ts';
	import Act from '$lib/ui/Act.svelte';
	import BodyFigure from '$lib/ui/BodyFigure.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		card: PageData['cards'][number];
		/** Costumes whose event is on the same day, in the order in which they are given hours; it is one of them. */
		sameDay: readonly { id: number; name: string }[];
		/** Share of builds ready in time: null where there are none, undefined while they are simulated. */
		ready: number | null | undefined;
		/** This year, which need not be said. */
		year: number;
		oncopy: () => void;
	}
	let { card, ready, sameDay, year, oncopy }: Props = $props();
	const turn = $derived(sameDay.findIndex((c) => c.id === card.costume.id));
	/** The same costumes, this one a place earlier. */
	const earlier = $derived.by(() => {
		const ids = sameDay.map((c) => c.id);
		[ids[turn - 1], ids[turn]] = [ids[turn]!, ids[turn - 1]!];
		return ids.join(' ');
	});
</script>

<article class="card" aria-label={card.costume.name}>
	<span class="hole" aria-hidden="true"></span>
	<div class="look" aria-hidden="true">
		<BodyFigure components={card.components} progress={card.progress} front />
		{#if card.picture}<img src="/picture/{card.picture}?side=256" alt="" loading="lazy" />{/if}
	</div>
	<div class="who">
		<h2><a href="/c/{card.costume.id}/bench">{card.costume.name}</a></h2>
		<p class="soft">
			{[card.costume.wearer && `for ${card.costume.wearer}`, card.costume.eventName]
				.filter(Boolean)
				.join(' · ')}
		</p>
		{#if card.costume.demoAction !== null}<div class="row">
				<span class="stage">demo</span>
				<Act command="takeDemoAway" id={card.costume.id} look="quiet">Take it away</Act>
			</div>{/if}
		{#if card.stage}<p>
				<span class="stage" class:broken={card.stage === 'broken'}>{card.stage}</span>
			</p>{/if}
	</div>
	<div class="when">
		<Working figure={card.days} text={daysWords(valueOf(card.days))} big />
		<p class="soft">{dayWords(dayOf(card.costume.eventAt), year)}</p>
	</div>
	<div class="odds">
		{#if isTroubled(card.outlook) || ready === null}
			<p class:bad={isTroubled(card.outlook)}><b>{OUTLOOK_WORDS[card.outlook]}</b></p>
		{:else if ready === undefined}<p role="status">{ODDS_COMING}</p>
		{:else}<p class:bad={ready * 100 < card.costume.targetOdds}>
				<b>{oddsWords(ready, card.costume.targetOdds)}</b>
			</p>{/if}
		{#if ready != null}<p class="figure">{of100(ready)}</p>{/if}
		{#if card.finish !== null}<p class="soft figure">{spareWords(card.spareMinutes)}</p>{/if}
		{#if turn > 0}<div class="small soft turn">
				Hours go to {sameDay[turn - 1]!.name} first, on the same day.
				<Act
					command="orderHours"
					hidden={{ ids: earlier }}
					look="quiet"
					label="Hours to {card.costume.name} before {sameDay[turn - 1]!.name}"
					><ArrowUp size={14} /> This one first</Act
				>
			</div>{/if}
	</div>
	<dl>
		<div>
			<dt>Work left</dt>
			<dd>
				<Working figure={card.hours} text={formatDuration(valueOf(card.hours))} />
				{#if card.guessedMinutes}<span class="small soft">{guessedWords(card.guessedMinutes)}</span>{/if}
			</dd>
		</div>
		<div>
			<dt>Spent</dt>
			<dd class="figure">
				{card.costume.limitMinor === null
					? formatMoney(card.spentMinor, card.costume.currency)
					: `${moneyDigits(card.spentMinor, card.costume.currency)} of ${formatMoney(card.costume.limitMinor, card.costume.currency)}`}
			</dd>
		</div>
		<div>
			<dt>Will cost</dt>
			<dd class:over={card.costume.limitMinor !== null && card.totalMinor > card.costume.limitMinor}>
				<Working figure={card.spend} />
				{#if card.costGuessed}<span class="small soft">partly guessed</span>{/if}
				{#if card.unpriced}<span class="small soft"
						>and {card.unpriced === 1 ? 'something' : `${card.unpriced} things`} without a price</span
					>{/if}
			</dd>
		</div>
	</dl>
	<div class="next">
		{#if card.next}
			<p>
				Next: <a href="/c/{card.costume.id}/bench"><b>{card.next}</b></a>
				<span class="soft figure">{formatDuration(card.nextMinutes ?? 0)}</span>
			</p>
		{:else if card.components.length === 0}<p>
				Next: <a href="/c/{card.costume.id}/look"><b>break the look into components</b></a>
			</p>
		{:else if card.drying}<p>Next: wait, {card.drying} drying</p>
		{:else}<p class="soft">Nothing to do now</p>{/if}
		<div class="row tools">
			<button class="button small quiet" onclick={oncopy}><Copy size={14} /> Copy</button>
			<a class="button small quiet" href="/c/{card.costume.id}/out/costume" download
				><FileDown size={14} /> File</a
			>
			<Act command="archiveCostume" id={card.costume.id} look="quiet" label="Archive {card.costume.name}"
				><Archive size={14} /> Archive</Act
			>
		</div>
	</div>
</article>

<style>
	.card {
		position: relative;
		display: grid;
		grid-template-columns: auto minmax(180px, 1.2fr) 150px minmax(150px, 1fr) minmax(240px, 1fr);
		gap: 8px 24px;
		background: var(--sheet);
		padding: 16px 16px 8px 48px;
		clip-path: polygon(20px 0, 100% 0, 100% 100%, 20px 100%, 0 calc(100% - 20px), 0 20px);
	}
	.hole {
		position: absolute;
		left: 14px;
		top: calc(50% - 9px);
		width: 18px;
		height: 18px;
		border-radius: 50%;
		background: var(--mat);
		box-shadow: 0 0 0 3px var(--brass);
	}
	.look {
		--figure-ink: transparent;
		--figure-line: var(--ink);
		--figure-ground: var(--sheet);
		display: grid;
		grid-auto-flow: column;
		grid-template-columns: 58px;
		gap: 8px;
		align-items: center;
		pointer-events: none;
	}
	.look :global(svg) {
		max-height: 120px;
	}
	.look img {
		width: 84px;
		height: 112px;
		object-fit: cover;
		background: var(--sheet-shade);
	}
	.who a {
		text-decoration: none;
	}
	.who a:hover {
		text-decoration: underline;
	}
	.who h2 {
		font-size: 1.25rem;
	}
	.stage {
		background: var(--sheet-shade);
		border: 1px solid var(--rule);
		padding: 0 8px;
		font-size: var(--s13);
		font-weight: 600;
	}
	.stage.broken {
		background: var(--red-wash);
		color: var(--red-ink);
		border-color: currentcolor;
	}
	.bad,
	.over {
		color: var(--red-ink);
	}
	dl {
		margin: 0;
		display: grid;
		gap: 2px;
		align-content: start;
	}
	dl div {
		display: grid;
		grid-template-columns: 76px 1fr;
		gap: 8px;
	}
	dt {
		color: var(--ink-soft);
		font-size: var(--s13);
	}
	dd {
		margin: 0;
	}
	.next {
		grid-column: 1 / -1;
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
		flex-wrap: wrap;
		border-top: 1px dashed var(--rule);
		padding-top: 6px;
	}
	.tools {
		gap: 0;
	}
	@media (max-width: 900px) {
		.card {
			grid-template-columns: auto minmax(0, 1fr) auto;
		}
		.look img {
			display: none;
		}
		.when {
			text-align: right;
		}
		.odds,
		dl {
			grid-column: 1 / -1;
		}
	}
	@media (max-width: 700px) {
		.card {
			grid-template-columns: auto minmax(0, 1fr);
			padding-left: 40px;
		}
		.look {
			grid-row: span 2;
		}
		.when {
			text-align: left;
		}
		.hole {
			left: 10px;
		}
	}
</style>
