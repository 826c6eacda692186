<script lang="ts">
	/** Pieces that are cut and no longer as large as they have to be, and what cutting them anew takes. */
	import type { RecutPiece, RecutTotals } from '$core/answers/recut.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';

	interface Props {
		pieces: readonly RecutPiece[];
		totals: RecutTotals;
		unit: LengthUnit;
		/** Of the costume: each piece leads to its shape. */
		base?: string | undefined;
	}
	let { pieces, totals, unit, base }: Props = $props();
	const size = (of: readonly [number, number]) => of.map((mm) => formatLength(mm, unit)).join(' × ');
	const count = $derived(pieces.reduce((sum, p) => sum + p.count, 0));
	const takes = $derived([
		`${formatDuration(totals.minutes)} of tracing and cutting`,
		...totals.materials.map(({ material, quantity }) =>
			quantity === null
				? `${material.name}, how much is not known: say how large it comes`
				: `${formatNumber(Math.ceil(quantity * 100) / 100)} ${material.unit} of ${material.name}`
		)
	]);
</script>

<p class="lead">
	<b
		>{count}
		{count === 1 ? 'piece is' : 'pieces are'} cut already and no longer {count === 1 ? 'fits' : 'fit'}.</b
	>
	Cutting anew takes {takes.join(', ')}.
</p>
<ul>
	{#each pieces as piece (piece.code)}
		<li>
			{#if base}<a href="{base}/pattern/{piece.shapeId}"><b>{piece.code}</b></a>{:else}<b>{piece.code}</b
				>{/if}
			<span class="name">{piece.name}{piece.count > 1 ? ` ×${piece.count}` : ''}</span>
			<span class="figure small">{piece.was ? `${size(piece.was)} → ` : ''}{size(piece.now)}</span>
		</li>
	{/each}
</ul>

<style>
	.lead {
		border-left: 4px solid var(--red-ink);
		padding-left: 10px;
	}
	ul {
		list-style: none;
		margin: 6px 0 0;
		padding: 0;
		max-height: 180px;
		overflow: auto;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 12px;
		padding: 2px 0;
	}
	.name {
		flex: 1;
		min-width: 100px;
	}
</style>
