<script lang="ts">
	/** Stands beside what nobody entered and no piece gives. */
	interface Props {
		words?: string;
	}
	let { words = 'a guess' }: Props = $props();
</script>

<span class="guess" title="A starting value: nobody has looked at it, and no piece gives it.">{words}</span>

<style>
	.guess {
		font-size: var(--s13);
		font-weight: 600;
		color: var(--yellow-ink);
		border-bottom: 1.5px dashed currentcolor;
		white-space: nowrap;
	}
</style>
