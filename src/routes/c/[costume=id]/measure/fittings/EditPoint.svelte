<script lang="ts">
	/** A point of the punch list, changed. */
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Field from '$lib/ui/Field.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import type { LengthUnit } from '$core/units/measure.ts';
	import { triedFirst } from './tried.ts';
	import type { FittingPoint, Fitting } from '$core/facts/fitting.ts';
	import Form from '$lib/ui/Form.svelte';
	import type { Component } from '$core/facts/component.ts';
	import { formatLength } from '$core/units/measure.ts';
	import Submit from '$lib/ui/Submit.svelte';
	import { POINT_DIRECTIONS } from '$core/facts/fitting.ts';
	import Act from '$lib/ui/Act.svelte';

	interface Props {
		id: number | null;
		fittings: readonly Fitting[];
		points: readonly FittingPoint[];
		components: readonly Component[];
		unit: LengthUnit;
	}
	let { id = $bindable(), fittings, points, components, unit }: Props = $props();
	const pointed = $derived(points.find((p) => p.id === id));
</script>

<EditDialog bind:id title="Point of the punch list">
	{#if pointed}
		<Form command="editPoint" id={pointed.id} version={pointed.version} onDone={() => (id = null)}>
			<div class="fields">
				<Field
					name="componentId"
					label="Of"
					options={triedFirst(
						fittings.find((f) => f.id === pointed.fittingId),
						components
					)}
					value={pointed.componentId}
				/>
				<Field name="what" label="What" value={pointed.what} />
				<Field name="direction" label="Change" options={POINT_DIRECTIONS} value={pointed.direction} />
				<Field
					name="moveMm"
					label="By"
					value={pointed.moveMm === null ? '' : formatLength(pointed.moveMm, unit)}
				/>
				<Field name="side" label="Side" options={['none', 'left', 'right']} value={pointed.side} />
			</div>
			<Submit>Save</Submit>
		</Form>
		<Act command="removePoint" id={pointed.id} look="quiet" onDone={() => (id = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>
