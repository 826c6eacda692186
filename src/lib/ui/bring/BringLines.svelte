<script lang="ts">
	/** A drawing of pieces: its unit, how large that makes them, kept as pieces. */
	import pluralize from 'pluralize';
	import { onDestroy, untrack } from 'svelte';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import { follow } from '$core/answers/shapePieces.ts';
	import { numberedAlone } from '$core/engines/pattern/numbered.ts';
	import { boxOf, flatten } from '$core/engines/pattern/outline.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import type { ReadResult } from '../../../workers/protocol.ts';
	import Field from '../Field.svelte';
	import Pieces from '../Pieces.svelte';
	import Sheet from '../Sheet.svelte';
	import SizeBeside from './SizeBeside.svelte';
	import KeepPieces from './KeepPieces.svelte';
	import { Task } from '../task.svelte.ts';
	import TaskBar from '../TaskBar.svelte';
	import Desk from '../Desk.svelte';
	import type { BroughtTo } from './brought.ts';

	interface Props extends BroughtTo {
		text: string;
		format: 'svg' | 'dxf';
	}
	let { text, format, name, component, components, fit, workshop, onDone }: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);
	/** Units of a drawing that does not say; 96 to the inch is what drawing programs take a bare number for. */
	const ASKED = { mm: 1, cm: 10, in: 25.4, '1/96 in': 25.4 / 96, '1/72 in': 25.4 / 72 } as const;
	let asked = $state<keyof typeof ASKED>('mm');
	let result = $state.raw<ReadResult | null>(null);
	const task = new Task<'read'>();

	async function read(mm: number) {
		const done = await task.start(
			() => new Worker(new URL('../../../workers/read.worker.ts', import.meta.url), { type: 'module' }),
			async () => ({ kind: 'read', format, text, unit: mm })
		);
		if (done) result = done;
	}
	$effect(() => {
		const mm = ASKED[asked];
		untrack(() => read(mm));
	});
	onDestroy(() => task.stop());

	const numbered = $derived(numberedAlone(result?.pieces ?? [], component.code));
	const largest = $derived(
		(result?.pieces ?? [])
			.map((p) => boxOf(flatten(p.outline).points))
			.map((b) => ({ wide: b.right - b.left, high: b.top - b.bottom }))
			.sort((a, b) => b.wide * b.high - a.wide * a.high)[0]
	);
	/** Something of the wearer to hold the size against. */
	const from = $derived({ component, components, wearers: fittedOf(fit), materials: workshop.materials });
	const chest = $derived(follow('chestGirth', from));
	const stature = $derived(follow('stature', from));
	/** Of whom nobody has measured. A round figure, common practice. */
	const USUAL_STATURE = 1700;
</script>

<Desk sides="minmax(280px, 5fr) 7fr">
	<Sheet title="Size">
		<TaskBar {task} going="Reading" />
		{#if result}
			{#if result.unit === null}
				<Field
					name="asked"
					label="One unit of the drawing is"
					options={Object.keys(ASKED)}
					bind:value={asked}
				/>
				<p class="small soft">The file does not say. Choose the one that gives the right size.</p>
			{:else}<p>The file says its size: one unit is {formatNumber(result.unit, 4)} mm.</p>{/if}
			{#if largest}
				<p class="lead">{length(largest.wide)} × {length(largest.high)}</p>
				<p class="small soft">
					the largest piece{chest ? `; the chest of ${chest.wearer} is ${length(chest.body)} round` : ''}
				</p>
			{/if}
			<SizeBeside
				pieces={result.pieces}
				stature={stature?.body ?? USUAL_STATURE}
				label="The pieces beside {stature?.wearer ?? 'a body'}, {length(stature?.body ?? USUAL_STATURE)} tall"
			/>
			<p class="small soft">
				beside {stature
					? `${stature.wearer}, ${length(stature.body)} tall`
					: `a body ${length(USUAL_STATURE)} tall: nobody’s stature is measured`}
			</p>
			{#if result.specks}<p class="warn small">
					{result.specks} closed lines were too small to be pieces.
				</p>{/if}
			{#if result.loose}<p class="warn small">
					{result.loose} lines lie on no piece, or are of a kind that is not read: they were left out.
				</p>{/if}
		{/if}
	</Sheet>
	{#if result}
		<Sheet title={pluralize('piece', result.pieces.length, true)}>
			<Pieces pieces={numbered} label="Pieces of {name}" />
			<KeepPieces
				pieces={result.pieces}
				origin="imported"
				{name}
				{component}
				materials={workshop.materials}
				{onDone}
			/>
		</Sheet>
	{/if}
</Desk>

<style>
	.lead {
		font-family: var(--head);
		font-size: var(--s24);
		font-weight: 700;
		margin: 12px 0 0;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
		margin: 8px 0;
	}
</style>
