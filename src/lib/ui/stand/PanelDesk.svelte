<script lang="ts">
	/** Panels on the form of the wearer: drawn or begun with, laid flat, how far they are pulled, the dart that helps, kept. */
	import { onDestroy } from 'svelte';
	import { cutFromAny, mainlyCutFrom } from '$core/answers/cutFrom.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { MeasureRecord } from '$core/facts/measureRecord.ts';
	import type { StoredShape } from '$core/facts/shape.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { PANEL_PRESET_KEYS, PANEL_PRESETS, type PanelPresetKey } from '$core/engines/panels/presets.ts';
	import { GIVES } from '$core/engines/shapers/panelShaper.ts';
	import { say } from '$core/units/problem.ts';
	import Desk from '../Desk.svelte';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';
	import Sheet from '../Sheet.svelte';
	import Submit from '../Submit.svelte';
	import Tick from '../Tick.svelte';
	import PanelDrawing from './PanelDrawing.svelte';
	import PanelFlat from './PanelFlat.svelte';
	import PanelList from './PanelList.svelte';
	import { PanelDraft } from './panelDraft.svelte.ts';
	import StandOutlines from './StandOutlines.svelte';
	import StandScene from './StandScene.svelte';
	import { STRAIN_STEPS, strainColour } from './strainColours.ts';

	interface Props {
		component: Component;
		shape: StoredShape | undefined;
		components: readonly Component[];
		record: CostumeRecord;
		fit: MeasureRecord;
		workshop: Workshop;
		onDone: (id: number) => void;
	}
	let { component, shape, components, record, fit, workshop, onDone }: Props = $props();
	// svelte-ignore state_referenced_locally
	const draft = new PanelDraft({
		component: () => component,
		components: () => components,
		fit: () => fit,
		materials: () => workshop.materials,
		unit: workshop.settings.lengthUnit,
		shape,
		materialId: shape
			? (shape.materialId ?? '')
			: (mainlyCutFrom(component, record.needs, workshop.materials)?.id ?? '')
	});
	onDestroy(() => draft.stop());
	let following = $state(true);

	// Whatever is changed is laid flat anew, once it has rested.
	$effect(() => {
		void [draft.plan, draft.values, draft.measured, draft.gives.share];
		const rest = setTimeout(() => void draft.lay(), 250);
		return () => clearTimeout(rest);
	});

	const meshes = $derived([
		...draft.scene.stand,
		...(draft.scene.panels
			? [
					{
						...draft.scene.panels,
						look: 'panel' as const,
						colours: draft.scene.panels.shares.map((s) => strainColour(s, 1))
					}
				]
			: [])
	]);
	const lines = $derived([
		...draft.scene.rims.map((points) => ({ points, strong: false })),
		...(draft.drawn.length ? [{ points: draft.drawn, strong: true }] : [])
	]);
</script>

<Desk sides="minmax(320px, 6fr) 6fr">
	<div class="stack stays">
		<StandScene
			{meshes}
			{lines}
			near={draft.scene.panels?.vertices}
			label="Panels of {component.name} on the form"
			onpoint={draft.drawing ? (at) => draft.point(at) : undefined}
		>
			{#snippet outlines()}<StandOutlines stand={draft.stand} />{/snippet}
		</StandScene>
		<ul class="plain key" aria-label="Colours">
			{#each STRAIN_STEPS as step (step.words)}<li>
					<span style:background={step.colour} aria-hidden="true"></span>{step.words}
				</li>{/each}
		</ul>
	</div>
	<div class="stack">
		<PanelFlat {draft} {component} unit={workshop.settings.lengthUnit} />
		<Sheet title="{component.code} {component.name}">
			<div class="fields">
				<Field
					name="preset"
					label="Begin with"
					none="as drawn"
					options={PANEL_PRESET_KEYS.map((k) => ({ value: k, label: PANEL_PRESETS[k].name }))}
					bind:value={() => draft.preset, (v) => v && draft.choose(v as PanelPresetKey)}
				/>
				<Field
					name="materialId"
					label="Cut from"
					options={cutFromAny(workshop.materials).map((m) => ({ value: m.id, label: m.name }))}
					none="not chosen yet"
					bind:value={draft.materialId}
				/>
				<Field
					name="gives"
					label="Worked"
					options={GIVES.map((label, value) => ({ value, label }))}
					bind:value={draft.how}
				/>
				<Field
					name="ease"
					label="Ease, round"
					bind:value={draft.ease}
					hint={draft.easeRead.ok ? 'besides what is worn beneath' : say(draft.easeRead.problem)}
				/>
				{#if !draft.material?.thicknessMm}<Field
						name="thickness"
						label="Thickness"
						bind:value={draft.thickness}
						hint={draft.thicknessRead.ok ? undefined : say(draft.thicknessRead.problem)}
					/>{/if}
			</div>
			<details open={draft.plan.ease.length > 0}>
				<summary>Ease by level</summary>
				<div class="fields">
					{#each draft.levels as { level, name } (level)}
						<Field
							name="ease{level}"
							label="Ease at the {name}"
							hint={draft.easeWrong(level) ||
								(draft.eases[level]?.trim() ? undefined : `as elsewhere: ${draft.ease}`)}
							bind:value={() => draft.eases[level] ?? '', (v) => draft.setEase(level, String(v))}
						/>
					{/each}
				</div>
			</details>
			{#if draft.plan.limb === 'trunk'}<Tick
					name="fold"
					label="Cut what is symmetric as a half, on the fold"
					bind:checked={() => draft.plan.fold, (fold) => (draft.plan = { ...draft.plan, fold })}
				/>{/if}
			<PanelDrawing {draft} />
			<PanelList {draft} />
			{#if draft.unmeasured.length}<p class="warn small">
					Not measured: {draft.unmeasured.join(', ')}. There the form is in proportion to the rest.
				</p>{/if}
			<Form
				command={shape ? 'editPanels' : 'addPanels'}
				label="Keep the panels"
				hidden={{
					...(shape ? { id: shape.id, version: shape.version } : { componentId: component.id }),
					note: shape?.note ?? '',
					materialId: draft.materialId,
					ease: draft.ease,
					thickness: draft.thickness,
					gives: draft.how,
					panels: JSON.stringify(draft.plan)
				}}
				onDone={(done) => onDone((done as { id: number }).id)}
			>
				<Field name="name" label="Name" value={shape?.name ?? ''} hint="else “panels on the form”" />
				<Tick
					name="follow"
					label="Steps and materials of {component.code} follow its pieces"
					bind:checked={following}
				/>
				<p class="row end"><Submit>Keep these pieces</Submit></p>
			</Form>
		</Sheet>
	</div>
</Desk>

<style>
	@media (min-width: 901px) {
		.stays {
			position: sticky;
			top: 12px;
		}
	}
	.key {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 14px;
		margin: 0;
		color: var(--on-mat);
		font-size: var(--s13);
	}
	.key span {
		display: inline-block;
		width: 14px;
		height: 14px;
		margin-right: 5px;
		vertical-align: -2px;
		border: 1px solid var(--on-mat-soft);
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
	}
</style>
