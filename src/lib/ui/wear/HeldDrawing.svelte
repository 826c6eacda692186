<script lang="ts">
	/** Where a component is held and where its weight is, from the front and from the side, with what pulls on each join. */
	import { carrying, type Held } from '$core/answers/holding.ts';
	import type { Motion } from '$core/facts/wear.ts';
	import { heldViews } from './heldView.ts';

	interface Props {
		held: Held;
		motion: Motion;
	}
	let { held, motion }: Props = $props();
	const joins = $derived(carrying(held));
	const views = $derived(heldViews(joins, held.centre));
	const loads = $derived(held.loads?.[motion].joins);
	/** mm of arrow for the greatest force. */
	const LONGEST = 36;
	const most = $derived(Math.max(1e-9, ...(loads ?? []).map((l) => Math.hypot(...l.force))));
</script>

<div class="views">
	{#each views as { name, box, joins: places, centre } (name)}
		<figure>
			<svg
				viewBox="{box.x} {box.y} {box.wide} {box.high}"
				role="img"
				aria-label="{held.component.name} from the {name}: {joins.length} {joins.length === 1
					? 'join'
					: 'joins'}, and where its weight is"
			>
				<path class="middle" d="M-7 0H7M0-7V7" />
				{#each places as { x, y, wide, high }, i (joins[i]!.id)}
					{@const load = loads?.[i]}
					<g class:fails={load && !load.holds} transform="translate({x} {y})">
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
	rect {
		fill: var(--yellow-wash);
		stroke: var(--ink);
		stroke-width: 1.2;
		stroke-dasharray: 4 2.5;
	}
	.fails rect {
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
