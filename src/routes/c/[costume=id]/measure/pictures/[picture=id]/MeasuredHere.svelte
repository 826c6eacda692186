<script lang="ts">
	/** What was measured on the picture, each with its ±, to choose, to open and to change. */
	import Pencil from '@lucide/svelte/icons/pencil';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { Reading } from '$core/answers/readings.ts';
	import type { Component } from '$core/facts/component.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import { warningWords, plusMinus, sureWords } from '$lib/ui/measureWords.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import Act from '$lib/ui/Act.svelte';
	import { say } from '$core/units/problem.ts';
	import Working from '$lib/ui/Working.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { pictureFigure } from '$core/explain/picture.ts';

	interface Props {
		readings: readonly Reading[];
		components: readonly Component[];
		options: readonly { value: number; label: string }[];
		chosen: number | null;
		unit: LengthUnit;
	}
	let { readings, components, options, chosen = $bindable(), unit }: Props = $props();
	let editing = $state<number | null>(null);
	const edited = $derived(readings.find((r) => r.stored.id === editing)?.stored);
</script>

<Sheet title="Measured here" level={3}>
	{#if readings.length}
		<ul>
			{#each readings as r (r.stored.id)}
				{@const component = components.find((c) => c.id === r.stored.componentId)}
				<li class:chosen={chosen === r.stored.id}>
					<div class="line">
						<button class="name" onclick={() => (chosen = chosen === r.stored.id ? null : r.stored.id)}
							>{r.stored.label}</button
						>
						{#if component}<Tag {component} short />{/if}
						<button
							class="button quiet small"
							aria-label="Edit {r.stored.label}"
							onclick={() => (editing = r.stored.id)}><Pencil size={14} /></button
						>
					</div>
					{#if r.found.ok && r.plane}
						<p>
							<b
								><Working
									figure={pictureFigure(r.plane, r.stored, r.found.value, unit)}
									text={sureWords(r.stored.kind, r.found.value.value, r.found.value.sigma, unit)}
								/></b
							>
							<span class="small">{plusMinus(r.stored.kind, r.found.value.sigma, unit)}</span>
						</p>
						{#each r.found.value.warnings as w (w.code)}<Notice>{warningWords(w)}</Notice>{/each}
					{:else if !r.found.ok}<p class="small wrong">{say(r.found.problem)}</p>{/if}
				</li>
			{/each}
		</ul>
		<p class="small soft">± holds 95 of 100 times, from the clicks and the scale.</p>
	{:else}<p class="soft">Nothing yet.</p>{/if}
</Sheet>
<EditDialog bind:id={editing} title="Measure on the picture">
	{#if edited}
		<Form
			command="editPictureMeasure"
			id={edited.id}
			version={edited.version}
			onDone={() => (editing = null)}
		>
			<div class="fields">
				<Field name="label" label="Name" value={edited.label} />
				<Field name="componentId" label="Of" {options} none="no component" value={edited.componentId ?? ''} />
				<Field name="offPlaneMm" label="Off the plane by" value={formatLength(edited.offPlaneMm, unit)} />
			</div>
			<Submit>Save</Submit>
		</Form>
		<Act command="removePictureMeasure" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	ul {
		list-style: none;
		margin: 0 0 8px;
		padding: 0;
	}
	li {
		padding: 6px 4px;
		border-bottom: 1px solid var(--rule);
	}
	li.chosen {
		background: var(--sheet-shade);
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	.name {
		border: 0;
		padding: 0;
		background: none;
		text-align: left;
		font-weight: 600;
		cursor: pointer;
		flex: 1;
	}
	@media (max-width: 700px) {
		.name {
			min-height: 44px;
		}
	}
</style>
