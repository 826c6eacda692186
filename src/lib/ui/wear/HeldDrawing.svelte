<script lang="ts">
	import { onDestroy } from 'svelte';
	/** Where a component is held and where its weight is, from the front and from the side, with what pulls on each join. */
	import { carrying, type Held } from '$core/answers/holding.ts';
	import { heldViews } from './heldView.ts';

	import type { Join, Motion } from '$core/facts/wear.ts';
	import type { Vec } from '$core/units/vec.ts';

	interface Props {
		held: Held;
		motion: Motion;
		/** It was moved to: outwards, up and forward of the middle, mm. */
		onplace: (join: Join, to: Vec) => unknown;
	}
	let { held, motion, onplace }: Props = $props();
	const joins = $derived(carrying(held));
	const views = $derived(heldViews(joins, held.centre));
	const loads = $derived(held.loads?.[motion].joins);
	/** mm of arrow for the greatest force. */
	const LONGEST = 36;
	const most = $derived(Math.max(1e-9, ...(loads ?? []).map((l) => Math.hypot(...l.force))));
	/** What is being moved, and how far in its view, mm to the right and down; the view stands still meanwhile. */
	let moving = $state<{ id: number; view: string; x: number; y: number } | null>(null);
	let from: DOMPoint | null = null;
	const placeOf = (event: PointerEvent) => {
		const svg = (event.currentTarget as SVGElement).ownerSVGElement!;
		return new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
	};
	function take(event: PointerEvent, id: number, view: string) {
		(event.currentTarget as SVGElement).setPointerCapture(event.pointerId);
		from = placeOf(event);
		moving = { id, view, x: 0, y: 0 };
	}
	function drag(event: PointerEvent) {
		if (!moving || !from) return;
		const at = placeOf(event);
		moving = { ...moving, x: at.x - from.x, y: at.y - from.y };
	}
	function drop() {
		from = null;
		const its = moving;
		const join = joins.find((j) => j.id === its?.id);
		if (!its || !join || Math.hypot(its.x, its.y) < 1) return void (moving = null);
		const isFront = its.view === 'front';
		const at: Vec = [
			Math.round(join.outMm + (isFront ? its.x : 0)),
			Math.round(join.upMm - its.y),
			Math.round(join.forwardMm + (isFront ? 0 : its.x))
		];
		void Promise.resolve(onplace(join, at)).then(() => (moving = null));
	}
	/** By keys it is moved in steps, and let go when nothing was pressed for a moment. */
	const STEP_MM = 5;
	const PAUSE = 800;
	const ARROWS: Record<string, readonly [number, number]> = {
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0],
		ArrowUp: [0, -1],
		ArrowDown: [0, 1]
	};
	let pause: ReturnType<typeof setTimeout> | undefined;
	function press(event: KeyboardEvent, id: number, view: string) {
		const way = ARROWS[event.key];
		if (event.key === 'Escape') {
			clearTimeout(pause);
			moving = null;
		}
		if (!way) return;
		event.preventDefault();
		const step = event.shiftKey ? 1 : STEP_MM;
		const last = moving?.id === id && moving.view === view ? moving : { id, view, x: 0, y: 0 };
		moving = { ...last, x: last.x + step * way[0], y: last.y + step * way[1] };
		clearTimeout(pause);
		pause = setTimeout(drop, PAUSE);
	}
	onDestroy(() => clearTimeout(pause));
</script>

<div class="views">
	{#each views as { name, box, joins: places, centre } (name)}
		<figure>
			<svg
				viewBox="{box.x} {box.y} {box.wide} {box.high}"
				role="group"
				aria-label="{held.component.name} from the {name}: {joins.length} {joins.length === 1
					? 'join'
					: 'joins'}, and where its weight is"
			>
				<path class="middle" d="M-7 0H7M0-7V7" />
				{#each places as { x, y, wide, high }, i (joins[i]!.id)}
					{@const load = loads?.[i]}
					{@const join = joins[i]!}
					{@const by = moving?.id === join.id && moving.view === name ? moving : null}
					<!-- The form of the join says the same in figures. -->
					<g
						class="join"
						class:fails={load && !load.holds}
						transform="translate({x + (by?.x ?? 0)} {y + (by?.y ?? 0)})"
						role="button"
						tabindex="0"
						aria-label="Join {held.joins.indexOf(join) +
							1} from the {name}: drag it, or move it by arrow keys"
						onpointerdown={(event) => take(event, join.id, name)}
						onpointermove={drag}
						onpointerup={drop}
						onpointercancel={() => (moving = null)}
						onkeydown={(event) => press(event, join.id, name)}
					>
						<rect
							class="grip"
							x={-Math.max(wide, 24) / 2}
							y={-Math.max(high, 24) / 2}
							width={Math.max(wide, 24)}
							height={Math.max(high, 24)}
						/>
						<rect x={-wide / 2} y={-high / 2} width={wide} height={high} />
						{#if load}
							{@const across = load.force[name === 'front' ? 0 : 2]}
							<line
								class="force"
								x2={(-across / most) * LONGEST}
								y2={(load.force[1] / most) * LONGEST}
								marker-end="url(#head)"
							/>
						{/if}
						<text x={wide / 2 + 4} y="4">{held.joins.indexOf(joins[i]!) + 1}</text>
					</g>
				{/each}
				<g transform="translate({centre[0]} {centre[1]})" class="weight">
					<circle r="6" />
					<path d="M0 6V30m-5-6 5 6 5-6" />
				</g>
			</svg>
			<figcaption class="small soft">
				{name === 'front' ? 'from the front, outwards to the right' : 'from the side, forward to the right'}
			</figcaption>
		</figure>
	{/each}
</div>
<svg width="0" height="0" aria-hidden="true" class="defs">
	<defs
		><marker id="head" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="5" markerHeight="5" orient="auto"
			><path d="M0 0 8 4 0 8z" class="tip" /></marker
		></defs
	>
</svg>

<style>
	.views {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 12px;
	}
	.defs {
		position: absolute;
	}
	figure {
		margin: 0;
		text-align: center;
	}
	svg:not(.defs) {
		width: 100%;
		height: 240px;
		background: var(--sheet-shade);
	}
	.middle {
		stroke: var(--ink-soft);
		fill: none;
		stroke-width: 1;
		stroke-dasharray: 2 2;
	}
	rect:not(.grip) {
		fill: var(--yellow-wash);
		stroke: var(--ink);
		stroke-width: 1.2;
		stroke-dasharray: 4 2.5;
	}
	.join {
		cursor: move;
		touch-action: none;
	}
	.join .grip {
		fill: transparent;
		stroke: none;
	}
	.join:focus-visible {
		outline: none;
	}
	.join:focus-visible .grip {
		stroke: var(--brass);
		stroke-width: 3;
		stroke-dasharray: none;
	}
	.fails rect:not(.grip) {
		stroke: var(--red-ink);
		stroke-width: 2.2;
	}
	.force {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.fails .force {
		stroke: var(--red-ink);
	}
	.tip {
		fill: var(--ink);
	}
	text {
		font: 600 12px var(--mono);
		fill: var(--ink);
	}
	.weight circle {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 2;
	}
	.weight path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
</style>
