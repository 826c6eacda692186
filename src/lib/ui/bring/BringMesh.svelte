<script lang="ts">
	/** A faceted shape: scaled to the wearer, unfolded in a worker, kept as pieces. */
	import { onDestroy } from 'svelte';
	import type { Component } from '$core/costume/component.ts';
	import type { Workshop } from '$core/costume/record.ts';
	import { BODY_MEASURES, MEASURE_KEYS, type MeasureKey } from '$core/measure/body/bodyMeasure.ts';
	import { wearersOf, type MeasureRecord } from '$core/measure/body/measureRecord.ts';
	import { factorForGirth, figuresOfMesh, scaled, triangleCount, type Mesh } from '$core/mesh/mesh.ts';
	import { ridgesOf } from '$core/mesh/unfold.ts';
	import { say } from '$core/messages.ts';
	import { follow, numberedAlone } from '$core/pattern/storedShape.ts';
	import type { Problem } from '$core/problem.ts';
	import {
		formatLength,
		formatSmallArea,
		MM_PER,
		parseLength,
		parseSignedLength
	} from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import type { UnfoldResult } from '../../../workers/protocol.ts';
	import { run } from '../../../workers/run.ts';
	import Field from '../Field.svelte';
	import Pieces from '../Pieces.svelte';
	import Sheet from '../Sheet.svelte';
	import Solid from '../Solid.svelte';
	import KeepPieces from './KeepPieces.svelte';

	interface Props {
		mesh: Mesh;
		notes: readonly Problem[];
		name: string;
		component: Component;
		components: readonly Component[];
		fit: MeasureRecord;
		workshop: Workshop;
		onDone: (id: number) => void;
	}
	let { mesh, notes, name, component, components, fit, workshop, onDone }: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);

	let fileUnit = $state<keyof typeof MM_PER>('mm');
	let by = $state<'unit' | 'girth'>('unit');
	let measure = $state<MeasureKey>('headGirth');
	let ease = $state('3 cm');
	let share = $state('50');
	let thicknessText = $state('6 mm');
	let mostText = $state('');

	const taken = $derived(follow(measure, { component, components, wearers: wearersOf(fit) }));
	const easeRead = $derived(parseSignedLength(ease, unit));
	const thickness = $derived(parseLength(thicknessText, unit));
	const most = $derived(mostText.trim() === '' ? null : parseLength(mostText, unit));
	const girth = $derived(taken && easeRead.ok ? taken.mm + easeRead.value : null);
	const factor = $derived(
		by === 'unit'
			? MM_PER[fileUnit]
			: girth === null
				? null
				: factorForGirth(mesh, Number(share) / 100, girth)
	);
	const sized = $derived(factor ? scaled(mesh, factor) : null);
	const figures = $derived(sized && figuresOfMesh(sized));
	const lines = $derived(ridgesOf(mesh));

	let progress = $state<number | null>(null);
	let problem = $state('');
	let result = $state.raw<{ from: Mesh; unfolded: UnfoldResult } | null>(null);
	let stopper: AbortController | null = null;
	/** Pieces of another size are no pieces of this one. */
	const shown = $derived(result && result.from === sized ? result.unfolded : null);

	async function unfold() {
		if (!sized || !thickness.ok || (most && !most.ok)) return;
		problem = '';
		progress = 0;
		stopper?.abort();
		const mine = (stopper = new AbortController());
		const from = sized;
		const outcome = await run<'unfold'>(
			() => new Worker(new URL('../../../workers/unfold.worker.ts', import.meta.url), { type: 'module' }),
			{ kind: 'unfold', mesh: from, thickness: thickness.value, most: most ? most.value : null },
			(done) => (progress = done),
			mine.signal
		);
		progress = null;
		if (outcome.ok) result = { from, unfolded: outcome.result };
		else if (outcome.code !== 'stopped') problem = say({ code: outcome.code, path: [] });
	}
	onDestroy(() => stopper?.abort());
	const numbered = $derived(numberedAlone(shown?.pieces ?? [], component.code));
</script>

