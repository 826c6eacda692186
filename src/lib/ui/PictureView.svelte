<script lang="ts" module>
	import type { Point } from '$core/units/point.ts';

	/** Where a point of the picture lies in the view, now: an affine map that follows zoom, pan and turn. */
	export interface Onto {
		(point: Point): Point;
		/** Pixels of the view for one of the picture. */
		scale: number;
	}
</script>

<script lang="ts">
	/**
	 * A picture to zoom, pan and turn, with whatever is laid over it. Looking is done by OpenSeadragon; a large
	 * picture is taken in several sizes, so that only what is seen has to be drawn.
	 */
	import Maximize from '@lucide/svelte/icons/maximize';
	import RotateCw from '@lucide/svelte/icons/rotate-cw';
	import ZoomIn from '@lucide/svelte/icons/zoom-in';
	import ZoomOut from '@lucide/svelte/icons/zoom-out';
	import type { Viewer } from 'openseadragon';
	import { onMount, type Snippet } from 'svelte';

	interface Props {
		picture: { hash: string; width: number; height: number };
		label: string;
		/** A click or Enter puts a point; without it they only look. With it the view's pixels for one of the picture. */
		onpoint?: (point: Point, scale: number) => void;
		/** Keys that the drawing in hand wants: Backspace, Escape. */
		onkey?: (key: string) => void;
		over?: Snippet<[Onto]>;
		height?: string;
	}
	let { picture, label, onpoint, onkey, over, height = 'min(66vh, 640px)' }: Props = $props();

	const SIZES = [256, 512, 1024, 2048];
	let frame: HTMLDivElement;
	let viewer: Viewer | undefined;
	let matrix = $state.raw<readonly [number, number, number, number, number, number] | null>(null);
	let failed = $state(false);

	const onto: Onto | null = $derived.by(() => {
		if (!matrix) return null;
		const [a, b, c, d, e, f] = matrix;
		return Object.assign(([x, y]: Point): Point => [a * x + b * y + c, d * x + e * y + f], {
			scale: Math.hypot(a, d)
		});
	});

	const sources = ({ hash, width, height }: Props['picture']) => {
		const long = Math.max(width, height);
		return {
			type: 'legacy-image-pyramid',
			levels: [
				...SIZES.filter((s) => s < long).map((s) => ({
					url: `/picture/${hash}?side=${s}`,
					width: Math.round((width * s) / long),
					height: Math.round((height * s) / long)
				})),
				{ url: `/picture/${hash}`, width, height }
			]
		};
	};

	onMount(() => {
		let gone = false;
		(async () => {
			const { default: OpenSeadragon } = await import('openseadragon');
			if (gone) return;
			viewer = OpenSeadragon({
				element: frame,
				tileSources: sources(picture) as never,
				drawer: 'canvas',
				showNavigationControl: false,
				gestureSettingsMouse: { clickToZoom: false, dblClickToZoom: false },
				gestureSettingsTouch: { clickToZoom: false, dblClickToZoom: false, pinchRotate: true },
				gestureSettingsPen: { clickToZoom: false },
				animationTime: matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : 0.15,
				springStiffness: 12,
				visibilityRatio: 0.4,
				minZoomImageRatio: 0.6,
				maxZoomPixelRatio: 8,
				imageSmoothingEnabled: true
			});
			const { Point: At } = OpenSeadragon;
			const follow = () => {
				const image = viewer?.world.getItemAt(0);
				if (!image) return;
				const at = (x: number, y: number) => image.imageToViewerElementCoordinates(new At(x, y));
				const [o, x, y] = [at(0, 0), at(1000, 0), at(0, 1000)];
				matrix = [(x.x - o.x) / 1000, (y.x - o.x) / 1000, o.x, (x.y - o.y) / 1000, (y.y - o.y) / 1000, o.y];
			};
			for (const event of ['open', 'update-viewport', 'rotate', 'resize', 'animation'] as const)
				viewer.addHandler(event, follow);
			viewer.addHandler('open-failed', () => (failed = true));
			viewer.addHandler('canvas-click', (event) => {
				const image = viewer?.world.getItemAt(0);
				if (!event.quick || !onpoint || !image) return;
				const p = image.viewerElementToImageCoordinates(event.position);
				onpoint([p.x, p.y], onto?.scale ?? 1);
			});
			viewer.addHandler('canvas-key', (event) => {
				const key = (event.originalEvent as KeyboardEvent).key;
				const image = viewer?.world.getItemAt(0);
				if (key === 'Enter' && onpoint && image && viewer) {
					const p = image.viewportToImageCoordinates(viewer.viewport.getCenter(true));
					onpoint([p.x, p.y], onto?.scale ?? 1);
				} else if (/^(Backspace|Escape)$/.test(key)) onkey?.(key);
				// What lies over the picture is not turned over with it.
				else if (!/^f$/i.test(key)) return;
				event.preventDefaultAction = true;
			});
			// Its own element takes the keys; it says what it is.
			viewer.canvas.setAttribute('role', 'application');
			viewer.canvas.setAttribute('aria-label', `${label}: plus and minus zoom, arrows move, r turns`);
		})();
		return () => {
			gone = true;
			viewer?.destroy();
		};
	});

	$effect(() => {
		void picture.hash;
		if (viewer) viewer.open(sources(picture) as never);
	});

	const zoom = (by: number) => viewer?.viewport.zoomBy(by).applyConstraints();
