<script lang="ts">
	/** Nobody wears it yet: why a profile, and how to begin one. */
	import Sheet from '$lib/ui/Sheet.svelte';
	import Act from '$lib/ui/Act.svelte';
	import type { Wearer } from '$core/facts/bodyMeasure.ts';
	import UserPlus from '@lucide/svelte/icons/user-plus';

	interface Props {
		/** The name on the costume, for which no profile stands yet. */
		named: string;
		others: readonly Wearer[];
		onadd: () => void;
	}
	let { named, others, onadd }: Props = $props();
	const namesake = $derived(others.find((w) => w.name.toLowerCase() === named.toLowerCase()));
</script>

<Sheet title="Who wears it?">
	<p>
		Most of a costume’s later trouble starts with a size guessed by eye. A profile keeps the wearer’s measures
		with their dates; what goes on, how much ease it has and how a pattern is resized is worked out from it.
	</p>
	<div class="row end">
		{#if namesake}
			<Act command="wearCostume" hidden={{ wearerId: namesake.id }} look="main" small={false}
				>Use the profile of {namesake.name}</Act
			>
		{:else if named}
			<Act command="addWearer" hidden={{ name: named, note: '' }} look="main" small={false}
				>Begin a profile for {named}</Act
			>
		{/if}
		<button class="button" data-add onclick={() => onadd()}><UserPlus size={16} /> Another wearer</button>
	</div>
</Sheet>
