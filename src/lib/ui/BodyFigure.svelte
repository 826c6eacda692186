<script lang="ts">
	/**
	 * The body form, front and back. Layers are outlines offset from the skin outwards, stitched as far
	 * as the making has got; a zone's fill is the weave of what is outermost. Zones choose components.
	 */
	import pluralize from 'pluralize';
	import type { Component } from '$core/facts/component.ts';
	import { weaveOf } from '$core/trade/weave.ts';
	import { zoneWords, type Zone } from '$core/facts/zone.ts';
	import { MIDDLE, middleOf, SIDE, VIEW_BOX } from './bodyShapes.ts';

	interface Props {
		components: readonly Component[];
		progress?: Readonly<Record<number, number>>;
		/** Zones that are chosen. */
		chosen?: readonly Zone[];
		/** A component whose zones are shown. */
		highlight?: Component | null;
		onchoose?: (zone: Zone) => void;
		/** What holds components on: drawn as stitches where it is. */
		/** The front only. */
		front?: boolean;
		stitches?: readonly { zone: Zone; holds: boolean; says: string }[];
	}
	let {
		components,
		progress = {},
		chosen = [],
		highlight = null,
		onchoose,
		stitches = [],
		front = false
	}: Props = $props();
	const uid = $props.id();

	interface Shape {
		zone: Zone;
		path: string;
		flip: boolean;
	}
	function shapesOf(back: boolean): Shape[] {
		const middle = Object.entries(MIDDLE)
			.filter(([zone]) => zone !== (back ? 'chest' : 'back') && !(back && zone === 'face'))
			.map(([zone, path]): Shape => ({ zone: zone as Zone, path, flip: false }));
		const sides = Object.entries(SIDE).flatMap(([zone, path]): Shape[] => [
			{ zone: `${zone}-${back ? 'right' : 'left'}` as Zone, path, flip: false },
			{ zone: `${zone}-${back ? 'left' : 'right'}` as Zone, path, flip: true }
		]);
		return [...middle.filter((s) => s.zone !== 'face'), ...sides, ...middle.filter((s) => s.zone === 'face')];
	}
	const views = $derived([
		{ name: 'front', shapes: shapesOf(false) },
		...(front ? [] : [{ name: 'back', shapes: shapesOf(true) }])
	]);

	const inZone = $derived.by(() => {
		const map = new Map<Zone, Component[]>();
		for (const c of components) for (const zone of c.zones) map.set(zone, [...(map.get(zone) ?? []), c]);
		for (const list of map.values()) list.sort((a, b) => b.layer - a.layer);
		return map;
	});
	const layers = $derived([...new Set(components.map((c) => c.layer))].sort((a, b) => b - a));
	/** The outline of the outermost layers stays inside the picture. */
	const step = $derived(Math.min(3.2, 11 / Math.max(1, layers[0] ?? 1)));
	const offset = (layer: number) => 1 + (layer + 0.4) * step;
	const stitch = (c: Component) => {
		const share = progress[c.id] ?? 0;
		return share >= 1 ? undefined : `${(1.5 + share * 6).toFixed(1)} ${(4.5 - share * 3.5).toFixed(1)}`;
	};
	const choose = (zone: Zone) => onchoose?.(zone);
</script>

<svg width="0" height="0" class="defs" aria-hidden="true">
	<defs>
		<pattern id="{uid}-dots" width="6" height="6" patternUnits="userSpaceOnUse"
			><circle cx="2" cy="2" r="1" /></pattern
		>
		<pattern id="{uid}-twill" width="5" height="5" patternUnits="userSpaceOnUse"
			><path d="M0 5 5 0" /></pattern
		>
		<pattern id="{uid}-waves" width="8" height="6" patternUnits="userSpaceOnUse"
			><path d="M0 3q2-3 4 0t4 0" /></pattern
		>
		<pattern id="{uid}-crosshatch" width="5" height="5" patternUnits="userSpaceOnUse"
			><path d="M0 5 5 0M0 0l5 5" /></pattern
		>
		<pattern id="{uid}-rings" width="8" height="8" patternUnits="userSpaceOnUse"
			><circle cx="4" cy="4" r="2.4" class="ring" /></pattern
		>
		<pattern id="{uid}-rays" width="8" height="8" patternUnits="userSpaceOnUse"
			><path d="M4 1v6M1 4h6M2 2l4 4M6 2 2 6" /></pattern
		>
		<pattern id="{uid}-strokes" width="10" height="5" patternUnits="userSpaceOnUse"
			><path d="M1 2.5h6" class="fat" /></pattern
		>
		<pattern id="{uid}-plain" width="8" height="8" patternUnits="userSpaceOnUse"><path d="M0 4h8" /></pattern>
	</defs>
