<script lang="ts">
	/** Callouts over a picture: outlines and points in the colour of what they stand for, each with its tag. */
	import type { Component } from '$core/facts/component.ts';
	import { anchorOf } from '$core/answers/callouts.ts';
	import type { Callout } from '$core/facts/picture.ts';
	import type { Point } from '$core/units/point.ts';
	import type { Onto } from './PictureView.svelte';
	import type { Shade } from './calloutColours.ts';
	import { spread } from './tagPlaces.ts';

	interface Props {
		callouts: readonly Callout[];
		components: readonly Component[];
		onto: Onto;
		shade: (component: Component | undefined) => Shade;
		chosen?: number | null;
		/** A number instead of the tag: for the sheet. */
		numbers?: ReadonlyMap<number, number>;
		onchoose?: (id: number) => void;
		/** Corners were dragged, in pixels of the picture. */
		onmove?: (id: number, points: Point[]) => void;
	}
	let { callouts, components, onto, shade, chosen = null, numbers, onchoose, onmove }: Props = $props();
	let dragged = $state<{ id: number; points: Point[] } | null>(null);
	let from: { at: Point; points: readonly Point[]; corner: number | null } | null = null;

	const pointsOf = (c: Callout) => (dragged?.id === c.id ? dragged.points : c.points);
	const path = (points: readonly Point[]) => `M${points.map((p) => onto(p).join(' ')).join('L')}Z`;
	const byId = $derived(new Map(components.map((c) => [c.id, c])));
	const words = (c: Callout) => {
		const component = byId.get(c.componentId ?? 0);
		if (!component) return '?';
		const number = numbers?.get(component.id);
		if (number !== undefined) return String(number);
		return `${component.code}${c.side === 'none' ? '' : c.side === 'left' ? ' L' : ' R'}`;
	};

	/** Tags in pixels of the view, moved apart. */
	const tags = $derived(
		spread(
			callouts.map((c) => {
				const [x, y] = onto(anchorOf(pointsOf(c)));
				const wide = words(c).length * 7.4 + 18;
				return { x: c.shape === 'point' ? x + 12 : x - wide / 2, y: y - 11, wide };
			})
		)
	);

	function grab(event: PointerEvent, c: Callout, corner: number | null) {
		if (!onmove || c.id !== chosen) return;
		event.stopPropagation();
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		from = { at: [event.clientX, event.clientY], points: c.points, corner };
		dragged = { id: c.id, points: [...c.points] };
	}
	function drag(event: PointerEvent) {
		if (!from || !dragged) return;
		const o = onto([0, 0]);
		const [x, y] = [onto([1, 0]), onto([0, 1])];
		const [a, b, c, d] = [x[0] - o[0], y[0] - o[0], x[1] - o[1], y[1] - o[1]];
		const det = a * d - b * c;
		const [sx, sy] = [event.clientX - from.at[0], event.clientY - from.at[1]];
		const by: Point = [(d * sx - b * sy) / det, (a * sy - c * sx) / det];
		const { corner, points } = from;
		dragged = {
			id: dragged.id,
			points: points.map((p, i): Point =>
				corner === null || i === corner ? [p[0] + by[0], p[1] + by[1]] : p
			)
		};
	}
	function drop() {
		if (
			from &&
			dragged &&
			dragged.points.some((p, i) => p[0] !== from!.points[i]![0] || p[1] !== from!.points[i]![1])
		)
			onmove?.(dragged.id, dragged.points);
		from = dragged = null;
	}
</script>

{#each callouts as callout (callout.id)}
	{@const component = byId.get(callout.componentId ?? 0)}
	{@const { colour } = shade(component)}
	{@const points = pointsOf(callout)}
	{@const at = onto(anchorOf(points))}
	<!-- The list beside the picture does the same by keyboard. -->
	<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
	<g
		class="callout"
		class:chosen={callout.id === chosen}
		class:can={!!onchoose}
		onclick={() => onchoose?.(callout.id)}
	>
		<title>{component ? `${component.code} ${component.name}` : callout.label || 'not claimed'}</title>
		{#if callout.shape === 'outline'}
			<path d={path(points)} class="edge" />
			<path
				d={path(points)}
				class="line"
				stroke={colour}
				fill={colour}
				stroke-dasharray={component ? undefined : '6 4'}
				onpointerdown={(e) => grab(e, callout, null)}
				onpointermove={drag}
				onpointerup={drop}
			/>
		{:else}
			<circle
				cx={at[0]}
				cy={at[1]}
				r="7"
				class="dot"
				fill={colour}
				onpointerdown={(e) => grab(e, callout, null)}
				onpointermove={drag}
				onpointerup={drop}
			/>
		{/if}
		{#if callout.id === chosen && onmove && callout.shape === 'outline'}
			{#each points as point, i (i)}
				{@const [x, y] = onto(point)}
				<circle
					cx={x}
					cy={y}
					r="6"
					class="corner"
					onpointerdown={(e) => grab(e, callout, i)}
					onpointermove={drag}
					onpointerup={drop}
				/>
			{/each}
		{/if}
	</g>
{/each}
<!-- Above all outlines, so that none covers a tag. -->
{#each callouts as callout, i (callout.id)}
	{@const { x, y, wide } = tags[i]!}
	<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
	<g
		transform="translate({x} {y})"
		class:chosen={callout.id === chosen}
		class:can={!!onchoose}
		onclick={() => onchoose?.(callout.id)}
	>
		<path d="M7 0H{wide}V22H7L0 15V7Z" class="tag" />
		<circle cx="6" cy="11" r="2.4" class="hole" />
		<text x="12" y="15.5">{words(callout)}</text>
	</g>
{/each}

<style>
	.edge {
		fill: none;
		stroke: #10241f;
		stroke-width: 5;
		stroke-linejoin: round;
		opacity: 0.75;
	}
	.line {
		stroke-width: 2.4;
		stroke-linejoin: round;
		fill-opacity: 0.16;
	}
	.can .line,
	.can .dot,
	.can .tag {
		pointer-events: auto;
		/* What is dragged does not move or zoom the page. */
		touch-action: none;
		cursor: pointer;
	}
	.chosen .line {
		stroke-width: 4;
		fill-opacity: 0.32;
	}
	.chosen .line,
	.chosen .dot {
		cursor: move;
	}
	.dot {
		stroke: #10241f;
		stroke-width: 2.5;
	}
	.chosen .dot {
		stroke: #fff;
	}
	.tag {
		fill: #efe3c4;
		stroke: #10241f;
		stroke-width: 1;
	}
	.chosen .tag {
		fill: #fff;
	}
	.hole {
		fill: #0f3a3c;
	}
	text {
		font: 600 12px var(--mono);
		fill: #1b2420;
	}
	.corner {
		pointer-events: auto;
		/* What is dragged does not move or zoom the page. */
		touch-action: none;
		cursor: crosshair;
		fill: #fff;
		stroke: #10241f;
		stroke-width: 2;
	}
</style>
