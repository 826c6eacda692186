<script lang="ts">
	/** One field of a form of questions, which stand in the address: what is wrong with it is said beneath. */
	interface Props {
		name: string;
		label: string;
		/** Of which it is, where the eye sees that: read aloud only. */
		of?: string;
		/** Stands in it while nothing does. */
		hint?: string;
		inputmode?: 'text' | 'decimal';
		asked: { typed: Readonly<Record<string, string>>; errors: Readonly<Record<string, string>> };
	}
	let { name, label, of = '', hint = '', inputmode, asked }: Props = $props();
	const error = $derived(asked.errors[name]);
</script>

<label
	>{#if of}<span>{label}<span class="visually-hidden">{of}</span></span>{:else}{label}{/if}
	<input
		{name}
		defaultValue={asked.typed[name] ?? ''}
		placeholder={hint}
		{inputmode}
		autocomplete="off"
		aria-invalid={error ? 'true' : undefined}
		aria-describedby={error ? `${name}-error` : undefined}
	/>
	{#if error}<span class="error" role="alert" id="{name}-error">{error}</span>{/if}</label
>

<style>
	label {
		display: grid;
		gap: 2px;
		font-size: var(--s13);
	}
	.error {
		color: var(--red-ink);
		font-weight: 600;
	}
</style>
