<script lang="ts">
	/** A recipe as it came out on a scrap: wet and dry, how many coats covered, and whether it is used. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import X from '@lucide/svelte/icons/x';
	import { driedWords, nearestWanted } from '$core/answers/recipe.ts';
	import { differenceWords } from '$core/engines/colour/difference.ts';
	import { hexOf } from '$core/engines/colour/lab.ts';
	import { differenceFigure } from '$core/explain/colour.ts';
	import type { Swatch } from '$core/facts/swatch.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { SURFACES } from '$core/trade/surface.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import ChoosePhoto from '$lib/ui/ChoosePhoto.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import SwatchFields from './SwatchFields.svelte';
	import { VERDICT_WORDS } from './verdicts.ts';

	interface Props {
		swatch: Swatch;
		data: PageData;
		trade: Catalogue;
		/** What tells what its recipe says now from what it said. */
		says: number;
	}
	let { swatch, data, trade, says }: Props = $props();
	const paint = $derived(data.paints.find((m) => m.id === swatch.materialId));
	const photos = $derived(data.record.photos.filter((p) => p.swatchId === swatch.id).reverse());
	const on = $derived(data.record.components.filter((c) => c.swatchId === swatch.id));
	const near = $derived(nearestWanted(swatch, data.record.palette));
	const name = $derived(
		`${trade.recipe[swatch.recipe]?.name ?? swatch.recipe}, ${paint?.name ?? 'no paint'}`
	);
	let editing = $state(false);
</script>

<article aria-label="Swatch: {name}" data-verdict={swatch.verdict}>
	<div class="pictures">
		{#each photos as photo (photo.id)}
			<figure>
				<a href="/picture/{photo.hash}" target="_blank" rel="noopener"
					><img src="/picture/{photo.hash}?side=256" alt="{name}, {photo.caption}" loading="lazy" /></a
				>
				<figcaption class="small">
					{photo.caption}<Act
						command="removePhoto"
						id={photo.id}
						look="quiet"
						label="Remove the photo: {photo.caption}"><X size={12} /></Act
					>
				</figcaption>
			</figure>
		{/each}
		{#each ['wet', 'dry'] as const as when (when)}
			{#if swatch[when] && !photos.some((p) => p.caption === when)}<figure>
					<span class="chip" style:background={hexOf(swatch[when])}></span>
					<figcaption class="small">{when}</figcaption>
				</figure>{/if}
		{/each}
	</div>
	<div class="body">
		<p><b>{VERDICT_WORDS[swatch.verdict]}</b></p>
		<p>
			{#if swatch.coatsToCover !== null}<b>{swatch.coatsToCover}</b>
				{swatch.coatsToCover === 1 ? 'coat covers' : 'coats cover'}{/if}{#if paint}{swatch.coatsToCover !==
				null
					? ', '
					: ''}{paint.name}{/if}
		</p>
		<p class="small soft">
			{dayWords(swatch.madeOn)}{swatch.surface ? `, on ${SURFACES[swatch.surface].name}` : ''}{driedWords(
				swatch
			)
				? `, ${driedWords(swatch)}`
				: ''}{swatch.recipeVersion !== says ? ', of an earlier version' : ''}
		</p>
		{#if near}<p class="small">
				<Working
					figure={differenceFigure(
						`${near.colour.name} and its swatch`,
						[near.colour.lab, 'the palette'],
						[swatch.dry!, 'the swatch, dry']
					)}
					text={formatNumber(near.difference, 1)}
				/> from {near.colour.name}: {differenceWords(near.difference)}
			</p>{/if}
		{#if swatch.note}<p class="small">{swatch.note}</p>{/if}
		{#if on.length}<p class="tags">
				Goes by it {#each on as component (component.id)}<Tag {component} short />{/each}
			</p>{/if}
		<div class="tools no-print">
			{#each ['wet', 'dry'] as const as when (when)}
				{#if !photos.some((p) => p.caption === when)}
					<Form
						command="addPhoto"
						hidden={{
							swatchId: swatch.id,
							caption: when,
							componentId: null,
							stepId: null,
							faultId: null,
							fittingId: null
						}}
						upload
						reset
						label="Photo, {when}"><ChoosePhoto label="Photo, {when}" /></Form
					>
				{/if}
			{/each}
			<button class="button small quiet" aria-label="Edit the swatch: {name}" onclick={() => (editing = true)}
				><Pencil size={14} /></button
			>
			<Act command="removeSwatch" id={swatch.id} look="quiet" label="Remove the swatch: {name}"
				><X size={14} /></Act
			>
		</div>
	</div>
</article>

<Dialog bind:open={editing} title="Swatch: {name}">
	<Form
		command="editSwatch"
		id={swatch.id}
		version={swatch.version}
		hidden={{ recipe: swatch.recipe }}
		onDone={() => (editing = false)}
		label="Swatch"
	>
		<SwatchFields {swatch} paints={data.paints} now={data.now} />
		<Submit>Save</Submit>
	</Form>
</Dialog>

<style>
	article {
		border: 1px solid var(--rule);
		border-left: 4px solid var(--ink-soft);
	}
	[data-verdict='use'] {
		border-left-color: var(--good-ink);
	}
	[data-verdict='no'] {
		border-left-color: var(--red-ink);
	}
	.pictures {
		display: grid;
		grid-auto-flow: column;
		grid-auto-columns: 1fr;
	}
	figure {
		margin: 0;
	}
	img,
	.chip {
		display: block;
		width: 100%;
		height: 84px;
		object-fit: cover;
	}
	figcaption {
		display: flex;
		align-items: center;
		justify-content: space-between;
		min-height: 24px;
		padding: 0 0 0 10px;
		color: var(--ink-soft);
	}
	.body {
		display: grid;
		gap: 4px;
		padding: 6px 10px 8px;
	}
	.tags,
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
	}
</style>
