<script lang="ts">
	/** Drops of paints, drawn in their colours. */
	import { hexOf } from '$core/engines/colour/lab.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { MixPart } from '$core/facts/palette.ts';

	interface Props {
		mix: readonly MixPart[];
		materials: readonly Material[];
	}
	let { mix, materials }: Props = $props();
	const parts = $derived(
		mix.map((p) => ({ ...p, material: materials.find((m) => m.id === p.materialId) ?? null }))
	);
</script>

<ul class="plain" aria-label="Drops">
	{#each parts as { material, drops, materialId } (materialId)}
		<li>
			<b class="figure">{drops}</b>
			<span class="drops" aria-hidden="true"
				>{#each { length: Math.min(drops, 24) } as _, i (i)}<svg width="11" height="15" viewBox="0 0 11 15"
						><path
							d="M5.5 0.8C7 4.2 10 6.6 10 9.6a4.5 4.5 0 0 1-9 0C1 6.6 4 4.2 5.5 0.8Z"
							fill={material?.lab ? hexOf(material.lab) : 'none'}
						/></svg
					>{/each}</span
			>
			<span>{material?.name ?? 'a paint that is gone'}</span>
		</li>
	{/each}
</ul>

<style>
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 8px;
		align-items: center;
	}
	b {
		min-width: 1.6em;
		text-align: right;
	}
	.drops {
		display: inline-flex;
		gap: 1px;
		flex-wrap: wrap;
	}
	path {
		stroke: var(--ink-soft);
		stroke-width: 0.8;
	}
</style>
