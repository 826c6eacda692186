<script lang="ts">
	/** Pieces that lie on a mat with four known corners, traced from a photo. */
	import { onDestroy } from 'svelte';
	import type { Component } from '$core/costume/component.ts';
	import type { ReferencePicture } from '$core/costume/picture.ts';
	import type { Workshop } from '$core/costume/record.ts';
	import { say } from '$core/messages.ts';
	import { numberedAlone } from '$core/pattern/storedShape.ts';
	import { flatViewOf, withinReference } from '$core/measure/plane/rectify.ts';
	import { planeOfPicture } from '$core/measure/plane/readings.ts';
	import { boxOf, flatten, type Box } from '$core/pattern/outline.ts';
	import { formatLength, parseLength } from '$core/units/measure.ts';
	import type { TraceResult } from '../../../workers/protocol.ts';
	import { run } from '../../../workers/run.ts';
	import Field from '../Field.svelte';
	import Pieces from '../Pieces.svelte';
	import Sheet from '../Sheet.svelte';
	import KeepPieces from './KeepPieces.svelte';

	interface Props {
		pictures: readonly ReferencePicture[];
		component: Component;
		workshop: Workshop;
		/** Of the costume. */
		base: string;
		onDone: (id: number) => void;
	}
	let { pictures, component, workshop, base, onDone }: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);
	const scaled = $derived(pictures.filter((p) => planeOfPicture(p)?.reference.kind === 'rectangle'));
	let chosen = $state<string | number>('');
	const picture = $derived(scaled.find((p) => p.id === Number(chosen)) ?? scaled[0]);
	let part = $state<'corners' | 'all'>('corners');
	let speckText = $state('15 mm');
	const speck = $derived(parseLength(speckText, unit));
	/** Finer than chalk, coarser than a camera's noise, mm. */
	const TOLERANCE = 0.4;

	let progress = $state<number | null>(null);
	let problem = $state('');
	let result = $state.raw<TraceResult | null>(null);
	let stopper: AbortController | null = null;
	/** The flat view that was traced, mm. */
	let seen = $state.raw<{ width: number; height: number } | null>(null);
	let ticked = $state<Record<number, boolean>>({});
	const BORDER = 3;

	async function trace() {
		const plane = picture && planeOfPicture(picture);
		if (!picture || !plane || !speck.ok) return;
		problem = '';
		result = null;
		progress = 0;
		const mine = (stopper = new AbortController());
		const response = await fetch(`/picture/${picture.hash}`, { signal: mine.signal }).catch(() => null);
		if (!response?.ok) {
			progress = null;
			if (!mine.signal.aborted) problem = 'The picture cannot be read.';
			return;
		}
		const view =
			part === 'corners'
				? withinReference(plane.toPlane, plane.reference.points)
				: flatViewOf(plane.toPlane, picture, plane.reference.points);
		const outcome = await run<'trace'>(
			() => new Worker(new URL('../../../workers/trace.worker.ts', import.meta.url), { type: 'module' }),
			{
				kind: 'trace',
				picture: await response.blob(),
				toPlane: plane.toPlane,
				view,
				speck: speck.value ** 2,
				tolerance: TOLERANCE
			},
			(done) => (progress = done),
			mine.signal
		);
		progress = null;
		seen = view;
		ticked = {};
		if (outcome.ok) result = outcome.result;
		else if (outcome.code !== 'stopped') problem = say({ code: outcome.code, path: [] });
	}
	onDestroy(() => stopper?.abort());
	/** What lies under others, or is cut off by the view, is the ground: it is offered, and not taken by itself. */
	const rows = $derived.by(() => {
		if (!result || !seen) return [];
		const { width, height } = seen;
		const boxes = result.pieces.map((p) => boxOf(flatten(p.outline).points));
		const holds = (a: Box, b: Box) =>
			a.left <= b.left && a.right >= b.right && a.bottom <= b.bottom && a.top >= b.top;
		return result.pieces.map((piece, i) => {
			const box = boxes[i]!;
			const holes = piece.holes.map((h) => boxOf(flatten(h).points));
			const under = boxes.some((other) => other !== box && holes.some((hole) => holds(hole, other)));
			const near = Math.min(box.left, box.bottom, width - box.right, height - box.top);
			return {
				piece,
				wide: box.right - box.left,
				high: box.top - box.bottom,
				ground: under ? 'lies under others' : near < BORDER ? 'cut off by the border' : ''
			};
		});
	});
	const kept = $derived(rows.filter((r, i) => ticked[i] ?? !r.ground).map((r) => r.piece));
	const numbered = $derived(numberedAlone(kept, component.code));
</script>

<Sheet title="Trace a photo">
	{#if !picture}
		<p class="small soft">
			Lay tape, paper or cloth pieces on a plain mat or sheet whose corners you know, and take a photo. Add it
			under <a href="{base}/look/pictures">Pictures</a>, give it its scale by the four corners in
			<a href="{base}/measure/pictures">Measure</a>; then it can be traced here.
		</p>
	{:else}
		<div class="fields">
			<Field
				name="picture"
				label="Photo with four known corners"
				options={scaled.map((p) => ({ value: p.id, label: p.title || `Picture ${p.id}, ${p.angle}` }))}
				value={picture.id}
				onchange={(value) => {
					chosen = value;
					result = null;
				}}
			/>
			<Field
				name="part"
				label="Trace"
				options={[
					{ value: 'corners', label: 'what lies between the corners' },
					{ value: 'all', label: 'all that the photo shows' }
				]}
				bind:value={part}
			/>
			<Field
				name="speck"
				label="Nothing smaller than"
				bind:value={speckText}
				hint={speck.ok ? `${formatLength(speck.value, unit)} square` : say(speck.problem)}
			/>
		</div>
		<p class="row">
			<button class="button main" onclick={trace} disabled={progress !== null || !speck.ok}>Trace</button>
			{#if progress !== null}
				<progress value={progress} aria-label="Tracing"></progress>
				<button class="button small" onclick={() => stopper?.abort()}>Stop</button>
			{/if}
		</p>
		{#if problem}<p class="error" role="alert">{problem}</p>{/if}
		{#if result}
			<p>
				<b>{rows.length} {rows.length === 1 ? 'outline' : 'outlines'}</b>{result.specks
					? `, ${result.specks} specks left out`
					: ''}. Take those that are pieces; each can be corrected at its desk once it is kept.
			</p>
			<ul>
				{#each rows as row, i (i)}
					<li>
						<label
							><input
								type="checkbox"
								checked={ticked[i] ?? !row.ground}
								onchange={(event) => (ticked[i] = event.currentTarget.checked)}
							/>
							<span class="figure">{formatLength(row.wide, unit)} × {formatLength(row.high, unit)}</span>
							{row.piece.holes.length
								? `${row.piece.holes.length} ${row.piece.holes.length === 1 ? 'hole' : 'holes'}`
								: ''}{row.ground ? ` · ${row.ground}` : ''}</label
						>
					</li>
				{/each}
			</ul>
			{#if kept.length}
				<Pieces pieces={numbered} label="Traced pieces" />
				<KeepPieces
					pieces={kept}
					origin="traced"
					name={picture.title || 'traced'}
					{component}
					materials={workshop.materials}
					{onDone}
				/>
			{/if}
		{/if}
	{/if}
</Sheet>

<style>
	.row {
		margin-top: 12px;
		gap: 12px;
	}
	ul {
		list-style: none;
		margin: 8px 0;
		padding: 0;
	}
	li label {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 32px;
		cursor: pointer;
	}
	.error {
		color: var(--red-ink);
	}
</style>
