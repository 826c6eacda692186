<script lang="ts">
	/** One name with its figure, among others. */
	import type { Snippet } from 'svelte';

	interface Props {
		name: string;
		/** Written in figures of equal width; false where words or a working stand. */
		figure?: boolean;
		children: Snippet;
	}
	let { name, figure = true, children }: Props = $props();
</script>

<div>
	<dt>{name}</dt>
	<dd class:figure>{@render children()}</dd>
</div>
