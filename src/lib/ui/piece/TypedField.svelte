<script lang="ts">
	import type { Typed } from './typed.svelte.ts';

	interface Props {
		typed: Typed;
		name: string;
		label: string;
		/** What is there now. */
		standing: string;
		onenter?: () => void;
	}
	let { typed, name, label, standing, onenter }: Props = $props();
	const uid = $props.id();
	const wrong = $derived(typed.wrong?.field === name ? typed.wrong.words : null);
</script>

<label>
	<span>{label}</span>
	<input
		value={typed.texts[name] ?? standing}
		oninput={(event) => (typed.texts[name] = event.currentTarget.value)}
		onkeydown={(event) => {
			if (event.key !== 'Enter') return;
			event.preventDefault();
			onenter?.();
		}}
		aria-invalid={wrong ? 'true' : undefined}
		aria-describedby={wrong ? uid : undefined}
	/>
	{#if wrong}<b id={uid} role="alert">{wrong}</b>{/if}
</label>

<style>
	label {
		display: grid;
		gap: 2px;
		font-size: var(--s13);
		min-width: 0;
	}
	span {
		font-weight: 600;
	}
	b {
		color: var(--red-ink);
	}
</style>
