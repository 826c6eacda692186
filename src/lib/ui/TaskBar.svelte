<script lang="ts">
	/** Starts work, shows how far it is, stops it, says what went wrong. */
	interface Props {
		task: { progress: number | null; problem: string; stop: () => void };
		/** What the button that starts it says; without one it has started by itself. */
		label?: string;
		/** What is going on, for those who hear the page. */
		going: string;
		disabled?: boolean;
		onstart?: () => void;
	}
	let { task, label, going, disabled = false, onstart }: Props = $props();
</script>

{#if label || task.progress !== null}
	<p class="row">
		{#if label}
			<button
				class="button main"
				type="button"
				onclick={onstart}
				disabled={disabled || task.progress !== null}>{label}</button
			>
		{/if}
		{#if task.progress !== null}
			{#if !label}<span role="status">{going}…</span>{/if}
			<progress value={task.progress} aria-label={going}></progress>
			<button class="button small" type="button" onclick={() => task.stop()}>Stop</button>
		{/if}
	</p>
{/if}
{#if task.problem}<p class="error" role="alert">{task.problem}</p>{/if}

<style>
	.row {
		margin-top: 12px;
		gap: 12px;
	}
	.error {
		color: var(--red-ink);
		font-weight: 600;
	}
</style>
