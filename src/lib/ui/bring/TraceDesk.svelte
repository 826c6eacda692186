<script lang="ts">
	/** A picture to scale, traced: outlines to choose over the picture, register marks by pointing at them, kept as pieces. */
	import pluralize from 'pluralize';
	import { onDestroy } from 'svelte';
	import type { Component } from '$core/facts/component.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import type { Homography } from '$core/engines/plane/homography.ts';
	import type { FlatView } from '$core/engines/plane/rectify.ts';
	import { say } from '$core/units/problem.ts';
	import { flatten } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';
	import { numberedAlone } from '$core/engines/pattern/numbered.ts';
	import { tracedOutlines, type Ground } from '$core/engines/trace/ground.ts';
	import { withMark } from '$core/engines/trace/mark.ts';
	import type { Look } from '$core/engines/trace/trace.ts';
	import { formatLength, parseLength } from '$core/units/measure.ts';
	import type { TraceResult } from '../../../workers/protocol.ts';
	import Field from '../Field.svelte';
	import Pieces from '../Pieces.svelte';
	import Tick from '../Tick.svelte';
	import KeepPieces from './KeepPieces.svelte';
	import Notice from '../Notice.svelte';
	import PlanePicture from './PlanePicture.svelte';
	import type { Above } from '$core/engines/trace/high.ts';
	import { catchMark, type Placed } from './picture.ts';
	import { Task } from '../task.svelte.ts';
	import TaskBar from '../TaskBar.svelte';

	interface Props {
		/** The picture, and where what is traced lies in it; asked for when it is traced. */
		source: (signal: AbortSignal) => Promise<{
			picture: Blob;
			toPlane: Homography;
			lens: number;
			view: FlatView;
			/** From where it was seen; null for what was scanned. */
			above: Above | null;
			/** The known rectangle where it lies among the pieces, mm, y up. */
			known: readonly Point[] | null;
		}>;
		title: string;
		look: Look;
		component: Component;
		workshop: Workshop;
		onDone: (id: number) => void;
	}
	let { source, title, look: first, component, workshop, onDone }: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);
	// svelte-ignore state_referenced_locally
	let look = $state<Look>(first);
	let speckText = $state('15 mm');
	let gapText = $state('0 mm');
	let highText = $state('0 mm');
	/** A line on a piece is a line; only who says so cuts it out. */
	let holes = $state(false);
	const speck = $derived(parseLength(speckText, unit));
	const gap = $derived(parseLength(gapText, unit));
	const high = $derived(parseLength(highText, unit));
	/** Finer than chalk, coarser than a camera's noise, mm. */
	const TOLERANCE = 0.4;

	const task = new Task<'trace'>();
	onDestroy(() => task.stop());
	let result = $state.raw<
		(TraceResult & { view: FlatView; known: readonly Point[] | null; picture: Placed }) | null
	>(null);
	let ticked = $state<Record<number, boolean>>({});
	/** In the flat view, mm, y down. */
	let marks = $state.raw<Point[]>([]);
	$effect(() => {
		const href = result?.picture.href;
		return () => href && URL.revokeObjectURL(href);
	});

	async function trace() {
		if (!speck.ok || !gap.ok || !high.ok) return;
		result = null;
		let view: FlatView | undefined;
		let sheet: readonly Point[] | null = null;
		const options = {
			look,
			speck: speck.value ** 2,
			tolerance: TOLERANCE,
			gap: gap.value,
			innerLines: !holes,
			high: look === 'laid' ? high.value : 0
		};
		const done = await task.start(
			() => new Worker(new URL('../../../workers/trace.worker.ts', import.meta.url), { type: 'module' }),
			async (signal) => {
				const { above, known, ...from } = await source(signal);
				view = from.view;
				sheet = known;
				return { kind: 'trace', ...from, options: { ...options, above, known } };
			}
		);
		if (!done || !view) return;
		const { width, height, pixelsPerMm } = view;
		const href = URL.createObjectURL(done.flat);
		const picture = { href, blob: done.flat, width, height, pixelsPerMm, turn: 0, move: [0, 0] as const };
		ticked = {};
		marks = [];
		result = { ...done, view, known: sheet, picture };
	}
	async function mark(at: Point) {
		if (!result) return;
		const caught = await catchMark([result.picture], at);
		marks = [...marks, caught];
	}

	/** What is ground is offered, and not taken by itself. */
	const GROUND: Record<Ground, string> = {
		under: 'lies under others',
		cut: 'cut off by the border',
		known: 'the sheet that is known'
	};
	const rows = $derived(result ? tracedOutlines(result, result.known) : []);
	const taken = $derived(rows.map((r, i) => ticked[i] ?? !r.ground));
	const marked = $derived.by(() => {
		const high = result?.view.height ?? 0;
		let pieces = rows.filter((_, i) => taken[i]).map((r) => r.piece);
		const off: number[] = [];
		marks.forEach(([x, y], m) => {
			const at: Point = [x, high - y];
			const index = pieces.findIndex((p) => withMark(p, at, String(m + 1)));
			if (index < 0) off.push(m + 1);
			else pieces = pieces.with(index, withMark(pieces[index]!, at, String(m + 1))!);
		});
		return { pieces, off };
	});
	const outlines = $derived.by(() => {
		const high = result?.view.height ?? 0;
		return rows.map(({ piece }, i) => ({
			name: String(i),
			taken: taken[i]!,
			path: [piece.outline, ...piece.holes]
				.map((o) => svgPath(flatten(o).points.map(([x, y]): Point => [x, y - high])))
				.join('')
		}));
	});
	const numbered = $derived(numberedAlone(marked.pieces, component.code));
