<script lang="ts">
	/** A component's coat stack: what goes on, how often, how long between, how much of it. */
	import { coatProductOf } from '$core/trade/catalogue.ts';
	import type { CoatProductKey } from '$core/facts/coat.ts';
	import { handbook } from '../handbook/handbook.ts';
	import BookmarkPlus from '@lucide/svelte/icons/bookmark-plus';
	import { page } from '$app/state';
	import { byRecipe } from '$core/answers/recipe.ts';
	import Plus from '@lucide/svelte/icons/plus';
	import type { Material } from '$core/facts/material.ts';
	import { SURFACE_KEYS, type Component } from '$core/facts/component.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Settings } from '$core/facts/workshop.ts';
	import { formatArea } from '$core/units/measure.ts';
	import { dayWords, type LocalMinutes } from '$core/units/localTime.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { SURFACES } from '$core/trade/surface.ts';
	import Dialog from '../Dialog.svelte';
	import EditDialog from '../EditDialog.svelte';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';
	import StackDrawing from './StackDrawing.svelte';
	import Submit from '../Submit.svelte';
	import Tick from '../Tick.svelte';

	interface Props {
		component: Component;
		record: CostumeRecord;
		settings: Settings;
		materials: readonly Material[];
		now: LocalMinutes;
	}
	let { component, record, settings, materials, now }: Props = $props();
	const coats = $derived(record.coats.filter((c) => c.componentId === component.id));
	const trade = $derived(handbook());
	const by = $derived(byRecipe(component, record.swatches, trade, page.data.handbook ?? []));
	let adding = $state(false);
	let keeping = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(coats.find((c) => c.id === editing));
	let product = $state<CoatProductKey>('fillerPrimer');
	let saying = $state(false);
	const chosen = $derived(coatProductOf(trade, product));
	const options = $derived(Object.entries(trade.coatProduct).map(([value, p]) => ({ value, label: p.name })));
</script>

{#snippet colour(of: CoatProductKey, chosen: number | null)}
	{@const its = materials.filter((m) => m.coatProduct === of)}
	{#if its.length}<Field
			name="materialId"
			label="Put on with"
			options={its.map((m) => ({ value: m.id, label: m.name }))}
			none={its[0]!.name}
			value={chosen ?? ''}
			wide
		/>{/if}
{/snippet}

<div class="holder">
	{#if coats.length}
		<StackDrawing
			{component}
			{record}
			{settings}
			{materials}
			{now}
			onedit={(id) => (editing = id)}
			onsay={() => (saying = true)}
		/>
	{:else}
		<p class="soft">No coats yet. Each coat becomes a step, with its waiting.</p>
	{/if}
</div>
<p class="add no-print">
	<button class="button small" onclick={() => (adding = true)} aria-label="Add coats to {component.code}"
		><Plus size={14} /> Coats</button
	>
	{#if coats.length}<button class="button small quiet" onclick={() => (keeping = true)}
			><BookmarkPlus size={14} /> Keep as a recipe</button
		>{/if}
	{#if by}<span class="small by"
			>By <a href="/c/{record.costume.id}/finish/recipes">{by.recipe?.name ?? 'a recipe that is gone'}</a
			>{#if by.swatch}, as its swatch of {dayWords(by.swatch.madeOn)}{/if}{#if by.changed && by.recipe}; the
				recipe was changed since{/if}</span
		>{/if}
</p>

<Dialog bind:open={keeping} title="A recipe of {component.code} {component.name}">
	<Form
		command="keepRecipe"
		hidden={{ componentId: component.id }}
		onDone={() => (keeping = false)}
		label="Keep as a recipe"
	>
		<Field name="name" label="Called" value="" hint="worn brass, wet leather" required wide />
		<p class="small soft note">Its coats with their colours, and the finishing work between them.</p>
		<Submit>Keep the recipe</Submit>
	</Form>
</Dialog>

<Dialog bind:open={adding} title="Coats on {component.code} {component.name}">
	<Form
		command="addCoat"
		hidden={{ componentId: component.id }}
		onDone={() => (adding = false)}
		label="New coats"
	>
		<div class="fields">
			<Field name="product" label="Product" {options} bind:value={product} wide />
			<Field
				name="coats"
				label="Coats"
				value={chosen.coats[0]}
				inputmode="numeric"
				hint="usual {chosen.coats.join(' to ')}"
			/>
			<Field
				name="area"
				label="Outside area, one copy"
				value={coats[0] ? formatArea(coats[0].area, settings.lengthUnit) : ''}
				hint="e.g. 0.15 m2"
			/>
			<Field
				name="recoatMinutes"
				label="Next coat after"
				value=""
				hint="empty: {formatWait(chosen.recoatMinutes)}"
			/>
			<Field
				name="handlingMinutes"
				label="Handle after"
				value=""
				hint="empty: {formatWait(chosen.handlingMinutes)}"
			/>
		</div>
		{@render colour(product, null)}
		<Tick name="fromPieces" label="The area follows its pieces" checked={coats[0]?.fromPieces ?? false} />
		<p class="small soft note">Starting values from memory. The product’s label decides.</p>
		<p class="add"><button class="button main">Add coats</button></p>
	</Form>
</Dialog>

<EditDialog bind:id={editing} title="Coats">
	{#if edited}
		<Form
			command="editCoat"
			id={edited.id}
			version={edited.version}
			onDone={() => (editing = null)}
			label="Coats"
		>
			<div class="fields">
				<p class="wide"><b>{coatProductOf(trade, edited.product).name}</b></p>
				<Field name="coats" label="Coats" value={edited.coats} inputmode="numeric" />
				<Field
					name="area"
					label="Outside area, one copy"
					value={formatArea(edited.area, settings.lengthUnit)}
				/>
				<Field name="recoatMinutes" label="Next coat after" value={formatWait(edited.recoatMinutes)} />
				<Field name="handlingMinutes" label="Handle after" value={formatWait(edited.handlingMinutes)} />
			</div>
			{@render colour(edited.product, edited.materialId)}
			<Tick name="fromPieces" label="The area follows its pieces" checked={edited.fromPieces} />
			{#if edited.guessed}<Tick name="guessed" label="Still a guess" checked />{/if}
			<p class="add"><button class="button main">Save</button></p>
		</Form>
	{/if}
</EditDialog>

<Dialog bind:open={saying} title="What {component.code} {component.name} is of">
	<Form
		command="setSurface"
		id={component.id}
		version={component.version}
		onDone={() => (saying = false)}
		label="Surface"
	>
		<Field
			name="surface"
			label="Surface"
			options={SURFACE_KEYS.map((value) => ({ value, label: SURFACES[value].name }))}
			none="as its materials"
			value={component.surface ?? ''}
		/>
		<p class="small soft note">What may go over it, and what spoils it, goes by this.</p>
		<Submit>Save</Submit>
	</Form>
</Dialog>

<style>
	.holder {
		container-type: inline-size;
		flex: 1 1 260px;
		min-width: 0;
	}
	.by {
		margin-left: 8px;
	}
	.wide {
		grid-column: 1 / -1;
	}
	.add,
	.note {
		margin-top: 12px;
	}
</style>
