<script lang="ts">
	/** One colour of the palette: how it looks, who has it, what comes near it. */
	import Blend from '@lucide/svelte/icons/blend';
	import Pencil from '@lucide/svelte/icons/pencil';
	import X from '@lucide/svelte/icons/x';
	import { mixLab, nearestOwned } from '$core/answers/palette.ts';
	import { nearestSwatches } from '$core/answers/recipe.ts';
	import { differenceWords } from '$core/engines/colour/difference.ts';
	import { formatLab, hexOf, isShown } from '$core/engines/colour/lab.ts';
	import { differenceUnder, LIGHTS } from '$core/engines/colour/light.ts';
	import { differenceFigure } from '$core/explain/colour.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import type { PaletteColour } from '$core/facts/palette.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { dayWords } from '$core/units/localTime.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import ColourFields from './ColourFields.svelte';
	import Drops from './Drops.svelte';
	import MixDialog from './MixDialog.svelte';
	import type { PageData } from './$types';

	interface Props {
		colour: PaletteColour;
		data: Pick<PageData, 'record' | 'looking' | 'dried'>;
		trade: Catalogue;
	}
	let { colour, data, trade }: Props = $props();
	const NEAR = 3;
	const materials = $derived(data.looking);
	const parts = $derived(data.record.components.filter((c) => colour.componentIds.includes(c.id)));
	const near = $derived(nearestOwned(colour.lab, materials, NEAR));
	/** Dry, and no other colour. */
	const tried = $derived(nearestSwatches(colour.lab, data.record.swatches));
	const mixed = $derived(mixLab(colour.mix, materials));
	const mixFigure = $derived(
		mixed && differenceFigure(`${colour.name}, mixed`, [colour.lab, 'the palette'], [mixed, 'by its drops'])
	);
	let editing = $state(false);
	let mixing = $state(false);
</script>

<article aria-label={colour.name}>
	<div class="block" style:background={hexOf(colour.lab)}>
		{#if mixed}<div class="half" style:background={hexOf(mixed)} title="as it is mixed"></div>{/if}
	</div>
	<div class="body">
		<header>
			<h2>{colour.name}</h2>
			<span class="tools no-print">
				<button class="button small" onclick={() => (mixing = true)}><Blend size={14} /> Mix</button>
				<button class="button small quiet" aria-label="Edit {colour.name}" onclick={() => (editing = true)}
					><Pencil size={14} /></button
				>
				<Act command="removeColour" id={colour.id} look="quiet" label="Remove {colour.name}"
					><X size={14} /></Act
				>
			</span>
		</header>
		<p class="small soft figure">
			L a b {formatLab(colour.lab).replaceAll('-', '−')}{#if colour.spread !== null}, its patch strays by {formatNumber(
					colour.spread,
					1
				)}{/if}{#if !isShown(colour.lab)}; no screen shows it{/if}
		</p>
		{#if parts.length}<p class="tags">
				{#each parts as component (component.id)}<Tag
						{component}
						href="/c/{data.record.costume.id}/look/{component.id}"
					/>{/each}
			</p>{/if}
		{#if colour.note}<p class="small">{colour.note}</p>{/if}
		{#if mixFigure}
			<div class="mix">
				<Drops mix={colour.mix} {materials} />
				<p class="small">
					<Working figure={mixFigure} text={formatNumber(valueOf(mixFigure), 1)} /> away: {differenceWords(
						valueOf(mixFigure)
					)}, as a model expects it. Try it on a scrap and let it dry.
				</p>
			</div>
		{:else if colour.mix.length}<p class="small">A paint of its mix, or how that looks, is gone.</p>{/if}
		{#if near.length}
			<h3>Nearest of what there is</h3>
			<ul class="plain">
				{#each near as { material, difference } (material.id)}
					{@const figure = differenceFigure(
						`${colour.name} and ${material.name}`,
						[colour.lab, 'the palette'],
						[material.lab!, material.name]
					)}
					<li>
						<span class="chip" style:background={hexOf(material.lab!)}></span>
						<span class="name"
							>{material.name}{#if material.stash <= 0}<span class="small soft">
									not in the stash</span
								>{/if}<span class="small soft words"
								>{differenceWords(difference)}{#if difference < 10}; {differenceUnder(
										colour.lab,
										material.lab!
									)
										.slice(1)
										.map((u) => `${LIGHTS[u.light].name} ${formatNumber(u.difference, 1)}`)
										.join(', ')}{/if}</span
							></span
						>
						<b><Working {figure} text={formatNumber(difference, 1)} /></b>
					</li>
				{/each}
			</ul>
		{:else}<p class="small soft">
				Nobody has said how any material looks: edit a paint or cloth in the stash.
			</p>{/if}
		{#if tried.length}
			<h3>Swatches</h3>
			<ul class="plain">
				{#each tried as { swatch, difference } (swatch.id)}
					{@const name = trade.recipe[swatch.recipe]?.name ?? swatch.recipe}
					{@const paint = materials.find((m) => m.id === swatch.materialId)}
					<li>
						<span class="chip" style:background={hexOf(swatch.dry!)}></span>
						<span class="name"
							><a href="/c/{data.record.costume.id}/finish/recipes">{name}</a>{#if paint}, {paint.name}{/if}<span
								class="small soft words">{dayWords(swatch.madeOn)}: {differenceWords(difference)}</span
							></span
						>
						<b
							><Working
								figure={differenceFigure(
									`${colour.name} and its swatch`,
									[colour.lab, 'the palette'],
									[swatch.dry!, 'the swatch, dry']
								)}
								text={formatNumber(difference, 1)}
							/></b
						>
					</li>
				{/each}
			</ul>
		{/if}
	</div>
</article>

<Dialog bind:open={editing} title="Colour: {colour.name}">
	<Form
		command="editColour"
		id={colour.id}
		version={colour.version}
		onDone={() => (editing = false)}
		label="Colour"
	>
		<ColourFields {colour} components={data.record.components} />
		<Submit>Save</Submit>
	</Form>
</Dialog>
<MixDialog bind:open={mixing} {colour} {materials} dried={data.dried} {trade} />

<style>
	article {
		background: var(--sheet);
		box-shadow: var(--shadow);
	}
	.block {
		height: 96px;
		display: flex;
		justify-content: flex-end;
		border-bottom: 1px solid var(--rule);
	}
	.half {
		width: 50%;
	}
	.body {
		padding: 10px 14px 14px;
		display: grid;
		gap: 6px;
	}
	header {
		display: flex;
		gap: 8px;
		align-items: center;
		justify-content: space-between;
	}
	h2 {
		font-size: var(--s18);
	}
	h3 {
		font-size: var(--s13);
		color: var(--ink-soft);
		margin-top: 4px;
	}
	.tools {
		display: flex;
		align-items: center;
	}
	.tags {
		display: flex;
		flex-wrap: wrap;
		gap: 4px;
	}
	.mix {
		display: grid;
		gap: 4px;
		padding: 8px 0;
		border-top: 1px solid var(--rule);
		border-bottom: 1px solid var(--rule);
	}
	li {
		display: grid;
		grid-template-columns: 28px 1fr auto;
		gap: 10px;
		align-items: center;
		padding: 4px 0;
	}
	.chip {
		width: 28px;
		height: 28px;
		border: 1px solid var(--ink-soft);
	}
	.words {
		display: block;
	}
</style>
