<script lang="ts">
	/** How often what it is held by lets go, and when it was worn. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import pluralize from 'pluralize';
	import { hoursWorn } from '$core/answers/holds.ts';
	import { holdFigure, hoursWornFigure } from '$core/explain/health.ts';
	import { OCCASIONS } from '$core/facts/fault.ts';
	import type { WearLog } from '$core/facts/health.ts';
	import { ZONES, zoneWords } from '$core/facts/zone.ts';
	import { holdRateOf } from '$core/trade/holdRate.ts';
	import { dayOf, dayWords, formatDate } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Choices from '$lib/ui/Choices.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Working from '$lib/ui/Working.svelte';
	import DoneAgain from './DoneAgain.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const trade = handbook();
	let adding = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(data.wears.find((w) => w.id === editing));
	const hours = $derived(hoursWorn(data.wears));
	/** Faults in ten wears at the right end of the bars. */
	const most = $derived(Math.max(1, ...data.learned.map((l) => l.sure[1])));
	const at = (value: number) => `${(100 * value) / most}%`;
	const n = (value: number) => formatNumber(value, value < 1 ? 2 : 1);
	const wayOf = (id: number | null) => data.variants.find((v) => v.id === id)?.name;
</script>

<svelte:head><title>How long it holds · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#snippet fields(w: WearLog | undefined)}
	<div class="fields">
		<Field name="wornOn" label="Day" type="date" value={formatDate(w?.wornOn ?? dayOf(data.now))} />
		<Field name="hours" label="Hours worn" value={w?.hours ?? ''} inputmode="decimal" suffix="h" />
		<Field
			name="occasion"
			label="When"
			options={OCCASIONS.filter((o) => o === 'event' || o === 'test wear')}
			value={w?.occasion ?? 'event'}
		/>
		{#if data.variants.length}<Field
				name="variantId"
				label="Worn as"
				options={data.variants.map((v) => ({ value: v.id, label: v.name }))}
				none="all of it"
				value={w?.variantId ?? ''}
			/>{/if}
		<Field name="note" label="What held, what let go" value={w?.note ?? ''} wide />
		<Choices
			legend="Where it hurt"
			name="hurts"
			options={ZONES.map((value) => ({ value, label: zoneWords(value) }))}
			chosen={w?.hurts ?? []}
			framed
		/>
	</div>
{/snippet}

<div class="two">
	<Sheet title="How long does it hold?">
		{#if data.learned.length}
			{@const worst = data.learned[0]!}
			<p class="answer">
				{holdRateOf(worst.kind, trade).name}: {n(worst.now)} in ten wears.
			</p>
			<ul class="plain rates">
				{#each data.learned as l (l.kind)}
					{@const name = holdRateOf(l.kind, trade).name}
					<li>
						<span>{name}</span>
						<span class="bar" aria-hidden="true">
							<span class="sure" style:left={at(l.sure[0])} style:width={at(l.sure[1] - l.sure[0])}></span>
							<span class="now" style:left={at(l.now)}></span>
						</span>
						<span class="mono"><Working figure={holdFigure(l, name)} text={n(l.now)} /></span>
						<span class="small soft"
							>{n(l.sure[0])} to {n(l.sure[1])}; {l.faults} in {pluralize('wear', l.wears, true)}</span
						>
					</li>
				{/each}
			</ul>
			<p class="small soft">
				Faults in ten wears, of all costumes that were worn; nine times in ten between the ends of the bar. It
				begins with values from memory, and the log pulls them.
			</p>
		{:else}
			<p>Nothing is known that could let go yet.</p>
		{/if}
		{#if data.again.length}<DoneAgain again={data.again} />{/if}
	</Sheet>
	<Sheet title="Worn">
		{#snippet tools()}<button class="button main small" data-add onclick={() => (adding = true)}
				><Plus size={14} /> Wear</button
			>{/snippet}
		{#if data.wears.length}
			<p class="answer">
				{pluralize('wear', data.wears.length, true)}{#if hours}, <Working
						figure={hoursWornFigure(data.wears)}
						text="{formatNumber(hours, 1)} h"
					/>{/if}
			</p>
			<ul class="plain">
				{#each data.wears as w (w.id)}
					<li class="wear">
						<span
							><b>{dayWords(w.wornOn)}</b>
							<span class="small soft"
								>{[w.occasion, wayOf(w.variantId), w.hours === null ? '' : `${formatNumber(w.hours, 1)} h`]
									.filter(Boolean)
									.join(', ')}</span
							>
							{#if w.hurts.length}<span class="small">hurt: {w.hurts.map(zoneWords).join(', ')}</span>{/if}
							{#if w.note}<span class="note">{w.note}</span>{/if}</span
						>
						<button
							class="button quiet small no-print"
							aria-label="Change the wear of {dayWords(w.wornOn)}"
							onclick={() => (editing = w.id)}><Pencil size={14} /></button
						>
					</li>
				{/each}
			</ul>
		{:else}
			<p>Say when it was worn, and how long: faults then tell how often a thing lets go.</p>
		{/if}
	</Sheet>
</div>

<Dialog bind:open={adding} title="Worn">
	<Form command="addWear" label="Worn" onDone={() => (adding = false)}>
		{@render fields(undefined)}
		<Submit>Add it</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Worn">
	{#if edited}
		<Form
			command="editWear"
			id={edited.id}
			version={edited.version}
			label="Worn"
			onDone={() => (editing = null)}
		>
			{@render fields(edited)}
			<Submit>Save</Submit>
		</Form>
		<Act command="removeWear" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
		gap: 16px;
		align-items: start;
	}
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		margin-bottom: 8px;
	}
	.answer :global(button) {
		font: inherit;
	}
	.answer::first-letter {
		text-transform: uppercase;
	}
	.rates li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(80px, 1fr) 52px;
		gap: 2px 12px;
		align-items: center;
		border-top: 1px solid var(--rule);
		padding: 6px 0;
	}
	.rates .small {
		grid-column: 1 / -1;
	}
	.bar {
		position: relative;
		height: 14px;
		background: var(--sheet-shade);
		print-color-adjust: exact;
	}
	.sure {
		position: absolute;
		inset: 4px auto 4px 0;
		background: var(--brass);
		print-color-adjust: exact;
	}
	.now {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 3px;
		margin-left: -1px;
		background: var(--ink);
		print-color-adjust: exact;
	}
	.mono {
		font-family: var(--mono);
		text-align: right;
	}
	.wear {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		align-items: center;
		min-height: 40px;
		border-top: 1px solid var(--rule);
	}
	.note {
		display: block;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
