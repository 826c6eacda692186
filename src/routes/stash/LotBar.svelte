<script lang="ts">
	/** A lot drawn to the scale of its packs: what is promised is filled, what is free is open, what is past is struck out. */
	interface Props {
		/** Of the lot, and of that promised, in units. */
		quantity: number;
		promised: number;
		packSize: number;
		good: boolean;
	}
	let { quantity, promised, packSize, good }: Props = $props();
	/** Longer ones end ragged. */
	const MOST = 6;
	const PACK = 22;
	const H = 12;
	const packs = $derived(quantity / packSize);
	const width = $derived(Math.min(packs, MOST) * PACK);
	const filled = $derived(Math.min(promised / packSize, MOST) * PACK);
	const marks = $derived(Array.from({ length: Math.ceil(Math.min(packs, MOST)) }, (_, i) => i * PACK));
</script>

<svg viewBox="0 0 {MOST * PACK + 2} {H + 2}" width={MOST * PACK + 2} height={H + 2} aria-hidden="true">
	<g transform="translate(1 1)" class:past={!good}>
		{#each marks as x (x)}<rect class="pack" {x} width={PACK} height={H} />{/each}
		<rect class="lot" width={Math.max(2, width)} height={H} />
		<rect class="given" width={filled} height={H} />
		{#if !good}<path d="M0 {H} L{Math.max(8, width)} 0" class="struck" />{/if}
		{#if packs > MOST}<path d="M{width} 0 l-4 3 4 3 -4 3 4 3" class="ragged" />{/if}
	</g>
</svg>

<style>
	svg {
		flex: none;
		max-width: 100%;
	}
	.pack {
		fill: none;
		stroke: var(--rule);
	}
	.lot {
		fill: var(--sheet-shade);
		stroke: var(--ink-soft);
	}
	.given {
		fill: var(--brass);
	}
	.past .lot {
		stroke-dasharray: 3 2;
	}
	.struck {
		stroke: var(--red-ink);
		stroke-width: 1.5;
	}
	.ragged {
		fill: none;
		stroke: var(--sheet);
		stroke-width: 2.5;
	}
</style>
