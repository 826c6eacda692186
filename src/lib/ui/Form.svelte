<script lang="ts">
	/**
	 * A form that runs one command. Errors come back to their fields and typed text stays; when
	 * another window was faster, both versions are shown and the maker chooses.
	 */
	import { enhance } from '$app/forms';
	import { navigating, page } from '$app/state';
	import type { Snippet } from 'svelte';
	import { isDone, isFailure, provideForm, scripts, type Answer } from './formState.ts';
	import { announce } from './toast.svelte.ts';

	interface Props {
		command: string;
		/** The page that has the command, when it is not this one. */
		at?: string;
		id?: number | string;
		version?: number;
		hidden?: Record<string, string | number | null>;
		/** Empties the fields when done: for forms that add. */
		reset?: boolean;
		upload?: boolean;
		label?: string;
		class?: string;
		onDone?: (result: unknown) => void;
		/** It was refused, or there was no answer. */
		onFail?: () => void;
		children: Snippet;
	}
	let {
		command,
		at = '',
		id = '',
		version,
		hidden = {},
		reset = false,
		upload = false,
		label,
		class: className = '',
		onDone,
		onFail,
		children
	}: Props = $props();

	const key = $props.id();
	let answered = $state(!scripts.running && page.form !== null);
	let busy = $state(false);
	let overVersion = $state<number | null>(null);
	const failure = $derived.by(() => {
		const answer = page.form as Answer;
		return isFailure(answer) && answer.command === command && answer.id === String(id) && answered
			? answer
			: null;
	});
	const shownVersion = $derived(overVersion ?? version);
	let form: HTMLFormElement;

	provideForm({
		get errors() {
			return failure?.errors ?? {};
		},
		get typed() {
			return scripts.running ? {} : (failure?.values ?? {});
		},
		key
	});

	function saveOver(current: Record<string, unknown>) {
		overVersion = Number(current.version);
		setTimeout(() => form.requestSubmit());
	}

	const conflict = $derived(
		Object.entries(failure?.current ?? {}).filter(
			([name, value]) => !/^id$|_id$|version|position/.test(name) && value !== null && value !== ''
		)
	);
</script>

<form
	bind:this={form}
	method="post"
	action="{at}?/{command}"
	enctype={upload ? 'multipart/form-data' : undefined}
	class={className}
	aria-label={label}
	aria-busy={busy}
	use:enhance={() => {
		busy = true;
		return async ({ result, update }) => {
			answered = true;
			// Fresh data asked for now would cancel a page that is just being opened.
			await navigating.complete?.catch(() => {});
			await update({ reset: reset && result.type === 'success' });
			busy = false;
			if (result.type === 'success') {
				overVersion = null;
				const answer = result.data as Answer;
				if (isDone(answer))
					announce(answer.done, { undoable: !/^(undo|restoreBackup)$/.test(answer.command) });
				onDone?.(result.data?.result);
			} else {
				const answer = (result.type === 'failure' ? result.data : null) as Answer;
				// Buttons without fields have no place of their own for a refusal.
				if (isFailure(answer) && !form.querySelector('input:not([type=hidden]), select, textarea'))
					announce(answer.message, { bad: true, undoable: false });
				form.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
				onFail?.();
			}
		};
	}}
>
	{#if id !== ''}<input type="hidden" name="id" value={id} />{/if}
	{#if shownVersion !== undefined}<input type="hidden" name="version" value={shownVersion} />{/if}
	{#each Object.entries(hidden) as [name, value] (name)}<input
			type="hidden"
			{name}
			value={value ?? ''}
		/>{/each}
	{#if failure && (!Object.keys(failure.errors).length || failure.current)}
		<div class="message" role="alert">
			<p>{failure.message}</p>
			{#if failure.current}
				<dl>
					{#each conflict as [name, value] (name)}
						<dt>{name.replaceAll('_', ' ')}</dt>
						<dd>{String(value)}</dd>
					{/each}
				</dl>
				<button type="button" class="button small" onclick={() => saveOver(failure.current!)}
					>Save mine over it</button
				>
			{/if}
		</div>
	{/if}
	{@render children()}
</form>

<style>
	.message {
		background: var(--red-wash);
		border-left: 4px solid var(--red-ink);
		padding: 8px 12px;
		margin-bottom: 8px;
		white-space: normal;
		text-align: left;
	}
	dl {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 0 12px;
		font-size: var(--s13);
		max-height: 140px;
		overflow: auto;
		margin: 8px 0;
	}
	dd {
		margin: 0;
	}
</style>
