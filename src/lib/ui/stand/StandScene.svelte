<script lang="ts">
	/** A stand to turn: by mouse, finger and keys. Without WebGL the outlines that stand in its place stay. */
	import { onDestroy, onMount, type Snippet } from 'svelte';
	import type { Point3 } from '$core/units/point.ts';
	import type { Scene, SceneLine, SceneMesh, SceneView } from './scene.ts';

	interface Props {
		meshes: readonly SceneMesh[];
		lines: readonly SceneLine[];
		label: string;
		/** What it is brought near to at first; all of it where nothing is said. */
		near?: readonly Point3[] | undefined;
		/** A place on what is shown was pressed, not dragged from. */
		onpoint?: (at: Point3, key: string | null) => void;
		/** What can be dragged over the form, and where it is dragged to; `let go` at last. */
		drags?: string | null;
		ondrag?: (at: Point3, letGo: boolean) => void;
		/** A key that turns nothing. */
		onkey?: (event: KeyboardEvent) => void;
		/** More than the keys that turn it. */
		keys?: string;
		/** What is drawn without WebGL. */
		outlines: Snippet;
	}
	let {
		meshes,
		lines,
		label,
		near,
		onpoint,
		drags = null,
		ondrag,
		onkey,
		keys = '',
		outlines
	}: Props = $props();
	let canvas = $state<HTMLCanvasElement>();
	let scene = $state.raw<Scene | null>(null);
	/** Null until it is known whether there is WebGL. */
	let without = $state<boolean | null>(null);

	onMount(() => {
		let gone = false;
		// Loaded only where it is shown.
		void import('./scene.ts')
			.then(({ Scene }) => {
				if (gone || !canvas) return;
				scene = new Scene(canvas);
				without = false;
			})
			.catch(() => (without = true));
		return () => (gone = true);
	});
	onDestroy(() => scene?.close());
	$effect(() => scene?.show(meshes, lines, near));

	const VIEWS: [SceneView, string][] = [
		['front', 'Front'],
		['side', 'Left side'],
		['back', 'Back']
	];
	const KEYS: Record<string, [number, number]> = {
		ArrowLeft: [-10, 0],
		ArrowRight: [10, 0],
		ArrowUp: [0, 10],
		ArrowDown: [0, -10]
	};
	function key(event: KeyboardEvent) {
		if (event.shiftKey && onkey) return onkey(event);
		const turn = KEYS[event.key];
		if (turn) scene?.turnBy(...turn);
		else if (event.key === '+' || event.key === '-') scene?.zoomBy(event.key === '+' ? 1.2 : 1 / 1.2);
		else return;
		event.preventDefault();
	}
	let pressed: [number, number] | null = null;
	/** What was pressed is on its way over the form. */
	let dragging = false;
	const still = (event: PointerEvent) =>
		pressed !== null && Math.hypot(event.clientX - pressed[0], event.clientY - pressed[1]) <= 4;
	function press(event: PointerEvent) {
		pressed = [event.clientX, event.clientY];
		dragging = drags !== null && scene?.hit(event.clientX, event.clientY)?.key === drags;
		if (!dragging || !scene) return;
		scene.turns = false;
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
	}
	function drag(event: PointerEvent) {
		if (!dragging || still(event)) return;
		const hit = scene?.hit(event.clientX, event.clientY, true);
		if (hit) ondrag?.(hit.at, false);
	}
	function released(event: PointerEvent) {
		const hit = scene?.hit(event.clientX, event.clientY, dragging && !still(event));
		if (dragging && !still(event) && hit) ondrag?.(hit.at, true);
		else if (still(event) && hit) onpoint?.(hit.at, hit.key);
		if (scene) scene.turns = true;
		dragging = false;
		pressed = null;
	}
</script>

<div class="stage">
	{#if without}<div class="outlines">{@render outlines()}</div>{/if}
	<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
	<div
		class="turned"
		class:hidden={without !== false}
		tabindex="0"
		role="application"
		aria-label="{label}. Arrow keys turn it, plus and minus bring it nearer.{keys}"
		onkeydown={key}
		onpointerdowncapture={press}
		onpointermove={drag}
		onpointerup={released}
	>
		<canvas bind:this={canvas}></canvas>
	</div>
	{#if without === false}
		<div class="views" role="group" aria-label="Seen from">
			{#each VIEWS as [view, words] (view)}
				<button class="button small" type="button" onclick={() => scene?.turnTo(view)}>{words}</button>
			{/each}
		</div>
	{/if}
</div>

<style>
	.stage {
		position: relative;
		height: clamp(400px, calc(100vh - 370px), 760px);
		background:
			repeating-linear-gradient(var(--mat-line) 0 1px, transparent 1px 32px),
			repeating-linear-gradient(90deg, var(--mat-line) 0 1px, transparent 1px 32px);
	}
	canvas {
		display: block;
		width: 100%;
		height: 100%;
		cursor: grab;
		touch-action: none;
	}
	.turned {
		height: 100%;
	}
	.turned.hidden {
		visibility: hidden;
	}
	.outlines {
		position: absolute;
		inset: 0;
	}
	.views {
		position: absolute;
		left: 0;
		bottom: 0;
		display: flex;
		gap: 6px;
	}
	@media (max-width: 500px) {
		.stage {
			height: 62vh;
		}
	}
	@media print {
		.views {
			display: none;
		}
	}
</style>
