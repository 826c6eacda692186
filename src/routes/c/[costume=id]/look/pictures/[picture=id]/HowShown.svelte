<script lang="ts">
	/** What the colours of the callouts stand for, and which picture lies beside. */
	import type { ReferencePicture } from '$core/facts/picture.ts';
	import type { ColourBy } from '$lib/ui/calloutColours.ts';
	import { COLOUR_BY } from '$lib/ui/calloutColours.ts';

	interface Props {
		by: ColourBy;
		/** The id of another picture; empty for none. */
		beside: string;
		others: readonly ReferencePicture[];
		titleOf: (picture: ReferencePicture) => string;
	}
	let { by = $bindable(), beside = $bindable(), others, titleOf }: Props = $props();
</script>

<label class="by"
	>Colours by
	<select bind:value={by}>
		{#each COLOUR_BY as c (c.value)}<option value={c.value}>{c.label}</option>{/each}
	</select></label
>
{#if others.length}
	<label class="by"
		>Beside it
		<select bind:value={beside}>
			<option value="">nothing</option>
			{#each others as p (p.id)}<option value={String(p.id)}>{titleOf(p)}</option>{/each}
		</select></label
	>
{/if}

<style>
	.by {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		font-size: var(--s13);
		margin-left: 8px;
	}
	.by select {
		width: auto;
		max-width: 132px;
		color: var(--ink);
	}
	@media (max-width: 700px) {
		.by {
			margin-left: 0;
		}
	}
</style>