</script>

<div class="view" style:height>
	<div class="frame" bind:this={frame}></div>
	{#if onto && over}
		<svg class="over" role="presentation">{@render over(onto)}</svg>
	{/if}
	{#if onpoint}<span class="cross" aria-hidden="true"></span>{/if}
	{#if failed}<p class="failed">The picture cannot be shown: its file is missing or damaged.</p>{/if}
	<div class="tools no-print">
		<button type="button" aria-label="Zoom in" title="Zoom in (+)" onclick={() => zoom(1.5)}
			><ZoomIn size={18} /></button
		>
		<button type="button" aria-label="Zoom out" title="Zoom out (-)" onclick={() => zoom(1 / 1.5)}
			><ZoomOut size={18} /></button
		>
		<button
			type="button"
			aria-label="Turn a quarter"
			title="Turn a quarter (r)"
			onclick={() => viewer?.viewport.setRotation((viewer.viewport.getRotation(false) + 90) % 360)}
			><RotateCw size={18} /></button
		>
		<button
			type="button"
			aria-label="Show all of it"
			title="Show all of it (0)"
			onclick={() => viewer?.viewport.setRotation(0) && viewer.viewport.goHome()}
			><Maximize size={18} /></button
		>
	</div>
</div>

<style>
	.view {
		position: relative;
		background: var(--mat-deep);
		background-image:
			linear-gradient(var(--mat-line) 1px, transparent 1px),
			linear-gradient(90deg, var(--mat-line) 1px, transparent 1px);
		background-size: 19px 19px;
		overflow: hidden;
		min-height: 260px;
	}
	.frame {
		position: absolute;
		inset: 0;
	}
	.frame :global(.openseadragon-canvas:focus-visible) {
		outline: 3px solid var(--blue);
		outline-offset: -3px;
	}
	.over {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		pointer-events: none;
	}
	/* Where Enter puts a point, for hands on the keyboard. */
	.cross {
		display: none;
		position: absolute;
		left: calc(50% - 10px);
		top: calc(50% - 10px);
		width: 20px;
		height: 20px;
		pointer-events: none;
		background:
			linear-gradient(#fff, #fff) center / 1px 100% no-repeat,
			linear-gradient(#fff, #fff) center / 100% 1px no-repeat;
		mix-blend-mode: difference;
	}
	.view:has(:global(.openseadragon-canvas:focus-visible)) .cross {
		display: block;
	}
	.failed {
		position: absolute;
		inset: auto 16px 16px;
		padding: 8px 12px;
		background: var(--red-wash);
		color: var(--red-ink);
	}
	.tools {
		position: absolute;
		top: 8px;
		right: 8px;
		display: grid;
		gap: 4px;
	}
	.tools button {
		display: grid;
		place-items: center;
		width: 36px;
		height: 36px;
		border: 1px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
		cursor: pointer;
	}
	.tools button:hover {
		background: var(--sheet-shade);
	}
	@media (max-width: 700px) {
		.view {
			max-height: 60vh;
		}
		.tools button {
			width: 44px;
			height: 44px;
		}
	}
</style>
