<script lang="ts">
	/** What comes of a shape: its pieces to scale, what was worked out, and how it looks put together. */
	import { PAPERS } from '$core/engines/pattern/tile.ts';
	import Solid from '../Solid.svelte';
	import Sheet from '../Sheet.svelte';
	import Facts from '../Facts.svelte';
	import Printer from '@lucide/svelte/icons/printer';
	import { piecesFigure, dimensionFigure } from '$core/explain/pieces.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import Notice from '../Notice.svelte';
	import { say } from '$core/units/problem.ts';
	import Working from '../Working.svelte';
	import Download from '@lucide/svelte/icons/download';
	import ShapeRounds from './ShapeRounds.svelte';
	import ShapeVersions from './ShapeVersions.svelte';
	import type { Version } from '$core/answers/describeChange.ts';
	import type { StoredShape } from '$core/facts/shape.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import Fact from '../Fact.svelte';
	import Pieces from '../Pieces.svelte';
	import { ShapeDraft } from './shapeDraft.svelte.ts';

	interface Props {
		draft: ShapeDraft;
		shape: StoredShape | undefined;
		versions: readonly Version[];
		base: string;
		unit: LengthUnit;
		/** Of long lines. */
		long: LengthUnit;
	}
	let { draft, shape, versions, base, unit, long }: Props = $props();
	const shown = $derived(draft.shown);
	const sums = $derived(
		(['outline', 'seam', 'bevelled', 'area', 'cutArea'] as const)
			.map((what) => piecesFigure(what, shown?.pieces ?? [], unit, long))
			.filter((figure) => valueOf(figure) > 0)
	);
	let paper = $state('a4');
</script>

{#if shown}
	<Sheet title="Pieces, to scale">
		{#snippet tools()}
			{#if shape}
				<select class="paper" bind:value={paper} aria-label="Paper">
					{#each Object.entries(PAPERS) as [value, p] (value)}<option {value}>{p.name}</option>{/each}
				</select>
				<a class="button small" href="{base}/pattern/out/pdf?shape={shape.id}&paper={paper}" download
					><Printer size={14} /> 1:1 PDF</a
				>
				<a class="button small" href="{base}/pattern/out/svg?shape={shape.id}" download
					><Download size={14} /> SVG</a
				>
			{:else}<span class="small soft">Keep it to print it at 1:1.</span>{/if}
		{/snippet}
		<div class:stale={draft.problem !== null}>
			<Pieces pieces={draft.pieces} label="Pieces of {draft.shaper.name}" />
		</div>
		<ShapeRounds checks={draft.rounds} {base} {unit} />
		{#each shown.warnings as w (w.code)}<Notice>{say(w)}</Notice>{/each}
		<table>
			<tbody>
				{#each draft.pieces as p, i (p.code)}
					<tr
						><td class="figure">{p.code}</td><td
							>{#if shape}<a href="{base}/pattern/{shape.id}/{i + 1}">{p.piece.name}</a>{:else}{p.piece
									.name}{/if}{p.piece.mirrored ? ', half of them mirrored' : ''}</td
						><td class="number">{p.count} ×</td></tr
					>
				{/each}
			</tbody>
		</table>
	</Sheet>
	<div class="two">
		<Sheet title="Worked out" level={3}>
			<Facts>
				{#each shown.dimensions as d, i (i)}<Fact name={d.title} figure={false}
						><Working figure={dimensionFigure(d, unit, long)} /></Fact
					>{/each}
				{#each sums as figure (figure.title)}<Fact name={figure.title} figure={false}
						><Working {figure} /></Fact
					>{/each}
			</Facts>
		</Sheet>
		{#if shown.solid.length}
			<Sheet title="Put together" level={3}
				><Solid lines={shown.solid} label="{draft.shaper.name}, put together" /></Sheet
			>
		{/if}
	</div>
	{#if versions.length}
		<ShapeVersions {versions} {draft} />
	{/if}
{:else if draft.problem}
	<Sheet><p class="wrong">{say(draft.problem)}</p></Sheet>
{/if}

<style>
	.stale {
		opacity: 0.45;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 16px;
	}
	table {
		margin-top: 8px;
	}
	.paper {
		width: auto;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
