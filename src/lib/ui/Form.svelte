<script lang="ts">
	/**
	 * A form that runs one command. Errors come back to their fields and typed text stays; when
	 * another window was faster, both versions are shown and the maker chooses.
	 */
	import { enhance } from '$app/forms';
	import { page } from '$app/state';
	import { tick, untrack, type Snippet } from 'svelte';
	import { problem, say } from '$core/units/problem.ts';
	import { dropDraft, fieldsOf, fillField, keepDraft, readDraft, readField } from './drafts.ts';
	import { isDone, isFailure, provideForm, scripts, type Answer } from './formState.ts';
	import { announce } from './announce.ts';
	import { opened, readAnew } from './readAnew.ts';
	import { tellRestored } from './restored.ts';
	import Notice from './Notice.svelte';

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
	/** Its own: what the page holds of it is gone as soon as anything is read anew. */
	let answered = $state<Answer>(scripts.running ? null : (page.form as Answer));
	let busy = $state(false);
	let overVersion = $state<number | null>(null);
	const failure = $derived(
		isFailure(answered) && answered.command === command && answered.id === String(id) ? answered : null
	);
	/** Why there was no answer: nothing that was typed is lost, and sent again it is still one action. */
	let lost = $state('');
	let form: HTMLFormElement;
	/** As its button does. */
	export const submit = () => form.requestSubmit();

	/** Buttons without fields have no place of their own for a refusal. */
	const hasFields = () => form.querySelector('input:not([type=hidden]), select, textarea') !== null;

	const newKey = () =>
		Array.from(crypto.getRandomValues(new Uint32Array(4)), (n) => n.toString(16).padStart(8, '0')).join('');
	const firstKey = newKey();
	/**
	 * What is on its way, or was sent and never answered. The same sent twice, by a second tap or after an answer
	 * that got lost, has the same key and is one action.
	 */
	let sent: { what: string; key: string } | null = null;
	function keyFor(data: FormData): string {
		const what = JSON.stringify(
			[...data].map(([name, value]) => [name, value instanceof File ? [value.name, value.size] : value])
		);
		if (sent?.what !== what) sent = { what, key: newKey() };
		return sent.key;
	}

	/** What the draft is kept under: this form of this page, about the same row. */
	let draftKey = '';
	/** What is typed here was kept from an earlier visit. */
	let kept = $state(false);
	let draftVersion = $state<number | null>(null);
	const shownVersion = $derived(overVersion ?? draftVersion ?? version);
	/** The fields as they were shown. */
	let shown = new Map<string, string | boolean>();
	const readShown = () =>
		(shown = new Map([...fieldsOf(form)].map(([name, input]) => [name, readField(input)])));

	/** Fields that a choice brings up come a moment later, so it is gone through twice. */
	async function fill(fields: Record<string, string | boolean>) {
		for (const _ of [1, 2]) {
			for (const [name, value] of Object.entries(fields)) {
				const input = fieldsOf(form).get(name);
				if (input && readField(input) !== value) fillField(input, value);
			}
			await tick();
		}
	}
	// The page may show another row in the same form: what is kept on the device is looked up anew.
	$effect(() => {
		const about = [page.url.pathname, at, command, id];
		untrack(() => begin(about));
	});
	function begin(about: readonly unknown[]) {
		const now = [...about, ...Object.values(hidden).filter((v) => String(v).length < 40)].join(' ');
		// What another row was refused for is not said of this one.
		if (draftKey && draftKey !== now) answered = null;
		draftKey = now;
		kept = false;
		draftVersion = null;
		readShown();
		const draft = readDraft(draftKey);
		if (!draft) return;
		if (Object.entries(draft.fields).every(([name, value]) => shown.get(name) === value))
			return dropDraft(draftKey);
		draftVersion = version === undefined ? null : draft.version;
		kept = true;
		void fill(draft.fields);
	}
	function typed() {
		const changed = [...fieldsOf(form)].filter(
			([name, input]) =>
				readField(input) !==
				(shown.get(name) ?? (input instanceof HTMLInputElement && input.type === 'checkbox' ? false : ''))
		);
		keepDraft(
			draftKey,
			Object.fromEntries(changed.map(([name, input]) => [name, readField(input)])),
			shownVersion ?? null
		);
	}
	async function discard() {
		await fill(Object.fromEntries(shown));
		saved();
	}
	/** Nothing typed here is unsaved any more. */
	function saved() {
		dropDraft(draftKey);
		kept = false;
		draftVersion = null;
		readShown();
	}

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
	oninput={typed}
	onchange={typed}
	use:enhance={({ formData, cancel }) => {
		formData.delete('formKey');
		const before = sent?.key;
		const key = keyFor(formData);
		if (busy && key === before) return cancel();
		formData.set('formKey', key);
		busy = true;
		lost = '';
		return async ({ result, update }) => {
			if (result.type === 'error') {
				busy = false;
				lost = result.status ? String(result.error?.message) : say(problem('noAnswer'));
				if (!hasFields()) announce(lost, { bad: true, undoable: false });
				onFail?.();
				return;
			}
			const answer = (result.type === 'success' || result.type === 'failure' ? result.data : null) as Answer;
			answered = answer;
			// What was done is no draft any more: fresh data would bring it back into its fields.
			if (result.type === 'success') dropDraft(draftKey);
			await opened();
			await update({ reset: reset && result.type === 'success' });
			busy = false;
			if (result.type === 'success') {
				overVersion = null;
				if (sent?.key === key) sent = null;
				await tick();
				if (form) saved();
				else dropDraft(draftKey);
				if (isDone(answer)) announce(answer.done, { undoable: answer.command !== 'restoreBackup' });
				if (isDone(answer) && answer.command === 'restoreBackup') tellRestored();
				onDone?.(result.data?.result);
			} else {
				if (isFailure(answer) && answer.renewed) await readAnew();
				if (isFailure(answer) && !hasFields()) announce(answer.message, { bad: true, undoable: false });
				form.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
				onFail?.();
			}
		};
	}}
>
	<input type="hidden" name="formKey" value={firstKey} />
	<input type="hidden" name="life" value={page.data.life ?? ''} />
	{#if id !== ''}<input type="hidden" name="id" value={id} />{/if}
	{#if shownVersion !== undefined}<input type="hidden" name="version" value={shownVersion} />{/if}
	{#each Object.entries(hidden) as [name, value] (name)}<input
			type="hidden"
			{name}
			value={value ?? ''}
		/>{/each}
	{#if lost}<Notice bad>{lost}</Notice>{/if}
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
	{#if kept}
		<p class="kept small no-print" role="status">
			Typed before and not saved: kept · <button type="button" onclick={discard}>discard</button>
		</p>
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
	.kept {
		border-left: 4px solid var(--yellow);
		background: var(--sheet-shade);
		color: var(--ink);
		padding: 4px 12px;
		margin-bottom: 8px;
	}
	.kept button {
		border: 0;
		background: none;
		color: var(--blue-ink);
		text-decoration: underline;
		cursor: pointer;
		min-height: 30px;
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
