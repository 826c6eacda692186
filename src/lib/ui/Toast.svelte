<script lang="ts">
	/** What was just done, said for a while, and taken back from there. */
	import { toast } from './toast.svelte.ts';

	interface Props {
		onundo: () => void;
	}
	let { onundo }: Props = $props();
</script>

<div class="toast-place no-print" role="status" aria-live="polite">
	{#if toast.now}
		<div class="toast" class:bad={toast.now.bad}>
			<span>{toast.now.words}</span>
			{#if toast.now.undoable}<button onclick={onundo}>Undo</button>{/if}
		</div>
	{/if}
</div>

<style>
	.toast-place {
		position: fixed;
		left: 50%;
		bottom: 24px;
		translate: -50% 0;
		z-index: 20;
		max-width: calc(100vw - 24px);
	}
	.toast {
		display: flex;
		gap: 16px;
		align-items: center;
		background: #0a1f1d;
		color: #fff;
		padding: 10px 16px;
		border-left: 5px solid var(--brass);
		box-shadow: var(--shadow);
	}
	.toast.bad {
		border-left-color: #ff8a80;
	}
	.toast button {
		background: none;
		border: 1px solid #fff;
		color: #fff;
		font-weight: 600;
		padding: 4px 10px;
		cursor: pointer;
	}
	@media (max-width: 700px) {
		/* At the top: below lie the rail and what a thumb presses next. */
		.toast-place {
			top: 8px;
			bottom: auto;
			width: calc(100vw - 24px);
		}
		.toast {
			justify-content: space-between;
		}
	}
</style>
