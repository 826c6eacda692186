<script lang="ts">
	/** What an opening leaves of the view, seen from above and from the side. */
	import { SIGHT_WANTED, sightOf } from '$core/answers/moving.ts';
	import { sightFigure } from '$core/explain/moving.ts';
	import type { Moving } from '$core/facts/wear.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Working from '$lib/ui/Working.svelte';

	let { moving, unit }: { moving: Moving; unit: LengthUnit } = $props();
	const sight = $derived(sightOf(moving));
	const views = $derived(
		sight
			? [
					{
						name: 'across',
						angle: sight.across,
						wanted: SIGHT_WANTED.across,
						opening: moving.openingWideMm!
					},
					{
						name: 'up and down',
						angle: sight.upAndDown,
						wanted: SIGHT_WANTED.upAndDown,
						opening: moving.openingHighMm!
					}
				]
			: []
	);
	/** A wedge of so many degrees with its point at the eye. */
	const wedge = (degrees: number) => {
		const half = (Math.min(degrees, 179) * Math.PI) / 360;
		const [x, y] = [120 * Math.cos(half), 120 * Math.sin(half)];
		return `M20 90 L${20 + x} ${90 - y} A120 120 0 0 1 ${20 + x} ${90 + y}Z`;
	};
</script>

<div class="views">
	{#each views as v (v.name)}
		<figure>
			<svg viewBox="0 -32 150 244" aria-hidden="true">
				<path d={wedge(v.wanted)} class="wanted" />
				<path d={wedge(v.angle)} class="seen" class:bad={v.angle < v.wanted} />
				<circle cx="20" cy="90" r="6" />
			</svg>
			<figcaption>
				<b class:bad={v.angle < v.wanted}
					><Working
						figure={sightFigure(v.name, v.opening, moving.eyeMm!, unit)}
						text="{formatNumber(v.angle, 0)}°"
					/></b
				>
				{v.name}<br /><span class="small soft">wanted {v.wanted}°, dashed</span>
			</figcaption>
		</figure>
	{/each}
</div>

<style>
	.views {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 16px;
		max-width: 460px;
	}
	figure {
		margin: 0;
		display: grid;
		grid-template-columns: 92px 1fr;
		gap: 10px;
		align-items: center;
	}
	svg {
		width: 92px;
	}
	.seen {
		fill: var(--good-ink);
		opacity: 0.45;
	}
	.seen.bad {
		fill: var(--red-ink);
	}
	.wanted {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.5;
		stroke-dasharray: 6 5;
	}
	circle {
		fill: var(--ink);
	}
	b {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
	}
	b.bad {
		color: var(--red-ink);
	}
	@media (max-width: 500px) {
		figure {
			grid-template-columns: 64px 1fr;
		}
		svg {
			width: 64px;
		}
	}
</style>
