<script lang="ts">
	/** A shape of triangles: scaled to the wearer, unfolded facet by facet or laid flat in few patches in a worker, kept as pieces. */
	import { onDestroy } from 'svelte';
	import { BODY_MEASURES, GIRTH_KEYS, type MeasureKey } from '$core/facts/bodyMeasure.ts';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import {
		factorForGirth,
		figuresOfMesh,
		scaled,
		triangleCount,
		type Mesh
	} from '$core/engines/mesh/mesh.ts';
	import { formOf } from '$core/engines/mesh/kept.ts';
	import { bendsGently, ridgesOf } from '$core/engines/mesh/unfold.ts';
	import { say, sayOf } from '$core/units/problem.ts';
	import { follow } from '$core/answers/shapePieces.ts';
	import type { Problem } from '$core/units/problem.ts';
	import { formatLength, MM_PER } from '$core/units/measure.ts';
	import { parseLength, parseSignedLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { formatPercent } from '$core/units/number.ts';
	import { LAID_FLAT, LAID_FLAT_KEYS, takesStrain } from '$core/trade/laidFlat.ts';
	import { mainlyCutFrom } from '$core/answers/cutFrom.ts';
	import { page } from '$app/state';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import type { PatchesResult, UnfoldedWay } from '../../../workers/protocol.ts';
	import Field from '../Field.svelte';
	import Sheet from '../Sheet.svelte';
	import Solid from '../Solid.svelte';
	import MeshFigures from './MeshFigures.svelte';
	import MeshPatches from './MeshPatches.svelte';
	import UnfoldedPieces from './UnfoldedPieces.svelte';
	import PrintedPart from './PrintedPart.svelte';
	import { Task } from '../task.svelte.ts';
	import TaskBar from '../TaskBar.svelte';
	import Desk from '../Desk.svelte';
	import type { BroughtTo } from './brought.ts';

	interface Props extends BroughtTo {
		mesh: Mesh;
		/** The same in few faces, to be kept with its pieces. */
		few: Mesh;
		notes: readonly Problem[];
	}
	let { mesh, few, notes, name, component, components, fit, workshop, onDone }: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);

	let fileUnit = $state<keyof typeof MM_PER>('mm');
	let by = $state<'unit' | 'girth'>('unit');
	let measure = $state<MeasureKey>('headGirth');
	let ease = $state('3 cm');
	let share = $state('50');
	let thicknessText = $state('6 mm');
	let mostText = $state('');

	const taken = $derived(follow(measure, { component, components, wearers: fittedOf(fit) }));
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

	const record = $derived(page.data.record as CostumeRecord);
	// svelte-ignore state_referenced_locally
	let how = $state<'facets' | 'patches'>(bendsGently(mesh) ? 'patches' : 'facets');
	// svelte-ignore state_referenced_locally
	let takes = $state<string>(
		takesStrain(mainlyCutFrom(component, record.needs, workshop.materials)).key ?? 'felt'
	);
	const limit = $derived(LAID_FLAT[takes as keyof typeof LAID_FLAT].share);

	/** As it is kept to stand on the wearer: few faces are enough. */
	const kept = $derived(factor ? formOf(scaled(few, factor)) : null);

	/** Looks so long for shorter seams. */
	const SECONDS = 25;
	const patching = new Task<'patches'>();
	let patched = $state.raw<{ from: Mesh; limit: number; done: PatchesResult } | null>(null);
	const patches = $derived(
		patched && how === 'patches' && patched.from === sized && patched.limit === limit ? patched.done : null
	);
	async function lay() {
		if (!sized || (most && !most.ok)) return;
		const request = { mesh: sized, limit, most: most ? most.value : null, seconds: SECONDS };
		const done = await patching.start(
			() => new Worker(new URL('../../../workers/patches.worker.ts', import.meta.url), { type: 'module' }),
			async () => ({ kind: 'patches', ...request })
		);
		if (done) patched = { from: request.mesh, limit: request.limit, done };
	}
	onDestroy(() => patching.stop());

	const task = new Task<'unfold'>();
	let result = $state.raw<{ from: Mesh; unfolded: UnfoldedWay[] } | null>(null);
	/** Pieces of another size are no pieces of this one. */
	const shown = $derived(result && how === 'facets' && result.from === sized ? result.unfolded : null);

	async function unfold() {
		if (!sized || !thickness.ok || (most && !most.ok)) return;
		const from = sized;
		const options = { thickness: thickness.value, most: most ? most.value : null };
		const unfolded = await task.start(
			() => new Worker(new URL('../../../workers/unfold.worker.ts', import.meta.url), { type: 'module' }),
			async () => ({ kind: 'unfold', mesh: from, ...options })
		);
		if (unfolded) result = { from, unfolded };
	}
	onDestroy(() => task.stop());
</script>

<Desk sides="minmax(280px, 5fr) 7fr">
	<Sheet title="Size">
		<MeshFigures triangles={triangleCount(mesh)} {figures} {unit} />
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
					options={GIRTH_KEYS.map((k) => ({
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
				name="how"
				label="Laid flat"
				options={[
					{ value: 'facets', label: 'facet by facet, exactly' },
					{ value: 'patches', label: 'curved, in few patches' }
				]}
				bind:value={how}
			/>
			{#if how === 'patches'}
				<Field
					name="takes"
					label="The material gives"
					options={LAID_FLAT_KEYS.map((k) => ({
						value: k,
						label: `${formatPercent(LAID_FLAT[k].share)}: ${LAID_FLAT[k].words}`
					}))}
					bind:value={takes}
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
					{sayOf('notMeasured', { measure: BODY_MEASURES[measure].name })}
				</p>{/if}
		{/if}
		{#if how === 'facets'}
			<TaskBar {task} label="Unfold" going="Unfolding" onstart={unfold} disabled={!sized} />
		{:else}
			<TaskBar task={patching} label="Lay flat" going="Laying flat" onstart={lay} disabled={!sized} />
			<p class="small soft">
				Cut where its seams are shortest, so that no place is pulled farther than the material goes; {SECONDS} seconds
				at most.
			</p>
		{/if}
		<div class="drawing"><Solid {lines} label="The shape" /></div>
	</Sheet>
	<div class="stack">
		{#if patches}
			<MeshPatches {patches} {limit} {kept} {name} {component} {workshop} {onDone} />
		{:else if shown}
			<UnfoldedPieces ways={shown} {kept} {name} {component} {workshop} {onDone} />
		{:else}
			<Sheet title="Pieces"
				><p class="soft">Set the size, then {how === 'facets' ? 'unfold it' : 'lay it flat'}.</p></Sheet
			>
		{/if}
		{#if figures}<PrintedPart {figures} {component} {workshop} />{/if}
	</div>
</Desk>

<style>
	.fields {
		margin-top: 12px;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
		margin: 8px 0;
	}
	.drawing {
		height: 220px;
		margin-top: 12px;
	}
</style>
