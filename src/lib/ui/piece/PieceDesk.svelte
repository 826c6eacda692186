<script lang="ts">
	/** One piece of a shape: exact numbers of its points and edges, and everything that is done to it. */
	import { goto } from '$app/navigation';
	import X from '@lucide/svelte/icons/x';
	import type { Component } from '$core/facts/component.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { NumberedPiece } from '$core/engines/pattern/numbered.ts';
	import type { StoredShape } from '$core/facts/shape.ts';
	import { operationWords } from '$core/engines/pattern/operations.ts';
	import { edgesOf } from '$core/engines/pattern/outline.ts';
	import { shaperOf } from '$core/engines/shapers/shapers.ts';
	import type { LengthUnit } from '$core/units/measure.ts';
	import Act from '../Act.svelte';
	import Desk from '../Desk.svelte';
	import { pressing } from '../pressing.ts';
	import { run } from '../run.ts';
	import Sheet from '../Sheet.svelte';
	import Tag from '../Tag.svelte';
	import EdgePanel from './EdgePanel.svelte';
	import EdgeTable from './EdgeTable.svelte';
	import LinePanel from './LinePanel.svelte';
	import PieceFacts from './PieceFacts.svelte';
	import PieceMat from './PieceMat.svelte';
	import { PieceOnDesk } from './pieceOnDesk.svelte.ts';
	import PointPanel from './PointPanel.svelte';
	import WholePanel from './WholePanel.svelte';

	interface Props {
		shape: StoredShape;
		component: Component;
		material: Material | undefined;
		index: number;
		pieces: readonly NumberedPiece[];
		unit: LengthUnit;
		/** Of the shape. */
		base: string;
	}
	let { shape, component, material, index, pieces, unit, base }: Props = $props();

	const CAUGHT_WORDS = {
		point: 'a point',
		middle: 'the middle of an edge',
		level: 'level with a point',
		grid: 'the grid'
	};
	const desk = new PieceOnDesk({
		pieces: () => pieces.map((p) => p.piece),
		index: () => index,
		unit: () => unit,
		keep: async (what) => {
			const { id, version } = shape;
			const done =
				'work' in what
					? await run('workShape', { id, version, work: JSON.stringify(what.work) })
					: await run('drawShape', { id, version, pieces: JSON.stringify(what.draw) });
			return done !== null;
		}
	});
	const { typed } = desk;
	const words = (mm: number) => typed.words(mm);
	const piece = $derived(desk.piece);
	/** The table waits until a moved point is dropped. */
	const kept = $derived(desk.kept);
	const drawn = $derived(shape.drawn !== null);
	const all = $derived(edgesOf(piece.outline));
</script>

<svelte:window onkeydown={pressing({ leave: () => desk.leave() })} />

<Desk sides="minmax(0, 7fr) minmax(280px, 4fr)">
	<Sheet title={piece.name}>
		{#snippet tools()}
			<Tag {component} href={base} />
			<select
				class="choice"
				aria-label="Piece"
				value={String(index)}
				onchange={(event) => {
					desk.leave();
					goto(`${base}/${Number(event.currentTarget.value) + 1}`);
				}}
			>
				{#each pieces as p, i (p.code)}<option value={String(i)}>{p.code} {p.piece.name}</option>{/each}
			</select>
		{/snippet}
		<div class="row bar" role="toolbar" aria-label="What a click does">
			<button class="button small" aria-pressed={desk.tool === 'choose'} onclick={() => desk.take('choose')}
				>Choose</button
			>
			<button class="button small" aria-pressed={desk.tool === 'line'} onclick={() => desk.take('line')}
				>Line, split, measure</button
			>
			<label class="small"
				>catch on
				<select class="choice" bind:value={desk.grid} aria-label="What points catch on">
					<option value="0">points only</option>
					<option value="1">1 mm</option>
					<option value="5">5 mm</option>
					<option value="10">10 mm</option>
				</select></label
			>
			{#if desk.caught}<span class="small soft" role="status">{CAUGHT_WORDS[desk.caught]}</span>{/if}
		</div>
		<PieceMat
			{piece}
			{kept}
			label="{piece.name}, {all.length} edges"
			point={desk.point}
			edges={desk.edges}
			drawable={drawn && desk.tool === 'choose'}
			laying={desk.tool === 'line'}
			ends={desk.ends}
			length={words}
			onpoint={(i) => desk.choosePoint(i)}
			onedge={(i, more) => desk.chooseEdge(i, more)}
			onmove={(i, to, reach) => desk.move(i, to, reach)}
			onhandle={(edge, handle, to) => desk.bend(edge, handle, to)}
			onmoved={() => desk.drop()}
			onend={(at, reach) => desk.end(at, reach)}
		/>
		<PieceFacts {piece} numbered={pieces[index]!} {material} {unit} {words} />
	</Sheet>

	<div class="stack">
		{#if desk.tool === 'line'}
			<LinePanel
				{piece}
				{index}
				{typed}
				ends={desk.ends}
				onends={(ends) => (desk.ends = ends)}
				onwork={(work) => desk.work(work)}
			/>
		{:else if desk.point !== null && all[desk.point]}
			<PointPanel
				{piece}
				{kept}
				point={desk.point}
				{drawn}
				{typed}
				ondraw={(own) => desk.draw(own)}
				onremoved={() => (desk.point = null)}
			/>
		{:else if desk.edges.length}
			<EdgePanel
				{piece}
				{index}
				{pieces}
				chosen={desk.edges}
				{drawn}
				{typed}
				onwork={(work) => desk.work(work)}
				ondraw={(own) => desk.draw(own)}
			/>
		{:else}
			<WholePanel
				{piece}
				{index}
				others={pieces.length > 1}
				{drawn}
				from={shape.name || shaperOf(shape.shaper).name}
				{typed}
				onwork={(work) => desk.work(work)}
				ondraw={(own) => desk.draw(own)}
			/>
		{/if}

		{#if shape.works.length}
			<Sheet title="Done to the pieces" level={3}>
				<ol>
					{#each shape.works as w, i (i)}
						{@const done = operationWords(w, `Piece ${w.piece + 1}`, words)}
						<li>
							<span>{done}</span>
							<Act
								command="unworkShape"
								id={shape.id}
								version={shape.version}
								hidden={{ index: i }}
								look="quiet"
								label="Take out: {done}"><X size={14} /></Act
							>
						</li>
					{/each}
				</ol>
				<p class="small soft">Done again, in this order, whenever the shape changes.</p>
			</Sheet>
		{/if}

		<EdgeTable piece={kept} chosen={desk.edges} {words} onchoose={(i) => desk.chooseEdge(i, true)} />
	</div>
</Desk>

<style>
	.bar {
		margin-bottom: 8px;
	}
	.choice {
		width: auto;
		max-width: 240px;
	}
	ol {
		margin: 0;
		padding-left: 20px;
	}
	li > span {
		margin-right: 6px;
	}
</style>
