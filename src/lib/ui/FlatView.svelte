<script lang="ts">
	/** A calibrated picture laid flat: seen square on, to scale, with a ruler. Worked out in a worker. */
	import Download from '@lucide/svelte/icons/download';
	import { onDestroy, untrack } from 'svelte';
	import type { ReferencePicture } from '$core/facts/picture.ts';
	import type { Plane } from '$core/engines/plane/pictureMeasure.ts';
	import { flatViewOf } from '$core/engines/plane/rectify.ts';
	import { formatLength, type LengthUnit } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { fetched, Task } from './task.svelte.ts';
	import Dialog from './Dialog.svelte';

	interface Props {
		open: boolean;
		picture: ReferencePicture;
		plane: Plane;
		unit: LengthUnit;
	}
	let { open = $bindable(), picture, plane, unit }: Props = $props();
	const task = new Task<'flatten'>();
	let flat = $state<{ url: string; width: number; height: number } | null>(null);
	const view = $derived(flatViewOf(plane.toPlane, picture, plane.reference.points));
	const ruler = $derived(view.width > 400 ? 100 : 50);

	function forget() {
		task.stop();
		if (flat) URL.revokeObjectURL(flat.url);
		flat = null;
	}
	async function lay() {
		forget();
		const laid = await task.start(
			() => new Worker(new URL('../../workers/flatten.worker.ts', import.meta.url), { type: 'module' }),
			async (signal) => {
				const response = await fetched(`/picture/${picture.hash}`, signal);
				return {
					kind: 'flatten',
					picture: await response.blob(),
					toPlane: plane.toPlane,
					lens: plane.k,
					view
				};
			}
		);
		if (laid) flat = { ...laid, url: URL.createObjectURL(laid.picture) };
	}
	$effect(() => {
		// Only opening and closing start and end the work; what it writes must not.
		if (open) untrack(lay);
		return () => untrack(forget);
	});
	onDestroy(forget);
</script>

<Dialog bind:open title="Laid flat" wide>
	{#if flat}
		<figure>
			<svg
				viewBox="0 0 {flat.width} {flat.height}"
				role="img"
				aria-label="{picture.title || 'The picture'}, laid flat"
			>
				<image href={flat.url} width={flat.width} height={flat.height} />
				<g transform="translate({flat.width * 0.03} {flat.height * 0.95})">
					<path d="M0 0H{ruler * view.pixelsPerMm}" stroke="#fff" stroke-width={flat.width / 110} />
					<path d="M0 0H{ruler * view.pixelsPerMm}" stroke="#10241f" stroke-width={flat.width / 220} />
					<text y={-flat.width / 80} font-size={flat.width / 36}>{formatLength(ruler, unit)}</text>
				</g>
			</svg>
		</figure>
		<p class="row">
			<a class="button small" href={flat.url} download="{picture.title || 'picture'}-flat.png"
				><Download size={14} /> Save as PNG</a
			>
			<span class="small soft"
				>{flat.width} × {flat.height} px, {formatNumber(view.pixelsPerMm * 25.4, 1)} px an inch: print it at that,
				and it is true to size in the plane of the scale.</span
			>
		</p>
	{:else if task.problem}<p class="problem" role="alert">{task.problem}</p>
	{:else}
		<p>Laying it flat …</p>
		<div class="row">
			<progress value={task.progress} aria-label="Done"></progress>
			<button class="button small" onclick={() => (open = false)}>Stop</button>
		</div>
	{/if}
</Dialog>

<style>
	figure {
		margin: 0 0 12px;
	}
	svg {
		width: 100%;
		max-height: 62vh;
		background: var(--sheet-shade);
	}
	text {
		font-family: var(--mono);
		font-weight: 600;
		fill: #10241f;
		paint-order: stroke;
		stroke: #fff;
		stroke-width: 0.25em;
	}
	progress {
		width: min(320px, 60vw);
		accent-color: var(--blue-ink);
	}
	.problem {
		color: var(--red-ink);
	}
</style>
