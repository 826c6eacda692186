<script lang="ts">
	/** Offcuts in the stash, each with its outline, by material. */
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { usableArea } from '$core/engines/layout/offcut.ts';
	import type { Offcut } from '$core/facts/offcut.ts';
	import type { Material } from '$core/facts/material.ts';
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import { formatLength, formatSmallArea, type LengthUnit } from '$core/units/measure.ts';
	import Act from '../Act.svelte';
	import Dialog from '../Dialog.svelte';
	import EditDialog from '../EditDialog.svelte';
	import Form from '../Form.svelte';
	import Sheet from '../Sheet.svelte';
	import OffcutFields from './OffcutFields.svelte';
	import Submit from '../Submit.svelte';

	interface Props {
		offcuts: readonly Offcut[];
		materials: readonly Material[];
		unit: LengthUnit;
	}
	let { offcuts, materials, unit }: Props = $props();
	let adding = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(offcuts.find((o) => o.id === editing));
	const sheets = $derived(materials.filter((m) => m.widthMm !== null));
	/** All to one scale, so that the eye finds the one that is large enough. */
	const largest = $derived(
		Math.max(1, ...offcuts.map((o) => Math.max(boxOf(o.outline).right, boxOf(o.outline).top)))
	);
	const groups = $derived(
		materials
			.map((material) => ({ material, own: offcuts.filter((o) => o.materialId === material.id) }))
			.filter((g) => g.own.length)
	);
</script>

<Sheet title="Offcuts">
	{#snippet tools()}
		<button class="button small" onclick={() => (adding = true)} disabled={sheets.length === 0}
			><Plus size={14} /> Offcut</button
		>
	{/snippet}
	{#each groups as { material, own } (material.id)}
		<h3>{material.name}</h3>
		<ul>
			{#each own as o (o.id)}
				{@const box = boxOf(o.outline)}
				<li>
					<button class="open" type="button" onclick={() => (editing = o.id)} aria-label="Edit {o.name}">
						<svg viewBox="0 {-largest} {largest} {largest}" aria-hidden="true">
							<path d={svgPath(o.outline)} class="sheet" />
							{#each o.flaws as flaw, k (k)}<path d={svgPath(flaw)} class="flaw" />{/each}
						</svg>
						<span>
							<b>{o.name}</b><br />
							<span class="small">{formatLength(box.right, unit)} × {formatLength(box.top, unit)}</span><br />
							<span class="small soft"
								>{formatSmallArea(usableArea(o), unit)}{o.note ? ` · ${o.note}` : ''}</span
							>
						</span>
					</button>
					<Act command="removeOffcut" id={o.id} look="quiet" label="Throw away {o.name}"><X size={14} /></Act>
				</li>
			{/each}
		</ul>
	{:else}
		<p class="soft">
			None yet. What is left of use comes here when a layout is marked as cut; what lies on the shelf already
			can be put in by its corners.
		</p>
	{/each}
</Sheet>

<Dialog bind:open={adding} title="New offcut" wide>
	<Form command="addOffcut" onDone={() => (adding = false)} label="New offcut">
		<OffcutFields materials={sheets} {unit} />
		<Submit>Add offcut</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title={edited?.name ?? ''} wide>
	{#if edited}
		<Form
			command="editOffcut"
			id={edited.id}
			version={edited.version}
			onDone={() => (editing = null)}
			label="Offcut"
		>
			<OffcutFields offcut={edited} {unit} />
			<Submit>Save</Submit>
		</Form>
	{/if}
</EditDialog>

<style>
	h3 {
		margin: 12px 0 4px;
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 280px), 1fr));
		gap: 8px;
	}
	li {
		display: flex;
		align-items: start;
		background: var(--sheet-shade);
	}
	.open {
		flex: 1;
		display: flex;
		gap: 12px;
		align-items: center;
		padding: 8px;
		border: 0;
		background: none;
		color: inherit;
		font: inherit;
		text-align: left;
		cursor: pointer;
	}
	svg {
		width: 84px;
		height: 84px;
		background: var(--mat-deep);
		flex: none;
	}
	.sheet {
		fill: #b9c2bb;
	}
	.flaw {
		fill: #6d7671;
	}
</style>
