<script lang="ts">
	/** A button that runs a command at once: everything it does can be undone, so it never asks. */
	import type { Snippet } from 'svelte';
	import Form from './Form.svelte';

	interface Props {
		command: string;
		at?: string;
		id?: number | string;
		version?: number;
		hidden?: Record<string, string | number | null>;
		look?: 'main' | 'plain' | 'quiet';
		small?: boolean;
		/** Said by screen readers when the word alone is not enough. */
		label?: string;
		title?: string;
		disabled?: boolean;
		onDone?: (result: unknown) => void;
		children: Snippet;
	}
	let {
		command,
		at,
		id,
		version,
		hidden,
		look = 'plain',
		small = true,
		label,
		title,
		disabled = false,
		onDone,
		children
	}: Props = $props();
</script>

<Form {command} {at} {id} {version} {hidden} {onDone} class="act">
	<button class="button {look === 'plain' ? '' : look}" class:small aria-label={label} {title} {disabled}
		>{@render children()}</button
	>
</Form>

<style>
	:global(form.act) {
		display: inline-block;
	}
</style>
