<script lang="ts">
	/** A pattern printed over many pages: the pages joined to a sheet at true size, and traced. */
	import pluralize from 'pluralize';
	import { onDestroy, untrack } from 'svelte';
	import type { Component } from '$core/facts/component.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { good, say } from '$core/units/problem.ts';
	import type { Point } from '$core/units/point.ts';
	import { gridPlace, joinByMarks, sheetOf } from '$core/engines/trace/mark.ts';
	import { formatLength, parseLength } from '$core/units/measure.ts';
	import { formatNumber, parseNumber } from '$core/units/number.ts';
	import Field from '../Field.svelte';
	import Sheet from '../Sheet.svelte';
	import { LongWork } from '../task.svelte.ts';
	import { pagesOf, PIXELS_PER_MM, type Page } from './pdf.ts';
	import { catchMark, type Placed } from './picture.ts';
	import PlanePicture from './PlanePicture.svelte';
	import TaskBar from '../TaskBar.svelte';
	import TraceDesk from './TraceDesk.svelte';

	interface Props {
		bytes: Uint8Array;
		name: string;
		component: Component;
		workshop: Workshop;
		onDone: (id: number) => void;
	}
	let { bytes, name, component, workshop, onDone }: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);

	let pages = $state.raw<(Page & { href: string })[]>([]);
	const task = new LongWork();
	$effect(() => {
		untrack(async () => {
			const read = await task.run(async (signal, progress) => good(await pagesOf(bytes, progress, signal)));
			if (read) pages = read.map((page) => ({ ...page, href: URL.createObjectURL(page.blob) }));
		});
	});
	onDestroy(() => {
		task.stop();
		for (const page of pages) URL.revokeObjectURL(page.href);
	});

	let percentText = $state('100');
	const percent = $derived(parseNumber(percentText));
	/** True mm of one mm of the page. */
	const grow = $derived(percent.ok && percent.value > 0 ? 100 / percent.value : 1);
	let across = $state('1');
	let overlapText = $state('0 mm');
	const overlap = $derived(parseLength(overlapText, unit));

	/** Pages on the sheet, in the order in which they were laid: the first lies as it is. */
	let laid = $state.raw<{ number: number; turn: number; move: Point; misfit: number | null }[]>([]);
	const placed = $derived(
		laid.flatMap(({ number, turn, move }): Placed[] => {
			const page = pages.find((p) => p.number === number);
			return page ? [{ ...own(page), turn, move }] : [];
		})
	);
	const own = (page: Page & { href: string }): Placed => ({
		href: page.href,
		blob: page.blob,
		width: page.width * grow,
		height: page.height * grow,
		pixelsPerMm: PIXELS_PER_MM / grow,
		turn: 0,
		move: [0, 0]
	});
	const open = $derived(pages.filter((p) => !laid.some((l) => l.number === p.number)));
	let chosen = $state<string | number>('');
	const next = $derived(open.find((p) => p.number === Number(chosen)) ?? open[0]);
	let onSheet = $state.raw<Point[]>([]);
	let onPage = $state.raw<Point[]>([]);
	const twoOf = (marks: readonly Point[], at: Point) => (marks.length >= 2 ? [at] : [...marks, at]);
	const join = $derived(
		onSheet.length === 2 && onPage.length === 2
			? joinByMarks([onSheet[0]!, onSheet[1]!], [onPage[0]!, onPage[1]!])
			: null
	);
	/** Marks that stand farther apart on one page than on the other by more than this are not the same, mm. */
	const MISFIT = 1.5;

	function lay(number: number, turn: number, move: Point, misfit: number | null) {
		laid = [...laid, { number, turn, move, misfit }];
		onSheet = [];
		onPage = [];
		chosen = '';
	}
	function layGrid() {
		const columns = Math.max(1, Math.min(pages.length, Math.round(Number(across)) || 1));
		const by = overlap.ok ? overlap.value : 0;
		laid = pages.map((page, i) => ({
			number: page.number,
			turn: 0,
			move: gridPlace(i, columns, page.width * grow, page.height * grow, by),
			misfit: null
		}));
	}

	/** The sheet as one picture: white paper, and whatever is dark on any page. */
	async function source(signal: AbortSignal) {
		const sheet = sheetOf(placed, PIXELS_PER_MM);
		const canvas = new OffscreenCanvas(
			Math.ceil(sheet.width * sheet.pixelsPerMm),
			Math.ceil(sheet.height * sheet.pixelsPerMm)
		);
		const context = canvas.getContext('2d')!;
		context.fillStyle = '#fff';
		context.fillRect(0, 0, canvas.width, canvas.height);
		context.globalCompositeOperation = 'multiply';
		for (const page of placed) {
			if (signal.aborted) break;
			const bitmap = await createImageBitmap(page.blob);
			context.resetTransform();
			context.scale(sheet.pixelsPerMm, sheet.pixelsPerMm);
			context.translate(page.move[0] - sheet.left, page.move[1] - sheet.top);
			context.rotate((page.turn * Math.PI) / 180);
			context.drawImage(bitmap, 0, 0, page.width, page.height);
			bitmap.close();
		}
		const mm = 1 / sheet.pixelsPerMm;
		return {
			picture: await canvas.convertToBlob(),
			lens: 0,
			above: null,
			known: null,
			toPlane: [mm, 0, sheet.left, 0, mm, sheet.top, 0, 0, 1],
			view: sheet
		};
	}
	const size = $derived(placed.length ? sheetOf(placed, PIXELS_PER_MM) : null);