</svg>
<div class="figure-box on-mat" class:front>
	{#each views as view (view.name)}
		<figure>
			<svg viewBox={VIEW_BOX} role="group" aria-label="Figure, {view.name}">
				{#each layers as layer (layer)}
					<g class="rings" aria-hidden="true">
						{#each view.shapes as { zone, path, flip } (zone)}
							{@const here = (inZone.get(zone) ?? []).find((c) => c.layer === layer)}
							{#if here}
								<path
									d={path}
									transform={flip ? 'translate(200 0) scale(-1 1)' : undefined}
									class="ring-line"
									class:lit={highlight?.id === here.id}
									stroke-width={offset(layer) * 2 + 1.6}
									stroke-dasharray={stitch(here)}
								/>
							{/if}
						{/each}
						{#each view.shapes as { zone, path, flip } (zone)}
							{#if (inZone.get(zone) ?? []).some((c) => c.layer === layer)}
								<path
									d={path}
									transform={flip ? 'translate(200 0) scale(-1 1)' : undefined}
									class="cover"
									stroke-width={offset(layer) * 2 - 1.6}
								/>
							{/if}
						{/each}
					</g>
				{/each}
				{#each view.shapes as { zone, path, flip } (zone)}
					{@const here = inZone.get(zone) ?? []}
					<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
					<g
						role={onchoose ? 'button' : undefined}
						tabindex={onchoose ? 0 : undefined}
						aria-pressed={onchoose ? chosen.includes(zone) : undefined}
						aria-label="{zoneWords(zone)}: {pluralize('component', here.length, true)}"
						onclick={() => choose(zone)}
						onkeydown={(e) => {
							if (e.key !== 'Enter' && e.key !== ' ') return;
							e.preventDefault();
							choose(zone);
						}}
						class="zone"
						class:chosen={chosen.includes(zone)}
						class:lit={highlight?.zones.includes(zone)}
						transform={flip ? 'translate(200 0) scale(-1 1)' : undefined}
					>
						<title>{zoneWords(zone)}{here.length ? `: ${here.map((c) => c.name).join(', ')}` : ''}</title>
						<path d={path} class="skin" />
						{#if here[0]}<path d={path} fill="url(#{uid}-{weaveOf(here[0])})" class="weave" />{/if}
					</g>
				{/each}
				{#each view.shapes as { zone, path, flip } (zone)}
					{@const its = stitches.filter((s) => s.zone === zone && (view.name === 'front' || zone === 'back'))}
					{@const [x, y] = middleOf(path)}
					{#each its as { holds, says }, i (i)}
						<g
							class="stitch"
							class:fails={!holds}
							transform="translate({flip ? 200 - x : x} {y + (i - (its.length - 1) / 2) * 9})"
						>
							<title>{says}</title>
							<path d="M-8-3l6 6m0-6l-6 6M-2-3l6 6m0-6l-6 6M4-3l6 6m0-6l-6 6" />
						</g>
					{/each}
				{/each}
				<text
					x={view.name === 'front' ? 24 : 176}
					y="420"
					text-anchor={view.name === 'front' ? 'start' : 'end'}>R</text
				>
				<text
					x={view.name === 'front' ? 176 : 24}
					y="420"
					text-anchor={view.name === 'front' ? 'end' : 'start'}>L</text
				>
			</svg>
			<figcaption class="small">{view.name}</figcaption>
		</figure>
	{/each}
</div>

<style>
	.defs {
		position: absolute;
	}
	.defs :global(circle) {
		fill: #16302b;
	}
	.defs :global(path) {
		stroke: #16302b;
		stroke-width: 0.9;
		fill: none;
	}
	.defs :global(.ring) {
		fill: none;
		stroke: #16302b;
	}
	.defs :global(.fat) {
		stroke-width: 2;
	}
	.figure-box {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px;
		color: var(--on-mat);
	}
	.figure-box.front {
		grid-template-columns: 1fr;
	}
	.front figcaption {
		display: none;
	}
	figure {
		margin: 0;
		text-align: center;
	}
	svg {
		width: 100%;
		max-height: 440px;
		display: block;
	}
	figcaption {
		color: var(--figure-ink, var(--on-mat-soft));
	}
	.ring-line {
		fill: none;
		stroke: var(--figure-line, var(--on-mat));
		stroke-linejoin: round;
	}
	.ring-line.lit {
		stroke: var(--pink);
	}
	.cover {
		fill: none;
		stroke: var(--figure-ground, var(--mat));
		stroke-linejoin: round;
	}
	.skin {
		fill: #2d5a58;
		stroke: #92b5ae;
		stroke-width: 0.7;
	}
	.zone {
		cursor: pointer;
		outline: none;
	}
	.zone:has(.weave) .skin {
		fill: #cfe0d2;
	}
	.zone:hover .skin {
		stroke: #fff;
		stroke-width: 1.8;
	}
	.zone.lit .skin {
		fill: #f6c9d6;
	}
	.zone.chosen .skin {
		fill: var(--pink);
		stroke: #fff;
		stroke-width: 1.5;
	}
	.zone:focus-visible .skin {
		stroke: var(--blue);
		stroke-width: 3;
	}
	.stitch path {
		fill: none;
		stroke: #123;
		stroke-width: 2;
		stroke-linecap: round;
	}
	.stitch.fails path {
		stroke: #c01030;
		stroke-width: 2.6;
	}
	.weave {
		pointer-events: none;
	}
	text {
		fill: var(--figure-ink, var(--on-mat-soft));
		font: 600 11px var(--mono);
	}
</style>
