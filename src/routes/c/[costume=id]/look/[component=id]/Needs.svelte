<script lang="ts">
	import Check from '@lucide/svelte/icons/check';
	import GuessMark from '$lib/ui/GuessMark.svelte';
	/** What a component takes of each material. */
	import ListChecks from '@lucide/svelte/icons/list-checks';
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import type { Component } from '$core/facts/component.ts';
	import { inOrder } from '$core/facts/order.ts';
	import { areaOfUnit } from '$core/facts/material.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { needFigure } from '$core/explain/money.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import SeedDialog from '$lib/ui/SeedDialog.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import { workFigure, workUses, type WorkUse } from '$core/answers/workUse.ts';
	import { handbook } from '$lib/ui/handbook/handbook.ts';

	let { data, component }: { data: PageData; component: Component } = $props();
	const steps = $derived(inOrder(data.record.steps, component.id));
	const needs = $derived(
		data.record.needs.filter((n) => n.componentId === component.id && n.byWork !== true)
	);
	/** What its steps use up, of what a material stands for. */
	const byWork = $derived(
		workUses(data.record, data.workshop.materials, handbook(), data.workshop.settings).filter(
			(u) => u.componentId === component.id && u.material && u.byHand.length === 0
		)
	);
	const followOf = (u: WorkUse) =>
		data.record.needs.find(
			(n) => n.componentId === component.id && n.materialId === u.material?.id && n.byWork === true
		);
	const material = (id: number) => data.workshop.materials.find((m) => m.id === id)!;
	let needing = $state(false);
	let seeding = $state(false);
</script>

<Sheet title="Materials">
	{#snippet tools()}<button class="button small" onclick={() => (seeding = true)}
			><ListChecks size={14} /> Suggest</button
		>
		<button class="button small" onclick={() => (needing = true)}><Plus size={14} /> Need</button>{/snippet}
	{#if needs.length || byWork.length}
		<table>
			<thead><tr><th>Material</th><th class="number">Needed</th><th>First used by</th><th></th></tr></thead>
			<tbody>
				{#each needs as need (need.id)}
					<tr>
						<td><a href="/stash#material-{need.materialId}">{material(need.materialId).name}</a></td>
						<td class="number"
							>{#if need.waste !== null && areaOfUnit(material(need.materialId))}<Working
									figure={needFigure(need, material(need.materialId), component, data.record)}
								/>{:else}{formatNumber(need.quantity, 3)} {material(need.materialId).unit}{/if}
							{#if need.guessed}<GuessMark />{/if}</td
						>
						<td class="small soft"
							>{steps.find((s) => s.id === need.stepId)?.name ?? 'the first that touches it'}</td
						>
						<td class="number no-print"
							>{#if need.guessed}<Act
									command="editNeed"
									id={need.id}
									hidden={{
										version: need.version,
										quantity: need.quantity,
										stepId: need.stepId,
										waste: need.waste
									}}
									look="quiet"
									label="{material(need.materialId).name}: the amount is right"><Check size={14} /> Right</Act
								>{/if}<Act
								command="removeNeed"
								id={need.id}
								look="quiet"
								label="No longer needs {material(need.materialId).name}"><X size={14} /></Act
							></td
						>
					</tr>
				{/each}
				{#each byWork as use (use.supply)}
					{@const m = use.material!}
					{@const follow = followOf(use)}
					<tr>
						<td><a href="/stash#material-{m.id}">{m.name}</a></td>
						<td class="number"
							><Working figure={workFigure(use, m.name, m.unit, handbook())} />{#if use.guessed}
								<GuessMark />{/if}</td
						>
						<td class="small soft">its work: {[...new Set(use.parts.map((p) => p.name))].join(', ')}</td>
						<td class="number no-print"
							>{#if follow}<Act
									command="removeNeed"
									id={follow.id}
									look="quiet"
									label="{m.name} no longer for its work"><X size={14} /></Act
								>{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	{:else}
		<p class="soft">
			Nothing entered. Let it <b>suggest</b> what its steps take, or say it yourself, and Buy works out packs, money
			and the day to order by.
		</p>
	{/if}
</Sheet>
<SeedDialog
	bind:open={seeding}
	{component}
	record={data.record}
	materials={data.workshop.materials}
	settings={data.workshop.settings}
/>
<Dialog bind:open={needing} title="What {component.code} takes">
	{#if data.workshop.materials.length}
		<Form
			command="addNeed"
			hidden={{ componentId: component.id }}
			onDone={() => (needing = false)}
			label="New need"
		>
			<div class="fields">
				<Field
					name="materialId"
					label="Material"
					options={data.workshop.materials.map((m) => ({ value: m.id, label: `${m.name} (${m.unit})` }))}
					none="choose"
					wide
				/>
				<Field name="quantity" label="Quantity, for all copies" value="1" inputmode="decimal" />
				<Field
					name="waste"
					label="Or from its pieces, times for waste"
					inputmode="decimal"
					hint="e.g. 1.3; empty: as typed"
				/>
				<div class="wide">
					<Tick name="byWork" label="Of a supply: as much as its work uses up" />
				</div>
				<Field
					name="stepId"
					label="First used by"
					options={steps.map((s) => ({ value: s.id, label: s.name }))}
					none="the first making step"
				/>
			</div>
			<Submit>Add need</Submit>
		</Form>
	{:else}
		<p>
			No materials are known yet. <a href="/stash">Add the first one in Stash</a>: its name, unit, pack and
			price.
		</p>
	{/if}
</Dialog>

<style>
	.wide {
		grid-column: 1 / -1;
	}
</style>
