<script lang="ts">
	import { shaperOf } from '$core/engines/shapers/shapers.ts';
	import { followsPieces } from '$core/answers/followPieces.ts';
	import ShapeDesk from '$lib/ui/shape/ShapeDesk.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const shape = $derived(data.fit.shapes.find((s) => s.id === data.shapeId));
	const component = $derived(data.record.components.find((c) => c.id === shape?.componentId));
</script>

<svelte:head
	><title
		>{shape ? shape.name || shaperOf(shape.shaper).name : 'Shape'} · {data.record.costume.name} · Dapper Ledger</title
	></svelte:head
>

{#if shape && component}
	{#key `${shape.id} ${shape.version}`}
		<ShapeDesk
			{shape}
			shaperKey={shape.shaper}
			{component}
			components={data.record.components}
			fit={data.fit}
			workshop={data.workshop}
			currency={data.record.costume.currency}
			following={followsPieces(data.record, component.id)}
			{base}
			versions={data.versions}
		/>
	{/key}
{/if}
