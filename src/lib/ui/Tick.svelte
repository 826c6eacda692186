<script lang="ts">
	/** A checkbox with its word. */
	import { useForm } from './formState.ts';

	interface Props {
		name: string;
		label: string;
		checked?: boolean;
		value?: string;
	}
	let { name, label, checked = $bindable(false), value = 'on' }: Props = $props();
	const form = useForm();
	const error = $derived(form.errors[name]);
</script>

<label class="tick">
	<input type="checkbox" {name} {value} bind:checked aria-invalid={error ? 'true' : undefined} />
	<span>{label}</span>
</label>
{#if error}<p class="error">{error}</p>{/if}

<style>
	.tick {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		min-height: 30px;
		cursor: pointer;
	}
	.error {
		color: var(--red-ink);
		font-size: var(--s13);
		font-weight: 600;
	}
	@media (max-width: 700px) {
		.tick {
			min-height: 44px;
		}
	}
</style>
