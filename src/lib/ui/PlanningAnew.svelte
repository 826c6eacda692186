<script lang="ts">
	/** Said while plans are made anew: what is shown is of before the last change. It asks again until it is not. */
	import { page } from '$app/state';
	import { readAnew } from './readAnew.ts';

	const AGAIN = 1500;
	const old = $derived(page.data.planOld === true);
	$effect(() => {
		if (!old) return;
		let timer: ReturnType<typeof setTimeout>;
		const again = () => {
			timer = setTimeout(() => void readAnew().finally(again), AGAIN);
		};
		again();
		return () => clearTimeout(timer);
	});
</script>

<p class="anew no-print" role="status">
	{#if old}<span>Planning anew. Times shown are of the plan before the last change.</span>{/if}
</p>

<style>
	.anew {
		margin: 0;
	}
	.anew span {
		display: block;
		background: var(--yellow);
		color: #2a2000;
		padding: 6px 16px;
	}
</style>
