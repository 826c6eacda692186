<script lang="ts">
	/** Something is measured on the picture: what it would be is told while it is clicked. */
	import { LEAST_POINTS, measure, type Plane } from '$core/engines/plane/pictureMeasure.ts';
	import { MEASURE_KINDS, type MeasureKind } from '$core/facts/picture.ts';
	import { parseLength, type LengthUnit } from '$core/units/measure.ts';
	import type { DraftPoints } from '$lib/ui/draftPoints.svelte.ts';
	import { say } from '$core/units/problem.ts';
	import { KIND_WORDS, warningWords, plusMinus, sureWords } from '$lib/ui/measureWords.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Field from '$lib/ui/Field.svelte';
	import PointsEnd from '$lib/ui/PointsEnd.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';

	interface Props {
		pictureId: number;
		plane: Plane | null;
		draft: DraftPoints;
		kind: MeasureKind;
		options: readonly { value: number; label: string }[];
		unit: LengthUnit;
		onscale: () => void;
		onDone: () => void;
	}
	let { pictureId, plane, draft, kind = $bindable(), options, unit, onscale, onDone }: Props = $props();
	let offPlane = $state('0');
	/** What it would be, before it is kept. */
	const preview = $derived.by(() => {
		if (!plane || draft.count < LEAST_POINTS[kind]) return null;
		const off = parseLength(offPlane || '0', unit);
		return measure(plane, { kind, points: draft.points, offPlane: off.ok ? off.value : 0 });
	});
</script>

<Sheet title="Measure" level={3}>
	{#if !plane}<p>
			Give the picture a scale first. <button class="button small" onclick={() => onscale()}>Scale</button>
		</p>
	{:else}
		<Form
			command="addPictureMeasure"
			label="New measure"
			hidden={{ pictureId, points: JSON.stringify(draft.points) }}
			{onDone}
		>
			<div class="below">
				<Field
					name="kind"
					label="What"
					options={MEASURE_KINDS.filter((k) => k !== 'heads' || plane.reference.kind === 'height').map(
						(k) => ({
							value: k,
							label: KIND_WORDS[k].name
						})
					)}
					bind:value={kind}
					onchange={() => draft.clear()}
				/>
				<p class="small">{KIND_WORDS[kind].how} Backspace takes a point back.</p>
				<p class="answer" aria-live="polite">
					{#if preview?.ok}{sureWords(kind, preview.value.value, preview.value.sigma, unit)}
						<span class="small">{plusMinus(kind, preview.value.sigma, unit)}</span>
					{:else if preview}<span class="wrong small">{say(preview.problem)}</span>
					{:else}<span class="small soft">{draft.count} of {LEAST_POINTS[kind]} points</span>{/if}
				</p>
				{#if preview?.ok}{#each preview.value.warnings as w (w.code)}<Notice>{warningWords(w)}</Notice
						>{/each}{/if}
				<Field name="label" label="Name" value="" hint="the same name on two pictures is one thing" />
				<div class="fields">
					<Field name="componentId" label="Of" {options} none="no component" value="" />
					<Field
						name="offPlaneMm"
						label="Off the plane by"
						bind:value={offPlane}
						inputmode="decimal"
						hint="towards the camera"
					/>
				</div>
			</div>
			<FormError name="points" />
			<PointsEnd {draft} ready={preview?.ok === true} label="Keep this measure" />
		</Form>
	{/if}
</Sheet>

<style>
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		min-height: 1.2em;
	}
</style>
