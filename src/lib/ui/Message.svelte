<script lang="ts">
	/** What was just done or refused, and a way to take it back at once. */
	import { takeBack } from './takeBack.ts';

	interface Props {
		words: string;
		bad: boolean;
		undoable: boolean;
	}
	let { words, bad, undoable }: Props = $props();
</script>

<div class="message" class:bad role="status">
	<span>{words}</span>
	{#if undoable}<button onclick={() => takeBack('undoLast')}>Undo</button>{/if}
</div>

<style>
	.message {
		display: flex;
		gap: 16px;
		align-items: center;
		width: fit-content;
		max-width: 100%;
		margin: 0 auto;
		background: #0a1f1d;
		color: #fff;
		font-size: var(--s15);
		padding: 10px 16px;
		border-left: 5px solid var(--brass);
		box-shadow: var(--shadow);
	}
	.bad {
		border-left-color: #ff8a80;
	}
	button {
		background: none;
		border: 1px solid #fff;
		color: #fff;
		font-weight: 600;
		padding: 4px 10px;
		white-space: nowrap;
		cursor: pointer;
	}
	@media (max-width: 700px) {
		.message {
			width: 100%;
			justify-content: space-between;
		}
		button {
			min-height: 44px;
		}
	}
</style>
