<script lang="ts">
	/** The coats of one product as they lie on each other: hatched to come, full where they are on. */
	import { hexOf } from '$core/engines/colour/lab.ts';
	import type { Lab } from '$core/units/lab.ts';

	interface Props {
		coats: number;
		on: number;
		lab: Lab | null | undefined;
		/** Coats are counted for whoever cannot see them. */
		label: string;
	}
	let { coats, on, lab, label }: Props = $props();
</script>

<span class="band" role="img" aria-label={label}
	>{#each { length: coats } as _, i (i)}<i
			class:on={coats - i <= on}
			style:--paint={lab ? hexOf(lab) : undefined}
		></i>{/each}</span
>

<style>
	.band {
		align-self: stretch;
		display: flex;
		flex-direction: column;
		justify-content: flex-end;
	}
	i {
		--paint: var(--sheet-shade);
		flex: 1 0 13px;
		border: 1px solid var(--ink-soft);
		border-bottom-width: 0;
		background: repeating-linear-gradient(
			-45deg,
			transparent 0 4px,
			color-mix(in srgb, var(--paint), transparent 30%) 4px 6px
		);
	}
	.on {
		background: var(--paint);
	}
</style>
