<script lang="ts">
	/** One level cut through: how far round it is, drawn with its width and depth; another wearer's in a broken line. */
	import type { StandLevelShown } from '$core/answers/stand.ts';

	interface Props {
		level: StandLevelShown;
		beside: StandLevelShown | null;
		length: (mm: number) => string;
	}
	let { level, beside, length }: Props = $props();
	const size = $derived(Math.max(level.wide, level.deep, beside?.wide ?? 0, beside?.deep ?? 0));
</script>

<div class="section">
	<svg
		viewBox="{-size * 0.56} {-size * 0.56} {size * 1.12} {size * 1.12}"
		role="img"
		aria-label="Section: {length(level.wide)} wide, {length(level.deep)} deep"
	>
		<line x1={-level.wide / 2} x2={level.wide / 2} y1="0" y2="0" />
		<line y1={-level.deep / 2} y2={level.deep / 2} x1="0" x2="0" />
		<ellipse rx={level.wide / 2} ry={level.deep / 2} class:guessed={level.guessed} />
		{#if beside}<ellipse class="beside" rx={beside.wide / 2} ry={beside.deep / 2} />{/if}
	</svg>
	<div>
		<p class="girth">{length(level.girth)}</p>
		<p class="small soft">
			{level.guessed ? 'not measured: in proportion' : 'round, as measured'}<br />
			{length(level.wide)} wide, {length(level.deep)} deep
			{#if beside}<br />beside: {length(beside.girth)}{/if}
		</p>
	</div>
</div>

<style>
	.section {
		display: flex;
		gap: 16px;
		align-items: center;
	}
	svg {
		width: 150px;
		flex: none;
	}
	ellipse {
		fill: var(--sheet-shade);
		stroke: var(--ink);
		stroke-width: 2;
		vector-effect: non-scaling-stroke;
	}
	ellipse.guessed {
		stroke-dasharray: 2 4;
	}
	ellipse.beside {
		fill: none;
		stroke: var(--blue-ink);
		stroke-dasharray: 6 4;
	}
	line {
		stroke: var(--rule);
		vector-effect: non-scaling-stroke;
	}
	.girth {
		margin: 0;
		font: 600 var(--s36) var(--head);
	}
	p {
		margin: 0;
	}
</style>
