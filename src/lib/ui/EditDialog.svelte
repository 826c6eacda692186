<script lang="ts">
	/** A dialog for one row of a list: open while it has an id. */
	import type { Snippet } from 'svelte';
	import Dialog from './Dialog.svelte';

	interface Props {
		id: number | null;
		title: string;
		wide?: boolean;
		children: Snippet;
	}
	let { id = $bindable(), title, wide = false, children }: Props = $props();
	const open = () => id !== null;
	const leave = (open: boolean) => {
		if (!open) id = null;
	};
</script>

<Dialog bind:open={open, leave} {title} {wide} {children} />
