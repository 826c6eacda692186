<script lang="ts" generics="L">
	/** Lines that are added and taken away, and go with the form as one field. */
	import Plus from '@lucide/svelte/icons/plus';
	import X from '@lucide/svelte/icons/x';
	import type { Snippet } from 'svelte';
	import { capital } from '$core/units/names.ts';
	import { useForm } from '../formState.ts';

	interface Props {
		legend: string;
		name: string;
		/** What is sent. */
		sent: string;
		lines: readonly L[];
		/** What one is called: `use`. */
		one: string;
		onadd: () => void;
		onremove: (index: number) => void;
		line: Snippet<[L, number]>;
	}
	let { legend, name, sent, lines, one, onadd, onremove, line }: Props = $props();
	const form = useForm();
	const error = $derived(form.errors[name]);
</script>

<fieldset>
	<legend>{legend}</legend>
	<input type="hidden" {name} value={sent} />
	{#if error}<p class="error" role="alert">{error}</p>{/if}
	{#each lines as each, i (each)}
		<div class="line">
			{@render line(each, i)}
			<button
				type="button"
				class="button small quiet"
				aria-label="Remove {one} {i + 1}"
				onclick={() => onremove(i)}><X size={14} /></button
			>
		</div>
	{/each}
	<button type="button" class="button small" onclick={onadd}><Plus size={14} /> {capital(one)}</button>
</fieldset>

<style>
	fieldset {
		border: 1px solid var(--rule);
		padding: 8px 12px;
		margin: 0;
	}
	.line {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 8px;
		padding: 3px 0;
	}
	.line > :global(select) {
		flex: 1 1 12em;
		width: auto;
		min-width: 0;
	}
	.error {
		color: var(--red-ink);
	}
</style>
