<script lang="ts">
	/** A value of a shape: typed, chosen, or following a measure of the wearer. */
	import Field from '../Field.svelte';
	import Working from '../Working.svelte';
	import { formatNumber } from '$core/units/number.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import { measureWords, BODY_MEASURES, MEASURE_KEYS } from '$core/facts/bodyMeasure.ts';
	import type { ShapeField } from './shapeDraft.svelte.ts';
	import { ShapeDraft } from './shapeDraft.svelte.ts';
	import { girthFigure } from '$core/explain/fit.ts';
	import type { ShapeValue } from '$core/facts/shape.ts';
	import { say } from '$core/units/problem.ts';

	/** Follows with nothing added. */
	function nothingMore(value: ShapeValue): boolean {
		return typeof value !== 'number' && value.plus === 0;
	}
	interface Props {
		draft: ShapeDraft;
		field: ShapeField;
		unit: LengthUnit;
	}
	let { draft, field, unit }: Props = $props();
	const { key, param, follows, text } = $derived(field);
	/** Followed as it is: its ease has a field of its own. A value that is there all the same stays in sight. */
	const plain = $derived(!!param.eased && follows !== '' && field.read.ok && nothingMore(field.read.value));
	const wrong = $derived(draft.problemAt === key && draft.problem !== null);
	const given = $derived(draft.given(key));
	const followed = $derived(draft.followed(follows));
	const measures = MEASURE_KEYS.map((value) => ({ value, label: `follows ${BODY_MEASURES[value].name}` }));
</script>

<div class="param" class:eased={param.eased}>
	{#if param.choices}
		<Field
			name="value.{key}"
			label={param.name}
			options={param.choices.map((label, value) => ({ value: String(value), label }))}
			value={text}
			onchange={(v) => draft.type(key, v)}
		/>
	{:else}
		<label class="small" for="value-{key}">{param.name}{follows && !plain ? ', with ease of' : ''}</label>
		<span class="row"
			><input
				id="value-{key}"
				name="value.{key}"
				type={plain ? 'hidden' : 'text'}
				inputmode="decimal"
				value={text}
				aria-invalid={wrong ? 'true' : undefined}
				aria-describedby="about-{key}"
				oninput={(e) => draft.type(key, e.currentTarget.value)}
			/>{param.unit === 'deg' ? '°' : param.unit === 'times' ? '×' : param.unit === 'percent' ? '%' : ''}
			{#if param.measure}
				<select
					name="follow.{key}"
					class:plain
					aria-label="{param.name}: what it follows"
					value={follows}
					onchange={(e) => draft.choose(field, e.currentTarget.value)}
				>
					<option value="">as typed</option>
					{#each measures as m (m.value)}<option value={m.value}>{m.label}</option>{/each}
				</select>
			{/if}</span
		>
	{/if}
	<span class="small" id="about-{key}">
		{#if wrong}<b class="wrong">{say(draft.problem!)}</b>
		{:else if followed}<Working
				figure={girthFigure(
					{
						key: followed.key,
						body: followed.body,
						beneath: followed.beneath,
						mm: followed.mm
					},
					unit,
					followed.side
				)}
			/>
			<span class="soft">{measureWords(followed.key, followed.side)}, {followed.wearer}</span>
		{:else if given !== null}<span class="soft"
				>{param.unit === 'mm' ? draft.length(given) : `${formatNumber(given, 1)} %`} of {draft.material
					?.name}{key === 'cloth' ? ' can be laid, and count' : ' count'}{key === 'thickness' &&
				draft.layers > 1
					? `, ${draft.layers} layers`
					: ''}</span
			>
		{:else if param.hint}<span class="soft">{param.hint}</span>{/if}
	</span>
</div>

<style>
	.param {
		display: grid;
		gap: 4px;
		align-content: start;
		min-width: 0;
	}
	/* A measure stands left of its ease. */
	.eased {
		grid-column-start: 1;
	}
	.param label {
		font-weight: 600;
	}
	.param input {
		width: 100%;
		min-width: 64px;
		flex: 1;
	}
	.param select {
		min-width: 0;
		max-width: 130px;
	}
	.param select.plain {
		max-width: none;
		flex: 1;
	}
	.param .row {
		flex-wrap: nowrap;
		gap: 6px;
	}
</style>
