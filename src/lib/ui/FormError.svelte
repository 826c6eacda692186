<script lang="ts">
	/** The error of one field of the form around it, for inputs of their own kind. */
	import { useForm } from './formState.ts';

	interface Props {
		name: string;
		/** Said instead, when it was found on the page. */
		own?: string;
	}
	let { name, own = '' }: Props = $props();
	const form = useForm();
	const message = $derived(own || form.errors[name]);
</script>

{#if message}<p class="error" role="alert">{message}</p>{/if}

<style>
	.error {
		color: var(--red-ink);
		font-size: var(--s13);
		font-weight: 600;
		margin-top: 6px;
		max-width: 60ch;
	}
</style>
