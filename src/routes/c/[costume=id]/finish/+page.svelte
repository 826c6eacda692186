<script lang="ts">
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Check from '@lucide/svelte/icons/check';
	import { inOrder } from '$core/facts/order.ts';
	import type { Step } from '$core/facts/step.ts';
	import { nextCoat } from '$core/answers/nextCoat.ts';
	import type { Component } from '$core/facts/component.ts';
	import { formatArea } from '$core/units/measure.ts';
	import { formatLocalTime, timeWords } from '$core/units/localTime.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import CoatStack from '$lib/ui/coats/CoatStack.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Drying from '$lib/ui/Drying.svelte';
	import { runningClock } from '$lib/ui/runningClock.svelte.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { coatName, coatTotalFigure } from '$core/explain/coating.ts';
	import type { PageData } from './$types';
	import Air from './Air.svelte';
	import Sprays from './Sprays.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Table from '$lib/ui/Table.svelte';

	let { data }: { data: PageData } = $props();
	const clock = runningClock(() => data.now);
	const base = $derived(`/c/${data.record.costume.id}`);
	const settings = $derived(data.workshop.settings);
	const trade = $derived(handbook());
	const withCoats = $derived(
		data.record.components.filter((c) => data.record.coats.some((k) => k.componentId === c.id))
	);
	const without = $derived(
		data.record.components.filter(
			(c) => !withCoats.includes(c) && (c.kind === 'armor' || c.kind === 'prop') && c.source === 'make'
		)
	);

	function standing(component: Component): { words: string; next: Step | null } {
		const coat = nextCoat(inOrder(data.record.steps, component.id), data.workshop, data.now);
		if (coat.state === 'allOn') return { words: 'all coats on', next: null };
		if (coat.state === 'behind') return { words: `after “${coat.before.name}”`, next: null };
		const { next } = coat;
		if (coat.state === 'notBefore')
			return { words: `${next.name}: not before ${timeWords(coat.from)}`, next };
		if (coat.state === 'open')
			return {
				words: `${next.name}: may go on now${coat.until ? `, until ${timeWords(coat.until)}` : ''}`,
				next
			};
		const again = Number.isFinite(coat.from)
			? `again from ${timeWords(coat.from)}`
			: 'scuff when fully cured';
		return { words: `${next.name}: window closed, ${again}`, next };
	}
	let logging = $state<{ id: number; name: string } | null>(null);
</script>

<svelte:head><title>Finish · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title={data.drying.length ? 'Do not touch' : 'Drying'}>
	{#snippet tools()}{#if data.drying.length}<a class="button small" href="{base}/finish/labels">Labels</a
			>{/if}{/snippet}
	{#if data.drying.length}<Drying drying={data.drying} now={clock.now} {base} />{/if}
	<Air {settings} now={data.now} />
</Sheet>
<Sprays sessions={data.sprays} {base} />

<Sheet title="Packs over the whole costume">
	{#if data.packs.length}
		<Table>
			{#snippet heads()}<th>Product</th><th class="number">Area × coats × copies</th><th class="number covers"
					>One pack covers</th
				><th class="number">Packs</th>{/snippet}
			{#each data.packs as need (`${need.product} ${need.material?.id}`)}
				<tr>
					<td>{coatName(need.product, need.material, trade)}</td>
					<td class="number">{formatArea(need.coatedMm2, settings.lengthUnit)}</td>
					<td class="number soft covers">{formatArea(need.coversMm2, settings.lengthUnit)}</td>
					<td class="number"
						><b><Working figure={coatTotalFigure(need, trade)} text={String(need.packs)} /></b></td
					>
				</tr>
			{/each}
		</Table>
		<p class="small soft foot">
			Outside area, rounded up once per colour; what is in the stash counts under Buy.
		</p>
	{:else}
		<p class="soft">
			No coats planned. A stack says what goes on, how often and how long between; each coat becomes a step.
		</p>
		{#if !data.record.components.length}<p class="foot">
				<a class="button main" href="{base}/look">Break the look into components</a>
			</p>{/if}
	{/if}
</Sheet>

{#each withCoats as component (component.id)}
	{@const state = standing(component)}
	<Sheet>
		<div class="head">
			<Tag {component} href="{base}/look/{component.id}" />
			<span class="state">{state.words}</span>
			{#if state.next}
				{@const next = state.next}
				<button
					class="button small"
					onclick={() => (logging = { id: next.id, name: `${component.code} ${next.name}` })}
					><Check size={14} /> Log this coat</button
				>
			{/if}
		</div>
		<CoatStack
			{component}
			record={data.record}
			{settings}
			materials={data.workshop.materials}
			now={data.now}
		/>
	</Sheet>
{/each}

{#if without.length}
	<Sheet title="Without coats">
		{#each without as component (component.id)}
			<div class="bare">
				<Tag {component} href="{base}/look/{component.id}" />
				<CoatStack
					{component}
					record={data.record}
					{settings}
					materials={data.workshop.materials}
					now={data.now}
				/>
			</div>
		{/each}
	</Sheet>
{/if}
<Caution keys={['solvent', 'dust']} />

<Dialog
	bind:open={
		() => logging !== null,
		(open) => {
			if (!open) logging = null;
		}
	}
	title="Coat on: {logging?.name ?? ''}"
>
	{#if logging}
		<Form command="finishStep" id={logging.id} onDone={() => (logging = null)} label="Log a coat">
			<Field name="at" label="It was on at" type="datetime-local" value={formatLocalTime(data.now)} />
			<p class="foot"><Tick name="anyway" label="It went on anyway" /></p>
			<Submit>Log the coat</Submit>
		</Form>
	{/if}
</Dialog>

<style>
	@media (max-width: 700px) {
		.covers {
			display: none;
		}
	}
	.head {
		display: flex;
		gap: 8px 16px;
		align-items: center;
		flex-wrap: wrap;
		margin-bottom: 8px;
	}
	.state {
		flex: 1;
		font-weight: 600;
	}
	.foot {
		margin-top: 10px;
	}
	.bare {
		display: flex;
		gap: 12px;
		align-items: baseline;
		flex-wrap: wrap;
		padding: 4px 0;
	}
</style>
