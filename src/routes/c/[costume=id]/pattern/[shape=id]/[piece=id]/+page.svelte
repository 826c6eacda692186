<script lang="ts">
	import { cutFrom } from '$core/facts/shape.ts';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import { say } from '$core/units/problem.ts';
	import { piecesOf } from '$core/answers/shapePieces.ts';
	import { shaperOf } from '$core/engines/shapers/shapers.ts';
	import PieceDesk from '$lib/ui/piece/PieceDesk.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/pattern/${data.shapeId}`);
	const shape = $derived(data.fit.shapes.find((s) => s.id === data.shapeId));
	const component = $derived(data.record.components.find((c) => c.id === shape?.componentId));
	const found = $derived(
		component && shape
			? piecesOf(
					data.fit.shapes.filter((s) => s.componentId === component.id),
					{
						component,
						components: data.record.components,
						wearers: fittedOf(data.fit),
						materials: data.workshop.materials
					}
				).find((p) => p.shape === shape)
			: undefined
	);
	/** Works may take pieces away: then the last one is shown. */
	const index = $derived(Math.min(data.index, (found?.pieces.length ?? 1) - 1));
	const material = $derived.by(() => {
		const piece = found?.pieces[index]?.piece;
		const id = shape && piece ? cutFrom(shape, piece).materialId : null;
		return data.workshop.materials.find((m) => m.id === id);
	});
</script>

<svelte:head><title>Piece · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if shape && component && found}
	{#if found.pieces[index]}
		<PieceDesk
			{shape}
			{component}
			{material}
			{index}
			pieces={found.pieces}
			unit={data.workshop.settings.lengthUnit}
			{base}
		/>
	{:else}
		<Sheet title={shape.name || shaperOf(shape.shaper).name}>
			<p>{found.done.ok ? 'It has no pieces.' : say(found.done.problem)}</p>
			<p><a class="button" href={base}>Back to the shape</a></p>
		</Sheet>
	{/if}
{/if}
