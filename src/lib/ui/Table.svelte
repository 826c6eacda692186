<script lang="ts">
	/** A table that scrolls inside its sheet, where it is wider. */
	import type { Snippet } from 'svelte';

	interface Props {
		/** Cells of its one row of heads. */
		heads: Snippet;
		children: Snippet;
	}
	let { heads, children }: Props = $props();
</script>

<div class="scroll">
	<table>
		<thead>
			<tr>{@render heads()}</tr>
		</thead>
		<tbody>{@render children()}</tbody>
	</table>
</div>