<div class="desk">
	<Sheet title="Size">
		<dl>
			<div>
				<dt>Triangles</dt>
				<dd>{formatNumber(triangleCount(mesh))}</dd>
			</div>
			{#if figures}
				<div>
					<dt>Wide, deep, high</dt>
					<dd>
						{length(figures.high[0] - figures.low[0])} × {length(figures.high[1] - figures.low[1])} × {length(
							figures.high[2] - figures.low[2]
						)}
					</dd>
				</div>
				<div>
					<dt>Surface</dt>
					<dd>{formatSmallArea(figures.area, unit)}</dd>
				</div>
				{#if figures.closed}
					<div>
						<dt>Holds</dt>
						<dd>{formatNumber(figures.volume / 1e6, 2)} l</dd>
					</div>
				{/if}
			{/if}
		</dl>
		{#each notes as note (note.code)}<p class="warn small">{say(note)}</p>{/each}
		<div class="fields">
			<Field
				name="by"
				label="Scaled by"
				options={[
					{ value: 'unit', label: 'the file’s unit' },
					{ value: 'girth', label: 'a girth of the wearer' }
				]}
				bind:value={by}
			/>
			{#if by === 'unit'}
				<Field name="unit" label="The file is in" options={Object.keys(MM_PER)} bind:value={fileUnit} />
			{:else}
				<Field
					name="measure"
					label="Girth"
					options={MEASURE_KEYS.filter((k) => /Girth$/.test(k)).map((k) => ({
						value: k,
						label: BODY_MEASURES[k].name
					}))}
					bind:value={measure}
				/>
				<Field
					name="ease"
					label="Ease and padding"
					bind:value={ease}
					hint={easeRead.ok ? undefined : say(easeRead.problem)}
				/>
				<Field
					name="share"
					label="Taped at, from below"
					type="text"
					inputmode="decimal"
					bind:value={share}
					suffix="% of its height"
				/>
			{/if}
			<Field
				name="thickness"
				label="Thickness"
				bind:value={thicknessText}
				hint={thickness.ok ? undefined : say(thickness.problem)}
			/>
			<Field
				name="most"
				label="No piece larger than"
				bind:value={mostText}
				hint={most && !most.ok ? say(most.problem) : 'empty: any size'}
			/>
		</div>
		{#if by === 'girth'}
			{#if taken && girth !== null}<p class="small soft">
					{BODY_MEASURES[measure].name} of {taken.wearer}
					{length(taken.mm)} and {ease}: {length(girth)}{factor
						? `, scaled by ${formatNumber(factor, 4)}`
						: ': nothing to go round at that height'}.
				</p>
			{:else}<p class="warn small">
					{say({ code: 'notMeasured', path: [], values: { measure: BODY_MEASURES[measure].name } })}
				</p>{/if}
		{/if}
		<p class="row">
			<button class="button main" onclick={unfold} disabled={!sized || progress !== null}>Unfold</button>
			{#if progress !== null}
				<progress value={progress} aria-label="Unfolding"></progress>
				<button class="button small" onclick={() => stopper?.abort()}>Stop</button>
			{/if}
		</p>
		{#if problem}<p class="error" role="alert">{problem}</p>{/if}
		<div class="drawing"><Solid {lines} label="The faceted shape" /></div>
	</Sheet>
	<div class="right">
		{#if shown}
			<Sheet title="{shown.pieces.length} {shown.pieces.length === 1 ? 'piece' : 'pieces'}">
				<p>
					<b class="figure">{length(shown.seamLength)}</b> of seams. Edges with the same number meet; inner lines
					are folded.
				</p>
				{#each shown.notes as note (note.code)}<p class="warn small">{say(note)}</p>{/each}
				<Pieces pieces={numbered} label="Unfolded pieces" />
				<KeepPieces
					pieces={shown.pieces}
					origin="unfolded"
					{name}
					{component}
					materials={workshop.materials}
					{onDone}
				/>
			</Sheet>
		{:else}
			<Sheet title="Pieces"><p class="soft">Set the size, then unfold it.</p></Sheet>
		{/if}
	</div>
</div>

<style>
	.desk {
		display: grid;
		grid-template-columns: minmax(280px, 5fr) 7fr;
		gap: 16px;
		align-items: start;
	}
	.right {
		min-width: 0;
	}
	dl {
		margin: 0 0 12px;
	}
	dl div {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 12px;
		border-bottom: 1px solid var(--rule);
		padding: 5px 0;
	}
	dd {
		margin: 0;
		font-family: var(--mono);
		font-size: var(--s13);
	}
	.fields {
		margin-top: 12px;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
		margin: 8px 0;
	}
	.error {
		color: var(--red-ink);
	}
	.row {
		margin-top: 12px;
		gap: 12px;
	}
	.drawing {
		height: 220px;
		margin-top: 12px;
	}
	@media (max-width: 900px) {
		.desk {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
