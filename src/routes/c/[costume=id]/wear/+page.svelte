<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import type { Zone } from '$core/facts/zone.ts';
	import { mistakesOf } from '$core/answers/joinMistakes.ts';
	import { carrying, holdings } from '$core/answers/holding.ts';
	import { bothSides, fastenerWords, holdsToWords } from '$core/answers/joins.ts';
	import BesideFigure from '$lib/ui/BesideFigure.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import JoinFields from '$lib/ui/wear/JoinFields.svelte';
	import type { PageData } from './$types';
	import HeldCard from './HeldCard.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const trade = $derived(handbook());
	const { settings } = $derived(data.workshop);
	const components = $derived(data.components);
	const held = $derived(holdings(components, data.wear, data.weights, settings.loadFactors, trade));
	let zone = $state<Zone | null>(null);
	const shown = $derived(held.filter((h) => zone === null || h.component.zones.includes(zone)));
	const failing = $derived(held.filter((h) => h.upTo !== null && h.upTo !== 'jumping'));
	const unknown = $derived(held.filter((h) => h.upTo === null && carrying(h).length > 0));
	const without = $derived(
		inLedgerOrder(components)
			.map(({ item }) => item)
			.filter((c) => !held.some((h) => h.component.id === c.id))
	);
	const stitches = $derived(
		held.flatMap((h) =>
			h.joins.flatMap((join) => {
				if (join.zone === null) return [];
				const load = h.loads?.jumping;
				const at = carrying(h).indexOf(join);
				const holds = !load || at < 0 || (!load.tips && load.joins[at]!.holds);
				const says = `${h.component.code}: ${fastenerWords(join, trade)}, ${holdsToWords(join, components)}`;
				return bothSides(join.zone, h.component).map((zone) => ({ zone, holds, says }));
			})
		)
	);
	let adding = $state<number | null>(null);
	const isAdding = $derived(adding !== null);
	const added = $derived(components.find((c) => c.id === adding));
</script>

<svelte:head><title>Wear · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<BesideFigure
	{components}
	progress={{}}
	bind:zone
	looked={null}
	{stitches}
	legend="Stitches are what holds it; red ones let go when jumping."
>
	<div class="side">
		<Sheet title="Does it stay on?">
			{#if held.length}
				<p class="answer" class:bad={failing.length > 0}>
					{#if failing.length}{failing.length} of {held.length}
						{failing.length === 1 ? 'lets' : 'let'} go when jumping.
					{:else if unknown.length}{held.length - unknown.length} of {held.length} hold; of {unknown.length} the
						weight is not known.
					{:else}Everything holds when jumping.{/if}
				</p>
				<p class="small soft">
					What pulls on each join by its place, of what it bears. What fasteners bear is
					<a href="/stash/handbook?table=fastener">from the handbook</a>, and a test of your own decides: hang
					a bag of that weight on it. Where people bump, rather let it let go than tear.
				</p>
			{:else}
				<p>
					Nothing holds anything yet. Say of a component what holds it: then this says whether it stays on,
					its fasteners are needs under Buy, and setting them is work in the plan.
				</p>
			{/if}
			<ul class="cards plain">
				{#each shown as h (h.component.id)}<HeldCard
						held={h}
						mistakes={h.joins.flatMap((j) =>
							mistakesOf(j, h.component, data.record, data.workshop.materials, trade)
						).length}
						{base}
					/>{/each}
			</ul>
		</Sheet>
		{#if without.length}
			<Sheet title="Held by nothing yet">
				<p class="row">
					{#each without as c (c.id)}
						<button
							class="pick"
							title="Say what holds {c.code}"
							aria-label="Say what holds {c.code} {c.name}"
							onclick={() => (adding = c.id)}><Tag component={c} /><Plus size={14} /></button
						>
					{/each}
				</p>
				<p class="small soft">What lies on the body by itself needs nothing.</p>
			</Sheet>
		{/if}
	</div>
</BesideFigure>

<Dialog
	bind:open={() => isAdding, (open) => (adding = open ? adding : null)}
	title="What holds {added?.code} {added?.name}"
>
	{#if added}
		<Form
			command="addJoin"
			hidden={{ componentId: added.id }}
			label="What holds it"
			onDone={() => (adding = null)}
		>
			<JoinFields component={added} {components} unit={settings.lengthUnit} />
			<Submit>Add it</Submit>
		</Form>
	{/if}
</Dialog>

<style>
	.side {
		display: grid;
		gap: 16px;
		min-width: 0;
	}
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
	}
	.answer.bad {
		color: var(--red-ink);
	}
	.cards {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 330px), 1fr));
		gap: 20px 32px;
		margin-top: 16px;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.pick {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		background: none;
		border: 0;
		padding: 0;
		cursor: pointer;
		color: var(--ink);
		min-height: 32px;
	}
</style>
