<script lang="ts">
	/** A component's coat stack: what goes on, how often, how long between, how much of it. */
	import { coatProductOf } from '$core/trade/catalogue.ts';
	import type { CoatProductKey } from '$core/facts/coat.ts';
	import { handbook } from './handbook/handbook.ts';
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import type { Material } from '$core/facts/material.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Settings } from '$core/facts/workshop.ts';
	import { formatArea } from '$core/units/measure.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { materialOfCoat } from '$core/answers/coatStack.ts';
	import { coatFigure } from '$core/explain/coating.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from './Act.svelte';
	import Dialog from './Dialog.svelte';
	import EditDialog from './EditDialog.svelte';
	import Field from './Field.svelte';
	import Form from './Form.svelte';
	import GuessMark from './GuessMark.svelte';
	import Tick from './Tick.svelte';
	import Working from './Working.svelte';
	import Table from './Table.svelte';

	interface Props {
		component: Component;
		record: CostumeRecord;
		settings: Settings;
		materials: readonly Material[];
	}
	let { component, record, settings, materials }: Props = $props();
	const coats = $derived(record.coats.filter((c) => c.componentId === component.id));
	const onOf = (coatId: number) =>
		record.steps.filter((s) => s.coatId === coatId && s.doneAt !== null).length;
	let adding = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(coats.find((c) => c.id === editing));
	let product = $state<CoatProductKey>('fillerPrimer');
	const trade = $derived(handbook());
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

{#if coats.length}
	<Table>
		{#snippet heads()}<th>Product</th><th class="number">On</th><th class="number">Area</th><th class="number"
				>Next coat after</th
			><th class="number">Handle after</th><th class="number">Packs</th><th
				><span class="visually-hidden">Change</span></th
			>{/snippet}
		{#each coats as coat (coat.id)}
			{@const p = coatProductOf(trade, coat.product)}
			<tr>
				<td>
					{p.name}{#if materialOfCoat(coat, materials)}<span class="small soft with"
							>{materialOfCoat(coat, materials)!.name}</span
						>{/if}
					{#if p.withinMinutes !== null}<span class="window small"
							>within {formatWait(p.withinMinutes)}, or only after {formatWait(p.orAfterMinutes ?? 0)}</span
						>{/if}
				</td>
				<td class="number"
					><span class="coats" role="img" aria-label="{onOf(coat.id)} of {coat.coats} coats on"
						>{#each { length: coat.coats } as _, i (i)}<i class:on={i < onOf(coat.id)}></i>{/each}</span
					>
					{onOf(coat.id)}/{coat.coats}</td
				>
				<td class="number"
					>{formatArea(coat.area, settings.lengthUnit)}{#if coat.fromPieces}<br /><span class="small soft"
							>of its pieces</span
						>{:else if coat.guessed}<br /><GuessMark />{/if}</td
				>
				<td class="number">{formatWait(coat.recoatMinutes)}</td>
				<td class="number">{formatWait(coat.handlingMinutes)}</td>
				<td class="number"
					><Working
						figure={coatFigure(coat, component, record, trade, materials)}
						text={formatNumber(valueOf(coatFigure(coat, component, record, trade, materials)), 2)}
					/></td
				>
				<td class="number">
					<button class="button small quiet" onclick={() => (editing = coat.id)}>Edit</button>
					<Act command="removeCoat" id={coat.id} look="quiet" label="Remove {p.name}"><X size={14} /></Act>
				</td>
			</tr>
		{/each}
	</Table>
{:else}
	<p class="soft">No coats yet. Each coat becomes a step, with its waiting.</p>
{/if}
<p class="add no-print">
	<button class="button small" onclick={() => (adding = true)} aria-label="Add coats to {component.code}"
		><Plus size={14} /> Coats</button
	>
</p>

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

<style>
	.with {
		display: block;
	}
	.window {
		display: block;
		color: var(--yellow-ink);
		font-weight: 600;
	}
	.coats {
		display: inline-flex;
		gap: 2px;
		vertical-align: middle;
	}
	.coats i {
		width: 12px;
		height: 10px;
		border: 1px solid var(--ink-soft);
	}
	.coats i.on {
		background: var(--blue-ink);
	}
	.wide {
		grid-column: 1 / -1;
	}
	.add,
	.note {
		margin-top: 12px;
	}
</style>
