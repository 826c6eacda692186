<script lang="ts">
	/** A closed shape as a printed part: whether the bed takes it, in how many parts, what it weighs and how long it runs. */
	import type { Component } from '$core/facts/component.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { say } from '$core/units/problem.ts';
	import type { figuresOfMesh } from '$core/engines/mesh/mesh.ts';
	import { FILAMENTS, PRINT_STARTS, standOn, type FilamentKey } from '$core/engines/mesh/printed.ts';
	import { formatLength, parseLength } from '$core/units/measure.ts';
	import { formatNumber, parseNumber } from '$core/units/number.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { printFigures } from '$core/explain/print.ts';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';
	import Sheet from '../Sheet.svelte';
	import Working from '../Working.svelte';
	import Submit from '../Submit.svelte';

	interface Props {
		figures: ReturnType<typeof figuresOfMesh>;
		component: Component;
		workshop: Workshop;
	}
	let { figures, component, workshop }: Props = $props();
	const settings = $derived(workshop.settings);
	const unit = $derived(settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);

	let filament = $state<FilamentKey>('pla');
	let infillText = $state(String(PRINT_STARTS.infill));
	let wallText = $state(`${PRINT_STARTS.wall} mm`);
	let layerText = $state(`${PRINT_STARTS.layer} mm`);
	let flowText = $state(String(PRINT_STARTS.flow));
	let materialId = $state<string | number>('');
	const read = $derived({
		infill: parseNumber(infillText),
		wall: parseLength(wallText, unit),
		layer: parseLength(layerText, unit),
		flow: parseNumber(flowText)
	});
	/** What the page says beneath a field that cannot be. */
	const wrong = $derived({
		infill:
			read.infill.ok && read.infill.value >= 0 && read.infill.value <= 100 ? undefined : 'From 0 to 100.',
		wall: read.wall.ok ? undefined : say(read.wall.problem),
		layer: read.layer.ok && read.layer.value >= 0.02 ? undefined : 'At least 0.02 mm.',
		flow: read.flow.ok && read.flow.value > 0 ? undefined : 'Needs a number above 0.'
	});
	const bed = $derived([settings.bedWideMm, settings.bedDeepMm, settings.bedHighMm] as const);
	const size = $derived([0, 1, 2].map((i) => figures.high[i]! - figures.low[i]!) as [number, number, number]);
	const onBed = $derived(standOn(size, bed));
	const planned = $derived.by(() => {
		const { infill, wall, layer, flow } = read;
		if (Object.values(wrong).some(Boolean) || !infill.ok || !wall.ok || !layer.ok || !flow.ok) return null;
		return printFigures({
			volume: figures.volume,
			area: figures.area,
			filament,
			infill: infill.value,
			wall: wall.value,
			layer: layer.value,
			flow: flow.value,
			onBed
		});
	});
	const weighed = $derived(workshop.materials.filter((m) => m.unit === 'g' || m.unit === 'kg'));
	const UP = ['its width', 'its depth', 'its height'];
</script>

<Sheet title="As a printed part">
	{#if !figures.closed}
		<p class="soft">
			The surface is not closed, so it holds no volume: a print needs a closed solid with its thickness.
		</p>
	{:else}
		<p>
			<b class="comes-to">{onBed.parts === 1 ? 'One part' : `${onBed.parts} parts`}</b>
			{#if onBed.parts === 1}
				fits the bed of {bed.map(length).join(' × ')}, {UP[onBed.up]} upright.
			{:else}
				{onBed.cuts.join(' × ')} on the bed of {bed.map(length).join(' × ')}, {UP[onBed.up]} upright, cut straight
				across.
			{/if}
			<a href="/settings">Change the bed</a>
		</p>
		{#if planned}
			<p class="row">
				<span><Working figure={planned.grams} /> <span class="small soft">weight</span></span>
				<span><Working figure={planned.minutes} /> <span class="small soft">at the machine</span></span>
			</p>
		{/if}
		<div class="fields">
			<Field
				name="filament"
				label="Printed in"
				options={Object.entries(FILAMENTS).map(([value, f]) => ({
					value,
					label: `${f.name}, ${formatNumber(f.density)} kg/m³`
				}))}
				bind:value={filament}
			/>
			<Field name="infill" label="Infill" bind:value={infillText} suffix="%" hint={wrong.infill} />
			<Field name="wall" label="Walls" bind:value={wallText} hint={wrong.wall} />
			<Field name="layer" label="Layer" bind:value={layerText} hint={wrong.layer} />
			<Field name="flow" label="Flow" bind:value={flowText} suffix="mm³/s" hint={wrong.flow} />
		</div>
		<p class="small soft above">
			One copy, an estimate to plan by: supports are not counted, and the machine’s own count is nearer.
			Pieces are cut where seams can be filled.
		</p>
		{#if planned}
			<Form
				command="planPrint"
				label="Plan the print"
				hidden={{
					componentId: component.id,
					parts: onBed.parts,
					minutes: Math.max(1, valueOf(planned.minutes)),
					grams: Math.max(1, valueOf(planned.grams))
				}}
			>
				<Field
					name="materialId"
					label="Filament"
					options={weighed.map((m) => ({ value: m.id, label: m.name }))}
					none="no need of it"
					bind:value={materialId}
				/>
				<Submit main={false}>Plan its print on {component.code}</Submit>
			</Form>
		{/if}
	{/if}
</Sheet>

<style>
	.row {
		margin: 12px 0;
		gap: 8px 24px;
	}
	.above {
		margin: 8px 0;
	}
</style>