</script>

<div class="fields">
	<Field
		name="look"
		label="The pieces are"
		options={[
			{ value: 'laid', label: 'laid on a mat of another colour' },
			{ value: 'drawn', label: 'drawn as lines on paper' }
		]}
		bind:value={look}
	/>
	<Field
		name="speck"
		label="Nothing smaller than"
		bind:value={speckText}
		hint={speck.ok ? `${length(speck.value)} square` : say(speck.problem)}
	/>
	{#if look === 'drawn'}
		<Field
			name="gap"
			label="Close gaps up to"
			bind:value={gapText}
			hint={gap.ok ? 'so that dashes become a line' : say(gap.problem)}
		/>
	{:else}
		<Field
			name="high"
			label="They stand above the mat by"
			bind:value={highText}
			hint={high.ok ? 'the thickness of foam; 0 for paper and cloth' : say(high.problem)}
		/>
	{/if}
</div>
{#if look === 'drawn'}
	<Tick name="holes" label="Closed lines in a piece are cut out" bind:checked={holes} />
{/if}
<TaskBar {task} label="Trace" going="Tracing" onstart={trace} disabled={!speck.ok || !gap.ok || !high.ok} />
{#if result}
	<p class="found">
		<b>{pluralize('outline', rows.length, true)}</b>{result.specks
			? `, ${pluralize('speck', result.specks, true)} left out`
			: ''}. Take those that are pieces; each can be corrected at its desk once it is kept.
	</p>
	{#if result.blurred}<p class="warn small">
			Its edges are {length(result.softness)} wide: the picture is not sharp, and outlines may be off by half of
			that. Take it again with a steady camera if they have to fit.
		</p>{/if}
	{#each result.warnings as w (w.code)}<Notice>{say(w)}</Notice>{/each}
	<div class="columns">
		<div>
			<PlanePicture pictures={[result.picture]} label="What was traced" {outlines} {marks} onpoint={mark} />
			<p class="small soft">
				Point at a register mark and its middle is found: a notch where an edge is near, a cross on the piece.
			</p>
		</div>
		<div>
			<ul>
				{#each rows as row, i (i)}
					<li>
						<label
							><input
								type="checkbox"
								checked={taken[i]}
								onchange={(event) => (ticked[i] = event.currentTarget.checked)}
							/>
							<span class="figure">{length(row.wide)} × {length(row.high)}</span>
							{row.piece.holes.length ? `${pluralize('hole', row.piece.holes.length, true)}` : ''}{row.ground
								? ` · ${GROUND[row.ground]}`
								: ''}</label
						>
					</li>
				{/each}
			</ul>
			{#if marks.length}
				<p>
					<b>{pluralize('mark', marks.length, true)}</b>{#each marked.off as n (n)}<span class="soft"
							>{` · mark ${n} lies on no piece`}</span
						>{/each}
					<button class="button small" type="button" onclick={() => (marks = marks.slice(0, -1))}
						>Take the last one off</button
					>
				</p>
			{/if}
		</div>
	</div>
	{#if marked.pieces.length}
		<Pieces pieces={numbered} label="Traced pieces" />
		<KeepPieces
			pieces={marked.pieces}
			origin="traced"
			name={title}
			{component}
			materials={workshop.materials}
			{onDone}
		/>
	{/if}
{/if}

<style>
	.columns {
		display: grid;
		grid-template-columns: minmax(0, 7fr) minmax(220px, 4fr);
		gap: 16px;
		margin-bottom: 12px;
	}
	.columns > div {
		min-width: 0;
	}
	.found {
		margin: 12px 0 8px;
	}
	ul {
		list-style: none;
		margin: 0 0 8px;
		padding: 0;
	}
	li label {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 32px;
		cursor: pointer;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
	}
	@media (max-width: 900px) {
		.columns {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
