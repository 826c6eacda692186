<script lang="ts">
	/** One sheet, offcut or roll to scale, with what lies on it. What is long lies on its side: its length runs to the right. */
	import type { Snippet } from 'svelte';
	import { svgPath } from '$core/formats/patternSvg.ts';
	import type { SheetForm } from '$core/facts/layout.ts';
	import { isLong } from './isLong.ts';

	interface Props {
		form: SheetForm;
		name: string;
		/** From 1: how it is found under the pointer. */
		number: number;
		role: 'group' | 'img';
		caption?: boolean;
		/** The whole width of the mat, whatever else lies there. */
		whole?: boolean;
		/** What is dragged off it is seen over the others. */
		above?: boolean;
		/** In whose coordinates it is drawn. */
		plane?: SVGGElement | null;
		/** Drawn with y down, so −y. */
		children: Snippet;
	}
	let {
		form,
		name,
		number,
		role,
		caption = true,
		whole = false,
		above = false,
		plane = $bindable(),
		children
	}: Props = $props();
	const { width, height } = $derived(form);
	const onItsSide = $derived(isLong(form));
</script>

<figure class:wide={onItsSide} class:whole class:above>
	<svg
		data-sheet={number}
		viewBox={onItsSide ? `0 0 ${height} ${width}` : `0 ${-height} ${width} ${height}`}
		{role}
		aria-label={name}
	>
		<g bind:this={plane} transform={onItsSide ? 'matrix(0 1 -1 0 0 0)' : undefined}>
			{#if form.outline}<path d={svgPath(form.outline)} class="sheet" />
			{:else}<rect y={-height} {width} {height} class="sheet" />{/if}
			{#each form.flaws ?? [] as flaw, k (k)}<path d={svgPath(flaw)} class="flaw" />{/each}
			{@render children()}
		</g>
	</svg>
	{#if caption}<figcaption class="small soft">{name}</figcaption>{/if}
</figure>

<style>
	figure {
		margin: 0;
		min-width: 0;
		break-inside: avoid;
	}
	.whole {
		grid-column: 1 / -1;
	}
	.above {
		position: relative;
		z-index: 1;
	}
	.above svg {
		overflow: visible;
	}
	svg {
		display: block;
		width: 100%;
		/* The whole of it is in sight below the tape and the head of its sheet. */
		max-height: clamp(280px, 100vh - 390px, 460px);
		background: var(--mat-deep);
	}
	.sheet {
		fill: #b9c2bb;
	}
	.flaw {
		fill: #6d7671;
	}
	svg :global(.piece) {
		fill: #ecdcb9;
		stroke: #12211f;
		vector-effect: non-scaling-stroke;
	}
	svg :global(text) {
		fill: #12211f;
		text-anchor: middle;
		dominant-baseline: central;
		pointer-events: none;
	}
</style>
