<script lang="ts">
	/** Pieces that lie on a mat with four known corners, traced from a photo. */
	import { goto } from '$app/navigation';
	import AddPicture from '../AddPicture.svelte';
	import type { Component } from '$core/facts/component.ts';
	import type { ReferencePicture, StoredMeasure } from '$core/facts/picture.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { planeOfPicture } from '$core/answers/readings.ts';
	import { onPlane, valueOn } from '$core/engines/plane/pictureMeasure.ts';
	import { flatViewOf, inView, withinReference } from '$core/engines/plane/rectify.ts';
	import { fetched } from '../task.svelte.ts';
	import Field from '../Field.svelte';
	import Sheet from '../Sheet.svelte';
	import TraceDesk from './TraceDesk.svelte';

	interface Props {
		pictures: readonly ReferencePicture[];
		measures: readonly StoredMeasure[];
		component: Component;
		workshop: Workshop;
		/** Of the costume. */
		base: string;
		onDone: (id: number) => void;
	}
	let { pictures, measures, component, workshop, base, onDone }: Props = $props();
	const scaled = $derived(
		pictures.filter((p) => planeOfPicture(p, measures)?.reference.kind === 'rectangle')
	);
	const others = $derived(pictures.length - scaled.length);
	let chosen = $state<string | number>('');
	const picture = $derived(scaled.find((p) => p.id === Number(chosen)) ?? scaled[0]);
	/** Corners that reach over most of the picture are the mat's; others are of a sheet that lies beside the pieces. */
	const MOSTLY = 0.4;
	const covered = $derived(
		picture && picture.scale ? valueOn('area', picture.scale.points) / (picture.width * picture.height) : 1
	);
	let chosenPart = $state<'' | 'corners' | 'all'>('');
	const part = $derived(chosenPart || (covered > MOSTLY ? 'corners' : 'all'));

	async function source(signal: AbortSignal) {
		const plane = planeOfPicture(picture!, measures)!;
		const response = await fetched(`/picture/${picture!.hash}`, signal);
		const { points } = plane.reference;
		const view =
			part === 'corners'
				? withinReference(plane.toPlane, points)
				: flatViewOf(plane.toPlane, picture!, points);
		const { foot, distance, relativeSigma } = plane.camera;
		return {
			picture: await response.blob(),
			toPlane: plane.toPlane,
			lens: plane.k,
			view,
			above: { foot: inView(foot, view), distance, doubt: relativeSigma },
			known: part === 'all' ? onPlane(plane, points).map((p) => inView(p, view)) : null
		};
	}
</script>

<Sheet title="Trace a photo">
	{#snippet tools()}
		<AddPicture
			at="{base}/look/pictures"
			purpose="trace"
			onDone={(made) => goto(`${base}/measure/pictures/${(made as { id: number }).id}`)}
		/>
	{/snippet}
	{#if !picture}
		<p class="small soft">
			Lay tape, paper or cloth pieces on a plain mat or sheet whose corners you know, all four in view, and
			take a photo. Add it here, and give it its scale by the four corners; then it can be traced. It does not
			become a picture of the breakdown.
		</p>
	{:else}
		<div class="fields">
			<Field
				name="picture"
				label="Photo with four known corners"
				options={scaled.map((p) => ({ value: p.id, label: p.title || `Picture ${p.id}, ${p.angle}` }))}
				value={picture.id}
				hint={others
					? `${others} more without: give ${others === 1 ? 'it its' : 'them their'} corners in Measure`
					: undefined}
				onchange={(value) => (chosen = value)}
			/>
			<Field
				name="part"
				label="Trace"
				options={[
					{ value: 'corners', label: 'what lies between the corners' },
					{ value: 'all', label: 'all that the photo shows' }
				]}
				value={part}
				onchange={(v) => (chosenPart = v as typeof chosenPart)}
			/>
		</div>
		{#key picture.id}
			<TraceDesk {source} title={picture.title || 'traced'} look="laid" {component} {workshop} {onDone} />
		{/key}
	{/if}
</Sheet>
