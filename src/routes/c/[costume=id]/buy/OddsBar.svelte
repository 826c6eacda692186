<script lang="ts">
	/** Builds ready in time as a bar, with a mark where they stand without it. */
	import { of100 } from '$core/units/number.ts';

	interface Props {
		share: number;
		/** As it stands; null where nobody knows it. */
		before: number | null;
	}
	let { share, before }: Props = $props();
</script>

<p>
	<svg viewBox="0 0 100 10" preserveAspectRatio="none" aria-hidden="true">
		<rect class="all" width="100" height="10" />
		<rect class={share >= (before ?? 0) ? 'more' : 'fewer'} width={share * 100} height="10" />
		{#if before !== null}<rect class="mark" x={before * 100 - 0.4} width="0.8" height="10" />{/if}
	</svg>
	<b>{of100(share)}</b>
</p>

<style>
	p {
		display: flex;
		align-items: center;
		gap: 8px;
		margin: 0;
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
	svg {
		width: 100px;
		height: 14px;
	}
	.all {
		fill: var(--sheet-shade);
	}
	.more {
		fill: var(--good-ink);
	}
	.fewer {
		fill: var(--red-ink);
	}
	.mark {
		fill: var(--ink);
	}
</style>
