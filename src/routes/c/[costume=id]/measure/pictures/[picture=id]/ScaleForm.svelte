<script lang="ts">
	/** A scale for the picture: by a rectangle, a length or a figure whose size is known. */
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { ReferencePicture } from '$core/facts/picture.ts';
	import { checkCorners, KNOWN_RECTANGLES } from '$core/engines/plane/reference.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import type { DraftPoints } from '$lib/ui/draftPoints.svelte.ts';
	import { SCALE_BY, type ScaleKind } from './scaleBy.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Field from '$lib/ui/Field.svelte';
	import PointsEnd from '$lib/ui/PointsEnd.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import Act from '$lib/ui/Act.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import { say } from '$core/units/problem.ts';

	interface Props {
		picture: ReferencePicture;
		draft: DraftPoints;
		kind: ScaleKind;
		/** Of the wearer, mm, where it was taken. */
		stature: number | null;
		unit: LengthUnit;
		onDone: () => void;
	}
	let { picture, draft, kind = $bindable(), stature, unit, onDone }: Props = $props();
	let known = $state('0');
	const rectangle = $derived(KNOWN_RECTANGLES[Number(known)]);
	const corners = $derived(
		kind === 'rectangle' && draft.count === 4 ? checkCorners(draft.points) : ({ ok: true } as const)
	);
</script>

<Sheet title="Scale" level={3}>
	<Form
		command="setScale"
		id={picture.id}
		label="Scale"
		hidden={{ points: JSON.stringify(draft.points) }}
		{onDone}
	>
		<div class="below">
			<Field
				name="kind"
				label="By"
				options={[
					{ value: 'rectangle', label: 'four corners of a known rectangle' },
					{ value: 'length', label: 'one known length' },
					{ value: 'height', label: 'the height of a standing figure' }
				]}
				bind:value={kind}
				onchange={() => draft.clear()}
			/>
			<p class="small">{SCALE_BY[kind].how}</p>
			{#if kind === 'rectangle'}
				<label class="small known"
					>Which
					<select bind:value={known}>
						{#each KNOWN_RECTANGLES as r, i (r.name)}<option value={String(i)}>{r.name}</option>{/each}
						<option value="own">another</option>
					</select></label
				>
				{#key known}
					<div class="fields">
						<Field
							name="width"
							label="First side"
							value={rectangle ? formatLength(rectangle.width, unit) : ''}
							inputmode="decimal"
						/>
						<Field
							name="height"
							label="Next side"
							value={rectangle ? formatLength(rectangle.height, unit) : ''}
							inputmode="decimal"
						/>
					</div>
				{/key}
			{:else}
				{#key kind}
					<Field
						name="mm"
						label={kind === 'height' ? 'Height, crown to soles' : 'Known length'}
						value={kind === 'height' && stature ? formatLength(stature, unit) : ''}
						inputmode="decimal"
						hint={kind === 'height' && stature ? 'the wearer’s stature' : undefined}
					/>
				{/key}
			{/if}
			<Field
				name="taken"
				label="The picture is"
				options={[
					{ value: 'hand', label: 'a photo, held by hand' },
					{ value: 'level', label: 'a photo, held square with care' },
					{ value: 'flat', label: 'drawn, scanned or copied' }
				]}
				value={picture.taken}
				hint={kind === 'rectangle'
					? 'how far its lens may bend'
					: 'one length does not say how slantwise it was taken: four corners do'}
			/>
			<div class="fields">
				<Field
					name="clickPx"
					label="A click is true to"
					options={[
						{ value: '1', label: '1 px: sharp edges' },
						{ value: '2', label: '2 px: usual' },
						{ value: '5', label: '5 px: soft edges' }
					]}
					value={String(picture.clickPx)}
				/>
				<Field
					name="scaleSigmaMm"
					label="The known to ±"
					value={formatLength(picture.scaleSigmaMm, unit)}
					inputmode="decimal"
					hint="one σ"
				/>
			</div>
		</div>
		{#if !corners.ok}<Notice bad>{say(corners.problem)}</Notice>{/if}
		<FormError name="points" />
		<PointsEnd
			{draft}
			ready={draft.count >= SCALE_BY[kind].count && corners.ok}
			label="Set the scale ({draft.count} of {SCALE_BY[kind].count} points)"
		/>
	</Form>
	{#if picture.scale}<Act command="clearScale" id={picture.id} look="quiet"
			><Trash2 size={14} /> Take the scale away</Act
		>{/if}
</Sheet>

<style>
	.known select {
		margin-top: 2px;
	}
</style>
