<script lang="ts">
	/** A colour as it is typed, #b08d57 or CIELAB, with what a screen shows of it; the swatch picks another one. */
	import { formatLab, hexOf, parseColour } from '$core/engines/colour/lab.ts';
	import type { Lab } from '$core/units/lab.ts';
	import Field from './Field.svelte';

	interface Props {
		name: string;
		label: string;
		value: Lab | null;
		required?: boolean;
		hint?: string;
	}
	let { name, label, value, required = false, hint = 'e.g. #b08d57; empty: not measured' }: Props = $props();
	// svelte-ignore state_referenced_locally
	let text = $state(value ? formatLab(value) : '');
	const read = $derived(parseColour(text));
</script>

<div class="colour">
	<Field {name} {label} bind:value={text} {hint} {required} />
	<input
		type="color"
		class:none={!read}
		aria-label="{label}: choose on the screen"
		bind:value={() => (read ? hexOf(read) : '#808080'), (hex) => (text = hex)}
	/>
</div>

<style>
	.colour {
		display: grid;
		grid-template-columns: 1fr 44px;
		gap: 6px;
		align-items: start;
	}
	input {
		margin-top: 20px;
		width: 44px;
		height: 36px;
		padding: 2px;
		border: 1px solid var(--ink-soft);
		background: none;
	}
	.none {
		opacity: 0.35;
	}
</style>
