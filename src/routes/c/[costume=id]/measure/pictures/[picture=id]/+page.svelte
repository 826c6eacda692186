<script lang="ts">
	import Eye from '@lucide/svelte/icons/eye';
	import Ruler from '@lucide/svelte/icons/ruler';
	import Scaling from '@lucide/svelte/icons/scaling';
	import SquareDashed from '@lucide/svelte/icons/square-dashed';
	import { page } from '$app/state';
	import { tick } from 'svelte';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { latest } from '$core/facts/bodyMeasure.ts';
	import { wearersOf } from '$core/facts/measureRecord.ts';
	import { offPlaneFactor } from '$core/engines/plane/camera.ts';
	import { circleOnPicture } from '$core/engines/plane/pictureMeasure.ts';
	import { type MeasureKind } from '$core/facts/picture.ts';
	import { planeOfPicture, readPictures } from '$core/answers/readings.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Drawing from '$lib/ui/Drawing.svelte';
	import FlatView from '$lib/ui/FlatView.svelte';
	import PictureView, { type Onto } from '$lib/ui/PictureView.svelte';
	import type { PageData } from './$types';
	import { SCALE_BY, type ScaleKind } from './scaleBy.ts';
	import Desk from '$lib/ui/Desk.svelte';
	import MeasuredHere from './MeasuredHere.svelte';
	import MeasureForm from './MeasureForm.svelte';
	import MatTools from '$lib/ui/MatTools.svelte';
	import ScaleForm from './ScaleForm.svelte';
	import { DraftPoints } from '$lib/ui/draftPoints.svelte.ts';

	/** For instance, mm. */
	const NEARER = 20;
	const TOOLS = [
		{ key: 'look', name: 'Look', icon: Eye },
		{ key: 'scale', name: 'Scale', icon: Scaling },
		{ key: 'measure', name: 'Measure', icon: Ruler }
	] as const;
	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const picture = $derived(data.look.pictures.find((p) => p.id === data.pictureId)!);
	const plane = $derived(planeOfPicture(picture, data.look.measures));
	const readings = $derived(
		readPictures(
			[picture],
			data.look.measures.filter((m) => m.pictureId === picture.id)
		)
	);
	const title = $derived(picture.title || `Picture, ${picture.angle}`);
	const stature = $derived(
		wearersOf(data.fit).flatMap((w) => latest(w.measures, 'stature', 'none')?.mm ?? [])[0] ?? null
	);

	// svelte-ignore state_referenced_locally
	let tool = $state<'look' | 'scale' | 'measure'>(picture.scale ? 'measure' : 'scale');
	const draft = new DraftPoints();
	let scaleKind = $state<ScaleKind>('rectangle');
	let kind = $state<MeasureKind>('length');
	let flat = $state(false);
	const at = $derived(Number(page.url.searchParams.get('at')) || null);
	// In two steps: data loaded anew renews page.url, and must not undo what was chosen since.
	let chosen = $derived<number | null>(at);

	const most = $derived(
		tool === 'scale' ? SCALE_BY[scaleKind].count : kind === 'angle' ? 3 : kind === 'heads' ? 2 : Infinity
	);
	const options = $derived(
		inLedgerOrder(data.record.components).map(({ item }) => ({
			value: item.id,
			label: `${item.code} ${item.name}`
		}))
	);
	function choose(next: typeof tool) {
		tool = next;
		draft.clear();
	}
	async function done() {
		draft.clear();
		await tick();
		if (tool === 'scale') tool = 'measure';
	}
</script>

<svelte:head><title>{title} · Measure · Dapper Ledger</title></svelte:head>

<Desk sides="minmax(0, 1fr) 320px">
	<div>
		<MatTools tools={TOOLS} {tool} onchoose={choose}>
			{#if plane}
				<button class="tool" onclick={() => (flat = true)}><SquareDashed size={16} /> Lay it flat</button>
			{/if}
			<a class="callouts" href="{base}/look/pictures/{picture.id}">Callouts of this picture</a>
		</MatTools>
		<PictureView
			{picture}
			label={title}
			onpoint={tool === 'look' ? undefined : (point) => draft.addOn(picture, point, most)}
			onkey={(key) => draft.key(key)}
		>
			{#snippet over(onto: Onto)}
				{#if plane}
					<Drawing
						points={plane.reference.points}
						{onto}
						closed={plane.reference.kind === 'rectangle'}
						colour="#f2d16a"
					/>
				{/if}
				{#each readings as r (r.stored.id)}
					{@const on = r.stored.id === chosen}
					<g opacity={chosen === null || on ? 1 : 0.45}>
						<Drawing
							points={r.plane && r.stored.kind === 'circle' && r.found.ok
								? circleOnPicture(r.plane, r.stored.points)
								: r.stored.points}
							bare={r.stored.kind === 'circle'}
							{onto}
							closed={r.stored.kind === 'area' || r.stored.kind === 'circle'}
							colour={on ? '#ffffff' : '#9fcbee'}
						/>
					</g>
				{/each}
				<Drawing
					points={draft.points}
					{onto}
					closed={draft.count > 2 && (kind === 'area' || tool === 'scale')}
					numbers
				/>
			{/snippet}
		</PictureView>
		<p class="small on-mat note">
			{#if plane}
				Yellow is the scale.
				{#if plane.reference.kind === 'rectangle'}
					Seen {formatNumber(plane.camera.tilt, 0)}° off square on, from about {formatLength(
						Number(plane.camera.distance.toPrecision(2)),
						unit
					)}.
				{/if}
				Only what lies in the same plane is true: a thing {formatLength(NEARER, unit)} nearer the camera reads {formatNumber(
					100 / offPlaneFactor(plane.camera, NEARER) - 100,
					1
				)} % too large{plane.camera.assumed ? ' (with an ordinary lens)' : ''}.
			{:else}No scale yet: it measures nothing.{/if}
		</p>
	</div>

	<div class="stack">
		{#if tool === 'scale'}
			<ScaleForm {picture} {draft} bind:kind={scaleKind} {stature} {unit} onDone={done} />
		{:else if tool === 'measure'}
			<MeasureForm
				pictureId={picture.id}
				{plane}
				{draft}
				bind:kind
				{options}
				{unit}
				onscale={() => choose('scale')}
				onDone={done}
			/>
		{/if}
		<MeasuredHere {readings} components={data.record.components} {options} bind:chosen {unit} />
	</div>
</Desk>

{#if plane}<FlatView bind:open={flat} {picture} {plane} {unit} />{/if}

<style>
	.callouts {
		margin-left: auto;
		font-size: var(--s13);
	}
	.note {
		margin-top: 8px;
		color: var(--on-mat-soft);
		max-width: 80ch;
	}
</style>