</script>

<Sheet title="Pages of {name}">
	<TaskBar {task} going="Reading the pages" />
	{#if pages.length}
		<div class="fields">
			<Field
				name="percent"
				label="Drawn at"
				bind:value={percentText}
				inputmode="decimal"
				suffix="% of true size"
				hint={percent.ok && percent.value > 0 ? undefined : 'Needs a number above 0.'}
			/>
			{#if pages.length > 1}
				<Field name="across" label="Pages side by side" bind:value={across} inputmode="numeric" />
				<Field
					name="overlap"
					label="They overlap by"
					bind:value={overlapText}
					hint={overlap.ok ? undefined : say(overlap.problem)}
				/>
			{/if}
		</div>
		<p class="row">
			<button class="button" type="button" onclick={layGrid} disabled={!overlap.ok}
				>{pages.length > 1 ? `Lay all ${pages.length} pages in rows` : 'Lay the page'}</button
			>
			{#if laid.length}
				<button class="button" type="button" onclick={() => (laid = laid.slice(0, -1))}
					>Take page {laid[laid.length - 1]!.number} off</button
				>
				<button class="button quiet" type="button" onclick={() => (laid = [])}>Begin again</button>
			{/if}
		</p>
		{#if pages.length > 1}
			<p class="small soft">
				Or join them one by one: point at two marks on the sheet, then at the same two on the page, in the
				same order. The middle of a mark is found by itself. The page is turned and moved, never stretched.
			</p>
		{/if}
		<div class="columns">
			<div>
				<h3>
					Sheet{size
						? `, ${formatLength(size.width, unit)} × ${formatLength(size.height, unit)}, ${pluralize('page', laid.length, true)}`
						: ''}
				</h3>
				{#if placed.length}
					<PlanePicture
						pictures={placed}
						label="The sheet"
						marks={onSheet}
						onpoint={next ? async (at) => (onSheet = twoOf(onSheet, await catchMark(placed, at))) : undefined}
					/>
				{:else}
					<p class="soft">Nothing on it yet: lay all pages in rows, or begin with one.</p>
				{/if}
			</div>
			{#if next}
				{@const page = own(next)}
				<div>
					<h3>
						<label
							>Page
							<select
								value={next.number}
								onchange={(event) => {
									chosen = event.currentTarget.value;
									onPage = [];
								}}
							>
								{#each open as p (p.number)}<option value={p.number}>{p.number}</option>{/each}
							</select></label
						>
						{#if !laid.length}
							<button class="button small" type="button" onclick={() => lay(next.number, 0, [0, 0], null)}
								>Begin with it</button
							>
						{:else if join}
							<button
								class="button small main"
								type="button"
								onclick={() => lay(next.number, join.turn, join.move, join.misfit)}
								>Join page {next.number}</button
							>
						{/if}
					</h3>
					{#key next.number}
						<PlanePicture
							pictures={[page]}
							label="Page {next.number}"
							marks={onPage}
							onpoint={laid.length
								? async (at) => (onPage = twoOf(onPage, await catchMark([page], at)))
								: undefined}
						/>
					{/key}
					{#if join}
						<p class="small" class:warn={join.misfit > MISFIT} role="status">
							The marks are {formatNumber(join.misfit, 1)} mm farther apart on one than on the other{join.misfit >
							MISFIT
								? ': are they the same two?'
								: ''}; the page turns by {formatNumber(join.turn, 1)}°.
						</p>
					{/if}
				</div>
			{/if}
		</div>
	{/if}
</Sheet>
{#if placed.length}
	<Sheet title="Trace the sheet">
		{#key laid}
			<TraceDesk {source} title={name} look="drawn" {component} {workshop} {onDone} />
		{/key}
	</Sheet>
{/if}

<style>
	.row {
		margin: 12px 0;
		gap: 12px;
	}
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
		gap: 16px;
	}
	.columns > div {
		min-width: 0;
	}
	h3 {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 16px;
		align-items: center;
		min-height: 36px;
		margin: 0 0 8px;
	}
	label {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
	}
</style>
