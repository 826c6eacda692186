<script lang="ts">
	/** An offcut: its corners as they are measured, and what of it is spoiled, marked on its drawing or typed. */
	import X from '@lucide/svelte/icons/x';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import { rectangle, usableArea } from '$core/engines/layout/offcut.ts';
	import type { Offcut } from '$core/facts/offcut.ts';
	import type { Material } from '$core/facts/material.ts';
	import { say } from '$core/units/problem.ts';
	import { boxOf } from '$core/engines/pattern/outline.ts';
	import type { Point } from '$core/units/point.ts';
	import {
		formatLength,
		formatSmallArea,
		parseLength,
		parseSignedLength,
		type LengthUnit
	} from '$core/units/measure.ts';
	import Field from '../Field.svelte';

	interface Props {
		offcut?: Offcut;
		/** To choose from, when it is new. */
		materials?: readonly Material[];
		unit: LengthUnit;
	}
	let { offcut, materials, unit }: Props = $props();
	const length = (mm: number) => formatLength(mm, unit);

	let corners = $state('');
	let flaws = $state.raw<Point[][]>([]);
	$effect.pre(() => {
		corners = (offcut?.outline ?? rectangle(300, 200))
			.map(([x, y]) => `${length(x)}, ${length(y)}`)
			.join('\n');
		flaws = offcut?.flaws ?? [];
	});
	let width = $state('');
	let height = $state('');
	/** The usual case: a rectangle by its two sides. */
	function byItsSides() {
		const [w, h] = [parseLength(width, unit), parseLength(height, unit)];
		if (w.ok && h.ok)
			corners = rectangle(w.value, h.value)
				.map(([x, y]) => `${length(x)}, ${length(y)}`)
				.join('\n');
	}
	const read = $derived.by((): { outline: Point[] | null; problem: string } => {
		const outline: Point[] = [];
		for (const [i, line] of corners
			.split('\n')
			.filter((l) => l.trim())
			.entries()) {
			const parts = line.split(/[,;\t]/).map((part) => parseSignedLength(part, unit));
			const wrong = parts.find((p) => !p.ok);
			if (wrong && !wrong.ok) return { outline: null, problem: `Corner ${i + 1}: ${say(wrong.problem)}` };
			const [x, y] = parts;
			if (!x?.ok || !y?.ok || parts.length !== 2)
				return { outline: null, problem: `Corner ${i + 1}: how far across, a comma, how far up.` };
			outline.push([x.value, y.value]);
		}
		if (outline.length < 3) return { outline: null, problem: 'An offcut has at least three corners.' };
		const { left, bottom } = boxOf(outline);
		return { outline: outline.map(([x, y]): Point => [x - left, y - bottom]), problem: '' };
	});
	const box = $derived(read.outline && boxOf(read.outline));

	let svg: SVGSVGElement | undefined = $state();
	let drawing = $state.raw<[Point, Point] | null>(null);
	function at(event: PointerEvent): Point {
		const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(
			svg!.getScreenCTM()!.inverse()
		);
		return [x, -y];
	}
	const between = ([a, b]: [Point, Point]): Point[] => {
		const [l, r] = [Math.min(a[0], b[0]), Math.max(a[0], b[0])];
		const [low, high] = [Math.min(a[1], b[1]), Math.max(a[1], b[1])];
		return [
			[l, low],
			[r, low],
			[r, high],
			[l, high]
		];
	};
	function done() {
		if (drawing && Math.abs(drawing[0][0] - drawing[1][0]) > 2 && Math.abs(drawing[0][1] - drawing[1][1]) > 2)
			flaws = [...flaws, between(drawing)];
		drawing = null;
	}
	let typed = $state('');
	let wrong = $state('');
	/** For who does not draw: across, up, how wide, how high. */
	function addTyped() {
		const parts = typed.split(/[,;]/).map((part) => parseLength(part, unit));
		wrong =
			parts.length === 4 && parts.every((p) => p.ok) ? '' : 'Four lengths: across, up, how wide, how high.';
		const [x, y, w, h] = parts.map((p) => (p.ok ? p.value : 0));
		if (wrong) return;
		flaws = [
			...flaws,
			between([
				[x!, y!],
				[x! + w!, y! + h!]
			])
		];
		typed = '';
	}
