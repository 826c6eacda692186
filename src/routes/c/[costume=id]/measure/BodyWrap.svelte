<script lang="ts">
	/** A pattern straight from the body, step by step. */
	import { BODY_WRAP } from '$core/trade/bodyWrap.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
</script>

<div class="no-print">
	<Sheet>
		<details>
			<summary><h2>Body wrap: a pattern straight from the body</h2></summary>
			<Caution keys={['bodyWrap', 'blade']} />
			<ol>
				{#each BODY_WRAP as step (step)}<li>{step}</li>{/each}
			</ol>
		</details>
	</Sheet>
</div>

<style>
	summary {
		cursor: pointer;
	}
	summary h2 {
		display: inline;
	}
	details > ol {
		margin: 12px 0 0;
		padding-left: 24px;
		display: grid;
		gap: 6px;
		max-width: 75ch;
	}
</style>
