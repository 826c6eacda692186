<script lang="ts">
	/** Pictures that lie in a plane, to look into and to point at: marks, and outlines over them. y runs down. */
	import type { Point } from '$core/units/point.ts';
	import { arrowOf } from '../pressing.ts';
	import ZoomTools from '../ZoomTools.svelte';
	import { Zoomed } from '../zoomed.svelte.ts';
	import { outside, type Placed } from './picture.ts';

	interface Props {
		pictures: readonly Placed[];
		label: string;
		/** Ways of an SVG path in mm, y down. */
		outlines?: readonly { path: string; taken: boolean; name: string }[];
		marks?: readonly Point[];
		/** Called with a place in the plane, mm; without it nothing can be pointed at. */
		onpoint?: (at: Point) => void;
		height?: number;
	}
	let { pictures, label, outlines = [], marks = [], onpoint, height = 420 }: Props = $props();

	const PAD = 12;
	let width = $state(600);
	const zoomed = new Zoomed([0.8, 60]);
	const moved = $derived(zoomed.moved);
	/** Where the keyboard points; shown once an arrow key was pressed. */
	let cursor = $state.raw<Point | null>(null);

	const box = $derived.by(() => {
		const corners = pictures.flatMap((p) =>
			(
				[
					[0, 0],
					[p.width, 0],
					[p.width, p.height],
					[0, p.height]
				] as Point[]
			).map((c) => outside(p, c))
		);
		const [xs, ys] = [corners.map((c) => c[0]), corners.map((c) => c[1])];
		const [left, top] = [Math.min(...xs), Math.min(...ys)];
		return { left, top, width: Math.max(...xs) - left || 1, height: Math.max(...ys) - top || 1 };
	});
	const fit = $derived(Math.min((width - 2 * PAD) / box.width, (height - 2 * PAD) / box.height));
	/** Pixels for one mm, and of the plane's origin. */
	const scale = $derived(fit * moved.k);
	const origin = $derived([
		moved.x + moved.k * (width / 2 - (box.left + box.width / 2) * fit),
		moved.y + moved.k * (height / 2 - (box.top + box.height / 2) * fit)
	] as const);
	const onto = ([x, y]: Point): Point => [origin[0] + x * scale, origin[1] + y * scale];

	function point(event: MouseEvent & { currentTarget: Element }) {
		const { left, top } = event.currentTarget.getBoundingClientRect();
		onpoint?.([(event.clientX - left - origin[0]) / scale, (event.clientY - top - origin[1]) / scale]);
	}

	/** Arrow keys point, by what is 8 pixels on the screen, with Shift by a tenth of it; Enter sets. */
	function key(event: KeyboardEvent) {
		if (!onpoint) return;
		const by = arrowOf(event);
		const here: Point = cursor ?? [box.left + box.width / 2, box.top + box.height / 2];
		const step = (event.shiftKey ? 0.8 : 8) / scale;
		if (by) cursor = [here[0] + by[0] * step, here[1] - by[1] * step];
		else if (event.key === 'Enter' && cursor) onpoint(cursor);
		else return;
		event.preventDefault();
	}
</script>

<div class="mat-view" bind:clientWidth={width}>
	<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
	<svg
		{@attach zoomed.attach}
		viewBox="0 0 {width} {height}"
		{height}
		role="application"
		aria-label={onpoint ? `${label}. Arrow keys point, Enter sets a mark` : label}
		tabindex="0"
		class:pointing={onpoint}
		onclick={point}
		onkeydown={key}
	>
		<g transform="translate({origin[0]} {origin[1]}) scale({scale})">
			{#each pictures as p (p.href)}
				<image
					href={p.href}
					width={p.width}
					height={p.height}
					transform="translate({p.move[0]} {p.move[1]}) rotate({p.turn})"
				/>
			{/each}
			{#each outlines as o (o.name)}
				<path class="outline" class:taken={o.taken} d={o.path} vector-effect="non-scaling-stroke" />
			{/each}
		</g>
		{#each marks as mark, i (i)}
			{@const [x, y] = onto(mark)}
			<path class="mark" d="M{x - 9} {y}H{x + 9}M{x} {y - 9}V{y + 9}" />
			<circle class="mark" cx={x} cy={y} r="5" />
			<text x={x + 12} y={y - 8}>{i + 1}</text>
		{/each}
		{#if cursor && onpoint}
			{@const [x, y] = onto(cursor)}
			<path class="cursor" d="M{x - 14} {y}H{x + 14}M{x} {y - 14}V{y + 14}" />
		{/if}
	</svg>
	<ZoomTools {zoomed} />
</div>

<style>
	svg.pointing {
		cursor: crosshair;
	}
	image {
		mix-blend-mode: multiply;
	}
	g {
		isolation: isolate;
	}
	.outline {
		fill: none;
		stroke: #8a8f8c;
		stroke-width: 2;
		stroke-dasharray: 4 4;
	}
	.outline.taken {
		fill: rgb(168 32 26 / 14%);
		stroke: #c3241d;
		stroke-dasharray: none;
	}
	.mark {
		fill: none;
		stroke: #c3241d;
		stroke-width: 2;
	}
	.cursor {
		stroke: #0b6bcb;
		stroke-width: 2;
	}
	text {
		fill: #c3241d;
		font: 700 14px var(--body);
		paint-order: stroke;
		stroke: #fff;
		stroke-width: 3px;
	}
</style>
