<script lang="ts">
	/** Measures that look like a slip of the tape or of the hand. */
	import { askAbout } from '$core/answers/slips.ts';
	import type { Slip } from '$core/answers/slips.ts';
	import Check from '@lucide/svelte/icons/check';
	import Act from '$lib/ui/Act.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Pencil from '@lucide/svelte/icons/pencil';

	interface Props {
		slips: readonly Slip[];
		length: (mm: number) => string;
		onedit: (measure: number) => void;
	}
	let { slips, length, onedit }: Props = $props();
</script>

<Sheet title="Is this right?">
	<ul>
		{#each slips as slip, i (i)}
			<li>
				<span>{askAbout(slip, length)}</span>
				<span class="row">
					<Act command="confirmMeasure" id={slip.measure.id}><Check size={14} /> It is right</Act>
					<button class="button small quiet" onclick={() => onedit(slip.measure.id)}
						><Pencil size={14} /> Correct it</button
					>
				</span>
			</li>
		{/each}
	</ul>
</Sheet>

<style>
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		gap: 8px;
	}
	li {
		display: flex;
		justify-content: space-between;
		gap: 4px 16px;
		flex-wrap: wrap;
		align-items: center;
		padding: 6px 10px;
		border-left: 4px solid var(--yellow-ink);
		background: var(--yellow-wash);
	}
</style>
