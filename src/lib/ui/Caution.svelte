<script lang="ts">
	/** Cautions for what is about to be done: short, with what to wear first. */
	import { handbook } from './handbook/handbook.ts';
	import TriangleAlert from '@lucide/svelte/icons/triangle-alert';
	import { CAUTION_CLOSING, type CautionKey } from '$core/trade/caution.ts';

	interface Props {
		keys: readonly CautionKey[];
	}
	let { keys }: Props = $props();
	const cautions = $derived(keys.flatMap((k) => handbook().caution[k] ?? []));
	const wear = $derived([...new Set(cautions.flatMap((c) => c.wear.split(', ').filter(Boolean)))]);
</script>

{#if cautions.length}
	<div class="caution" role="note">
		<TriangleAlert size={18} aria-hidden="true" />
		<div>
			{#if wear.length}<p><b>Wear: {wear.join(', ')}.</b></p>{/if}
			<p>{cautions.map((c) => c.do).join(' ')}</p>
			<p class="small">{CAUTION_CLOSING}</p>
		</div>
	</div>
{/if}

<style>
	.caution {
		display: flex;
		gap: 8px;
		padding: 8px 12px;
		background: var(--yellow-wash);
		border-left: 4px solid var(--yellow-ink);
		color: var(--ink);
	}
	.caution :global(svg) {
		flex: none;
		margin-top: 2px;
		color: var(--yellow-ink);
	}
</style>
