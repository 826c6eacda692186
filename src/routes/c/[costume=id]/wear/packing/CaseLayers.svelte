<script lang="ts">
	/** A case seen from above, layer by layer from the floor up. */
	import { isPressed, layersOf, lineOf, type Luggage } from '$core/answers/packed.ts';
	import { copyWords } from '$core/answers/packList.ts';
	import type { Packing } from '$core/engines/case/pack.ts';
	import type { TravelCase } from '$core/facts/travel.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';

	interface Props {
		its: TravelCase;
		placements: Packing['placements'];
		luggage: readonly Luggage[];
		unit: LengthUnit;
	}
	let { its, placements, luggage, unit }: Props = $props();
	const layers = $derived(layersOf(placements));
	const of = (item: string) => luggage.find((l) => lineOf(l) === item)!;
	const [long, wide] = $derived([its.inner[0], its.inner[1]]);
	/** Letters are as large on every case, and no longer than what they stand on. */
	const letters = (p: Packing['placements'][number], text: string) =>
		Math.min(long / 16, p.size[0] / (0.68 * text.length + 0.5), p.size[1] / 1.3);
</script>

<ol class="plain">
	{#each layers as layer, i (layer.at)}
		<li>
			<svg
				viewBox="-8 -8 {long + 16} {wide + 16}"
				role="img"
				aria-label="{its.name}, layer {i + 1}: {layer.standing
					.map((p) => `${copyWords(of(p.item))} ${of(p.item).component.name}`)
					.join(', ')}"
			>
				<rect class="case" width={long} height={wide} />
				{#each layer.through as p (p.item)}
					<rect class="through" x={p.at[0]} y={p.at[1]} width={p.size[0]} height={p.size[1]} />
				{/each}
				{#each layer.standing as p (p.item)}
					{@const its = of(p.item)}
					{@const text = copyWords(its)}
					<rect
						class="thing"
						class:fragile={its.said.fragile}
						x={p.at[0]}
						y={p.at[1]}
						width={p.size[0]}
						height={p.size[1]}
					/>
					<text
						x={p.at[0] + p.size[0] / 2}
						y={p.at[1] + p.size[1] / 2}
						font-size={letters(p, text)}
						dominant-baseline="central">{text}</text
					>
				{/each}
			</svg>
			<p class="small">
				{#if i === 0}On the floor:{:else}From {formatLength(Math.round(layer.at), unit)} up:{/if}
				{layer.standing
					.map((p) => {
						const l = of(p.item);
						const notes = [
							l.said.fragile ? 'nothing on it' : '',
							l.said.upright ? 'this way up' : '',
							isPressed(p, l) ? 'pressed' : ''
						].filter(Boolean);
						return `${copyWords(l)} ${l.component.name}${notes.length ? ` (${notes.join(', ')})` : ''}`;
					})
					.join('; ')}.
			</p>
		</li>
	{/each}
</ol>

<style>
	ol {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 240px), 1fr));
		gap: 16px;
	}
	svg {
		width: 100%;
		display: block;
	}
	.case {
		fill: var(--sheet-shade);
		stroke: var(--ink);
		stroke-width: 6;
	}
	.through {
		fill: none;
		stroke: var(--ink-soft);
		stroke-width: 2;
		stroke-dasharray: 12 10;
	}
	.thing {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 3;
	}
	.fragile {
		fill: var(--yellow-wash);
	}
	text {
		font-family: var(--mono);
		font-weight: 600;
		text-anchor: middle;
		fill: var(--ink);
	}
</style>
