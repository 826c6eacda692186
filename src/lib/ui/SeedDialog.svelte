<script lang="ts">
	/** A first list of materials for a component, worked out from its steps and form, to confirm line by line. */
	import { handbook } from './handbook/handbook.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { Settings } from '$core/facts/workshop.ts';
	import { shoppingSeed } from '$core/answers/seed.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Dialog from './Dialog.svelte';
	import Form from './Form.svelte';
	import FormError from './FormError.svelte';
	import Working from './Working.svelte';
	import Submit from './Submit.svelte';
	import Table from './Table.svelte';

	interface Props {
		open: boolean;
		component: Component;
		record: CostumeRecord;
		materials: readonly Material[];
		settings: Pick<Settings, 'margins'>;
	}
	let { open = $bindable(), component, record, materials, settings }: Props = $props();
	const lines = $derived(open ? shoppingSeed(component, record, materials, handbook(), settings) : []);
	const fitting = (family: string, unit: string) =>
		materials.filter((m) => m.family === family && m.unit === unit);
</script>

<Dialog bind:open title="What it will take" wide>
	{#if lines.length}
		<p class="small soft lead">
			Worked out from its steps, coats and form; shares for waste and rates are starting values. Untick what
			does not apply, change amounts, choose the material. What its work uses up is counted from its steps
			from then on; coats look after their own paint.
		</p>
		<Form command="confirmSeed" id={component.id} label="Materials" onDone={() => (open = false)}>
			<Table>
				{#snippet heads()}<th>Takes</th><th class="number">Worked out</th><th>Amount</th><th>Material</th
					>{/snippet}
				{#each lines as line, i (line.name)}
					<tr>
						<td>
							<label class="tick"
								><input type="checkbox" name="lines[]" value={i} checked /> {line.name}</label
							>
							<input type="hidden" name="names[]" value={line.name} />
						</td>
						<td class="number"><Working figure={line.figure} /></td>
						<td
							><span class="amount"
								><input
									name="quantity[]"
									value={formatNumber(line.quantity, 3).replace(/ /g, '')}
									inputmode="decimal"
									aria-label="Amount of {line.name}"
								/>
								{line.unit}{#if line.packSize !== 1 && !line.material}<span class="small soft"
										>in packs of {formatNumber(line.packSize)}</span
									>{/if}</span
							></td
						>
						<td>
							<select name="material[]" aria-label="Material for {line.name}" value={line.material?.id ?? ''}>
								<option value="">new: {line.name}</option>
								{#each fitting(line.family, line.unit) as m (m.id)}<option value={m.id}>{m.name}</option
									>{/each}
							</select>
						</td>
					</tr>
				{/each}
			</Table>
			<FormError name="quantity" />
			<Submit>Add what is ticked</Submit>
		</Form>
	{:else if component.route === null}
		<p>Give it the steps of a route first: what it takes follows from how it is made.</p>
	{:else}<p>Nothing more comes to mind: what its route takes is entered, or it is not made.</p>{/if}
</Dialog>

<style>
	.lead {
		margin-bottom: 8px;
	}
	.tick,
	.amount {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	.amount input {
		width: 5.5em;
	}
</style>
