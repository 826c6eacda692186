<script lang="ts">
	/** The end of a form: the one thing that it does. */
	import type { Snippet } from 'svelte';

	interface Props {
		main?: boolean;
		disabled?: boolean;
		children: Snippet;
	}
	let { main = true, disabled = false, children }: Props = $props();
</script>

<p class="row end"><button class="button" class:main {disabled}>{@render children()}</button></p>
