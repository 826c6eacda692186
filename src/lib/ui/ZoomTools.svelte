<script lang="ts">
	/** The buttons of a drawing that is looked into. */
	import Maximize from '@lucide/svelte/icons/maximize';
	import ZoomIn from '@lucide/svelte/icons/zoom-in';
	import ZoomOut from '@lucide/svelte/icons/zoom-out';
	import type { Zoomed } from './zoomed.svelte.ts';

	let { zoomed, all = 'Show all' }: { zoomed: Zoomed; all?: string } = $props();
	const STEP = 1.5;
</script>

<div class="tools no-print">
	<button type="button" aria-label="Zoom in" title="Zoom in" onclick={() => zoomed.by(STEP)}
		><ZoomIn size={18} /></button
	>
	<button type="button" aria-label="Zoom out" title="Zoom out" onclick={() => zoomed.by(1 / STEP)}
		><ZoomOut size={18} /></button
	>
	<button type="button" aria-label={all} title={all} onclick={() => zoomed.all()}
		><Maximize size={18} /></button
	>
</div>

<style>
	.tools {
		position: absolute;
		top: 8px;
		right: 8px;
		display: flex;
		gap: 4px;
	}
	button {
		display: grid;
		place-items: center;
		width: 36px;
		height: 36px;
		color: var(--on-mat);
		background: var(--mat);
		border: 1px solid var(--mat-line);
		cursor: pointer;
	}
	@media (max-width: 600px) {
		button {
			width: 44px;
			height: 44px;
		}
	}
</style>
