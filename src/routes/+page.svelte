<script lang="ts">
	import Archive from '@lucide/svelte/icons/archive';
	import Copy from '@lucide/svelte/icons/copy';
	import FileDown from '@lucide/svelte/icons/file-down';
	import FileUp from '@lucide/svelte/icons/file-up';
	import Plus from '@lucide/svelte/icons/plus';
	import { goto } from '$app/navigation';
	import { DAY, dayOf, dayWords, formatLocalTime } from '$core/units/localTime.ts';
	import { formatMoney, moneyDigits, CURRENCIES } from '$core/units/money.ts';
	import { formatDuration, formatHours } from '$core/units/duration.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { daysWords, isTroubled, OUTLOOK_WORDS, spareWords } from '$lib/ui/words.ts';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';

	let { data }: { data: PageData } = $props();
	let adding = $state(false);
	let importing = $state(false);
	let copying = $state<{ id: number; name: string } | null>(null);
	const year = $derived(new Date(data.now * 60000).getUTCFullYear());
	const inSixWeeks = $derived(formatLocalTime((dayOf(data.now) + 42) * DAY + 9 * 60));
	const open = (result: unknown) => goto(`/c/${(result as { id: number }).id}/look`);
</script>

<svelte:head><title>Shelf · Dapper Ledger</title></svelte:head>
<main id="main">
	<div class="bar on-mat">
		<h1>Shelf</h1>
		<div class="row">
			<button class="button" onclick={() => (importing = true)}
				><FileUp size={16} /> Read a costume file</button
			>
			<button class="button main" data-add onclick={() => (adding = true)}
				><Plus size={16} /> New costume</button
			>
		</div>
	</div>
	{#each data.cards as card (card.costume.id)}
		{@const days = valueOf(card.days)}
		<article class="card" aria-label={card.costume.name}>
			<span class="hole" aria-hidden="true"></span>
			<div class="who">
				<h2><a href="/c/{card.costume.id}/bench">{card.costume.name}</a></h2>
				<p class="soft">
					{[card.costume.wearer && `for ${card.costume.wearer}`, card.costume.eventName]
						.filter(Boolean)
						.join(' · ')}
				</p>
				{#if card.stage}<p>
						<span class="stage" class:broken={card.stage === 'broken'}>{card.stage}</span>
					</p>{/if}
			</div>
			<div class="when">
				<Working figure={card.days} text={daysWords(days)} big />
				<p class="soft">{dayWords(dayOf(card.costume.eventAt), year)}</p>
			</div>
			<div class="odds">
				<p class:bad={isTroubled(card.outlook)}><b>{OUTLOOK_WORDS[card.outlook]}</b></p>
				{#if card.finish !== null}<p class="soft figure">{spareWords(card.spareMinutes)}</p>{/if}
			</div>
			<dl>
				<div>
					<dt>Work left</dt>
					<dd><Working figure={card.hours} text={formatHours(valueOf(card.hours))} /></dd>
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
				{:else if card.components === 0}<p>
						Next: <a href="/c/{card.costume.id}/look"><b>break the look into components</b></a>
					</p>
				{:else if card.drying}<p>Next: wait, {card.drying} drying</p>
				{:else}<p class="soft">Nothing to do now</p>{/if}
				<div class="row tools">
					<button
						class="button small quiet"
						onclick={() => (copying = { id: card.costume.id, name: card.costume.name })}
						><Copy size={14} /> Copy</button
					>
					<a class="button small quiet" href="/c/{card.costume.id}/out/costume" download
						><FileDown size={14} /> File</a
					>
					<Act command="archiveCostume" id={card.costume.id} look="quiet" label="Archive {card.costume.name}"
						><Archive size={14} /> Archive</Act
					>
				</div>
			</div>
		</article>
	{:else}
		<Sheet title="Nothing on the shelf yet">
			<p>
				A costume is one character for one wearer and its event. Give it a name and the day it has to be
				ready; then break it into what is put on, carried or repaired as one thing.
			</p>
			<p class="begin">
				<button class="button main" onclick={() => (adding = true)}
					><Plus size={16} /> Begin the first costume</button
				>
			</p>
		</Sheet>
	{/each}
	{#if data.archived.length}
		<Sheet title="Archive" level={2}>
			<ul class="archive">
				{#each data.archived as c (c.id)}
					<li>
						<a href="/c/{c.id}/look"><b>{c.name}</b></a>
						<span class="soft">{c.wearer && `for ${c.wearer}, `}{dayWords(dayOf(c.eventAt), year)}</span>
						<span class="row">
							<Act command="restoreCostume" id={c.id}>Restore</Act>
							<Act command="removeCostume" id={c.id} look="quiet">Remove</Act>
						</span>
					</li>
				{/each}
			</ul>
		</Sheet>
	{/if}
</main>

<Dialog bind:open={adding} title="New costume">
	<Form command="addCostume" onDone={open} label="New costume">
		<div class="fields">
			<Field name="name" label="Name" required wide />
			<Field name="wearer" label="Wearer" />
			<Field name="eventName" label="Event" />
			<Field name="eventAt" label="Event begins" type="datetime-local" value={inSixWeeks} required wide />
			<Field name="limit" label="Limit of cost" inputmode="decimal" hint="Empty for no limit" />
			<Field name="currency" label="Currency" options={CURRENCIES} value={data.settings.currency} />
		</div>
		<Submit>Add costume</Submit>
	</Form>
</Dialog>

<Dialog bind:open={importing} title="Read a costume file">
	<Form command="importCostume" upload onDone={open} label="Read a costume file">
		<Field name="file" label="Costume file (.dapper.zip)" type="file" accept=".zip,application/zip" />
		<Submit>Read it</Submit>
	</Form>
</Dialog>

<Dialog
	bind:open={
		() => copying !== null,
		(open) => {
			if (!open) copying = null;
		}
	}
	title="Copy {copying?.name}"
>
	{#if copying}
		<Form command="copyCostume" id={copying.id} onDone={open} label="Copy costume">
			<p class="soft">
				The breakdown, steps, coats and needs, to make again. Nothing done, logged or bought comes along.
			</p>
			<div class="fields">
				<Field name="name" label="Name" value="{copying.name}, again" required wide />
				<Field name="eventAt" label="Event begins" type="datetime-local" value={inSixWeeks} required wide />
			</div>
			<p class="end row">
				<button class="button main">Copy</button>
				<button type="button" class="button quiet" onclick={() => (copying = null)}>Leave</button>
			</p>
		</Form>
	{/if}
</Dialog>

<style>
	main {
		max-width: 1240px;
		margin: 0 auto;
		padding: 16px 16px 64px;
		display: grid;
		gap: 12px;
	}
	.bar {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
		flex-wrap: wrap;
		color: var(--on-mat);
	}
	.bar :global(.button:not(.main)) {
		background: none;
		color: var(--on-mat);
		border-color: var(--on-mat-soft);
	}
	.bar :global(.button.main) {
		background: var(--brass);
		color: #1c1503;
		border-color: var(--brass);
	}
	.card {
		position: relative;
		display: grid;
		grid-template-columns: minmax(200px, 1.2fr) 150px minmax(150px, 1fr) minmax(240px, 1fr);
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
	.begin {
		margin-top: 16px;
	}
	.archive {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	.archive li {
		display: flex;
		gap: 12px;
		align-items: center;
		flex-wrap: wrap;
		padding: 4px 0;
	}
	@media (max-width: 900px) {
		.card {
			grid-template-columns: 1fr auto;
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
		main {
			padding: 8px 8px 48px;
		}
		.card {
			padding-left: 40px;
		}
		.hole {
			left: 10px;
		}
	}
</style>
