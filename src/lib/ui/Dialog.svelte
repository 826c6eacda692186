<script lang="ts">
	/** A sheet laid over the page. Esc, the button and a click outside leave it. */
	import X from '@lucide/svelte/icons/x';
	import type { Snippet } from 'svelte';

	interface Props {
		open: boolean;
		title: string;
		children: Snippet;
		wide?: boolean;
	}
	let { open = $bindable(), title, children, wide = false }: Props = $props();
	const uid = $props.id();
	let dialog: HTMLDialogElement | undefined = $state();

	/** What is typed into or chosen from. */
	const FIELD = 'input:not([type=hidden], :disabled), select:not(:disabled), textarea:not(:disabled)';

	// An effect, because the native dialog is opened by a call, which gives the focus to whatever comes first: its
	// own Close. The first field has it here; afterwards it is back where it was.
	$effect(() => {
		const shown = dialog;
		if (!open || !shown) return;
		const before = document.activeElement;
		shown.showModal();
		shown.querySelector<HTMLElement>(FIELD)?.focus();
		return () => {
			shown.close();
			if (before instanceof HTMLElement && before.isConnected) before.focus();
		};
	});
</script>

{#if open}
	<!-- The click outside is a shortcut beside Esc and the button. -->
	<dialog
		bind:this={dialog}
		class:wide
		aria-labelledby="{uid}-title"
		onclose={() => (open = false)}
		onclick={(event) => event.target === dialog && (open = false)}
	>
		<div class="inside">
			<header>
				<h2 id="{uid}-title">{title}</h2>
				<button class="button quiet small" type="button" onclick={() => (open = false)}
					><X size={18} /> Close</button
				>
			</header>
			{@render children()}
		</div>
	</dialog>
{/if}

<style>
	dialog {
		border: 0;
		padding: 0;
		/* Opened from a cell of a table, it must not read like one. */
		font: 400 var(--s15) / 1.4 var(--body);
		letter-spacing: normal;
		text-align: left;
		white-space: normal;
		background: var(--sheet);
		color: var(--ink);
		box-shadow: 0 12px 48px rgb(0 0 0 / 45%);
		width: min(560px, calc(100vw - 24px));
		max-height: calc(100dvh - 24px);
	}
	dialog.wide {
		width: min(860px, calc(100vw - 24px));
	}
	dialog::backdrop {
		background: rgb(6 24 24 / 60%);
	}
	.inside {
		padding: 16px;
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 16px;
		margin-bottom: 12px;
	}
</style>
