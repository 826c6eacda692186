<script lang="ts">
	/** The end of a form whose points are clicked on a picture: done with them, or once more from the beginning. */
	import type { DraftPoints } from './draftPoints.svelte.ts';

	interface Props {
		draft: DraftPoints;
		ready: boolean;
		label: string;
	}
	let { draft, ready, label }: Props = $props();
</script>

<div class="row end">
	<button class="button main small" disabled={!ready}>{label}</button>
	{#if draft.count}<button type="button" class="button quiet small" onclick={() => draft.clear()}
			>Clear</button
		>{/if}
</div>
