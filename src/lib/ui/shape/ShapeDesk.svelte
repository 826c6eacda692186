<script lang="ts">
	/** One shape: its values with what comes of them at once, and what it looks like put together. */
	import { capital } from '$core/units/names.ts';
	import { goto } from '$app/navigation';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { Version } from '$core/answers/describeChange.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { cutFromAny } from '$core/answers/cutFrom.ts';
	import { areaOfUnit, type Material } from '$core/facts/material.ts';
	import { type MeasureRecord } from '$core/facts/measureRecord.ts';
	import { BODY_MEASURES } from '$core/facts/bodyMeasure.ts';
	import { say } from '$core/units/problem.ts';
	import { ORIGINS } from '$core/engines/shapers/shapers.ts';
	import type { ShapeKey, StoredShape } from '$core/facts/shape.ts';
	import Act from '../Act.svelte';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';
	import Sheet from '../Sheet.svelte';
	import AsIf from '../AsIf.svelte';
	import Tag from '../Tag.svelte';
	import Tick from '../Tick.svelte';
	import Submit from '../Submit.svelte';
	import Desk from '../Desk.svelte';
	import Notice from '../Notice.svelte';
	import ShapeResult from './ShapeResult.svelte';
	import ShapeParam from './ShapeParam.svelte';
	import { ShapeDraft } from './shapeDraft.svelte.ts';

	interface Props {
		shape?: StoredShape;
		shaperKey: ShapeKey;
		component: Component;
		components: readonly Component[];
		fit: MeasureRecord;
		workshop: Workshop;
		currency: string;
		/** Whether amounts of the component follow its pieces. */
		following: boolean;
		/** What a new shape is cut from as a rule. */
		usual?: Material | null;
		base: string;
		/** How it came to be as it is, newest first. */
		versions?: readonly Version[];
		onDone?: (result: unknown) => void;
	}
	let {
		shape,
		shaperKey,
		component,
		components,
		fit,
		workshop,
		currency,
		following,
		usual = null,
		base,
		versions = [],
		onDone
	}: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);
	const draft = new ShapeDraft({
		shape: () => shape,
		shaperKey: () => shaperKey,
		component: () => component,
		components: () => components,
		fit: () => fit,
		materials: () => workshop.materials,
		unit: () => unit,
		// svelte-ignore state_referenced_locally
		following,
		// svelte-ignore state_referenced_locally
		usual
	});
	const shaper = $derived(draft.shaper);
	const problem = $derived(draft.problem);
	$effect(() => draft.settle());
</script>

<Desk sides="minmax(280px, 5fr) 7fr">
	<div class="stack">
		<Sheet title={shape ? shape.name || shaper.name : `New: ${shaper.name}`}>
			{#snippet tools()}<Tag {component} href="{base}/look/{component.id}" />{/snippet}
			<p class="small soft">{shaper.makes}</p>
			<Form
				command={shape ? 'editShape' : 'addShape'}
				id={shape?.id ?? ''}
				version={shape?.version}
				label={shaper.name}
				hidden={{ shaper: shaperKey, ...(shape ? {} : { componentId: component.id }) }}
				{onDone}
			>
				{#if draft.examples.length}<Notice
						>Not measured yet: {draft.examples.map((key) => BODY_MEASURES[key].name).join(', ')}. An example
						of a middle size stands there: <a href="{base}/measure">measure</a>, or type it.</Notice
					>{/if}
				{#if draft.measured.length && !shape?.drawn}<Notice
						>Measured since: {draft.measured.map((key) => BODY_MEASURES[key].name).join(', ')}.
						<button type="button" class="button small" onclick={() => draft.followMeasured()}
							>Let it follow</button
						></Notice
					>{/if}
				{#if shape?.panels && !shape.drawn}<p>
						<a href="{base}/pattern/stand?shape={shape.id}">Change its panels on the stand</a>
					</p>{/if}
				<div class="fields">
					<Field name="name" label="Name" value={shape?.name ?? ''} hint="else {shaper.name}" wide />
					{#if shape?.drawn}
						<p class="small wide">
							{shape.shaper in ORIGINS
								? `${capital(shaper.makes)}: its pieces follow no measure.`
								: 'Drawn by hand since it was shaped: its pieces follow no measure. Undo brings the shape back.'}
						</p>
						{#each draft.params as { key, text, follows } (key)}
							<input type="hidden" name="value.{key}" value={text} />
							<input type="hidden" name="follow.{key}" value={follows} />
						{/each}
					{:else}
						{#each draft.counting as field (field.key)}
							<ShapeParam {draft} {field} {unit} />
						{/each}
						{#each draft.resting as { key, text, follows } (key)}
							<input type="hidden" name="value.{key}" value={text} />
							<input type="hidden" name="follow.{key}" value={follows} />
						{/each}
					{/if}
					<Field
						name="materialId"
						label="Cut from"
						options={cutFromAny(workshop.materials, [draft.materialId]).map((m) => ({
							value: m.id,
							label: m.name
						}))}
						none="not chosen yet"
						bind:value={draft.materialId}
						hint={draft.material && areaOfUnit(draft.material) === null
							? 'its size is not known: say it in Stash'
							: shape && shape.layers > 1 && Number(draft.materialId) === shape.materialId
								? `${shape.layers} layers of it make the thickness; another material begins with one`
								: undefined}
						wide
					/>
					{#each draft.roles as role (role)}
						<Field
							name="role.{role}"
							label={role}
							options={cutFromAny(workshop.materials, Object.values(draft.roleMaterials)).map((m) => ({
								value: m.id,
								label: m.name
							}))}
							none="as above"
							value={draft.roleMaterials[role] ?? ''}
							onchange={(value) => (draft.roleMaterials[role] = value)}
						/>
					{/each}
					<Field
						name="note"
						label={shape ? 'What changed, and why' : 'Note'}
						type="area"
						value={shape?.note ?? ''}
						wide
					/>
				</div>
				<Tick
					name="follow"
					label="Steps and materials of {component.code} follow its pieces"
					bind:checked={draft.letFollow}
				/>
				{#if problem && !draft.problemAt}<Notice bad>{say(problem)}</Notice>{/if}
				{#if !shape || draft.isChanged}<AsIf
						action={shape ? 'tryEditShape' : 'tryAddShape'}
						of={draft.changed}
						blocked={problem !== null}
						{currency}
						{unit}
						follows={draft.letFollow}
					/>{/if}
				<Submit>{shape ? 'Save the shape' : 'Keep this shape'}</Submit>
			</Form>
			{#if shape}
				<Act
					command="removeShape"
					id={shape.id}
					look="quiet"
					at="{base}/pattern"
					onDone={() => goto(`${base}/pattern`, { invalidateAll: true })}><Trash2 size={14} /> Remove</Act
				>
			{/if}
		</Sheet>
	</div>
	<div class="stack">
		<ShapeResult {draft} {shape} {versions} {base} {unit} long={workshop.settings.clothUnit} />
	</div>
</Desk>

<style>
	.fields {
		margin-top: 12px;
	}
</style>