</script>

<div class="fields">
	{#if materials}
		<Field
			name="materialId"
			label="Of"
			wide
			options={materials.map((m) => ({ value: m.id, label: m.name }))}
			value={materials[0]?.id}
		/>
		<Field name="sideWidth" label="Width" bind:value={width} />
		<Field name="sideHeight" label="Length" bind:value={height} />
		<p class="wide">
			<button class="button small" type="button" onclick={byItsSides}>Take it as a rectangle of these</button>
		</p>
	{/if}
	<Field
		name="name"
		label="Name"
		value={offcut?.name ?? ''}
		hint={offcut ? undefined : 'or it gets a number'}
	/>
	<Field name="note" label="Where it lies" value={offcut?.note ?? ''} />
</div>
<div class="both">
	<label class="corners">
		<span class="small"><b>Corners</b>, one a line: across, up</span>
		<textarea rows="8" bind:value={corners} aria-invalid={read.problem ? 'true' : undefined}></textarea>
		{#if read.problem}<span class="error" role="alert">{read.problem}</span>{/if}
	</label>
	<div>
		{#if read.outline && box}
			{@const pad = Math.max(box.right, box.top) * 0.04}
			<svg
				bind:this={svg}
				viewBox="{-pad} {-box.top - pad} {box.right + 2 * pad} {box.top + 2 * pad}"
				role="img"
				aria-label="The offcut with its spoiled places"
				onpointerdown={(event) => {
					svg!.setPointerCapture(event.pointerId);
					drawing = [at(event), at(event)];
				}}
				onpointermove={(event) => drawing && (drawing = [drawing[0], at(event)])}
				onpointerup={done}
				onpointercancel={() => (drawing = null)}
			>
				<path d={svgPath(read.outline)} class="sheet" />
				{#each flaws as flaw, k (k)}<path d={svgPath(flaw)} class="flaw" />{/each}
				{#if drawing}<path d={svgPath(between(drawing))} class="flaw new" />{/if}
			</svg>
			<p class="small soft">
				{formatSmallArea(usableArea({ outline: read.outline, flaws }), unit)} of use. Drag over what is spoiled:
				stains, dents, print, old glue.
			</p>
		{/if}
	</div>
</div>
{#if flaws.length}
	<ul>
		{#each flaws as flaw, k (k)}
			{@const b = boxOf(flaw)}
			<li class="small">
				Spoiled: {length(b.left)} across, {length(b.bottom)} up, {length(b.right - b.left)} × {length(
					b.top - b.bottom
				)}
				<button
					class="button quiet small"
					type="button"
					aria-label="Not spoiled after all: {k + 1}"
					onclick={() => (flaws = flaws.filter((_, i) => i !== k))}><X size={14} /></button
				>
			</li>
		{/each}
	</ul>
{/if}
<div class="typed">
	<Field
		name="flaw"
		label="Or type it: across, up, how wide, how high"
		bind:value={typed}
		hint={wrong || undefined}
	/>
	<button class="button small" type="button" onclick={addTyped}>Mark it spoiled</button>
</div>
<input type="hidden" name="outline" value={JSON.stringify(read.outline ?? [])} />
<input type="hidden" name="flaws" value={JSON.stringify(flaws)} />

<style>
	.wide {
		grid-column: 1 / -1;
	}
	.both {
		display: grid;
		grid-template-columns: minmax(160px, 2fr) 3fr;
		gap: 16px;
		margin-top: 12px;
	}
	.corners {
		display: grid;
		gap: 4px;
		align-content: start;
	}
	textarea {
		font-family: var(--mono);
		width: 100%;
	}
	svg {
		width: 100%;
		max-height: 260px;
		background: var(--mat-deep);
		cursor: crosshair;
		touch-action: none;
	}
	.sheet {
		fill: #b9c2bb;
	}
	.flaw {
		fill: #6d7671;
	}
	.flaw.new {
		fill: #e58b83;
	}
	ul {
		list-style: none;
		margin: 4px 0;
		padding: 0;
	}
	.typed {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 8px;
		align-items: end;
		margin-top: 8px;
	}
	.error {
		color: var(--red-ink);
		font-size: var(--s13);
		font-weight: 600;
	}
	@media (max-width: 600px) {
		.both {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
