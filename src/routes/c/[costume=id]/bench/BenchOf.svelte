<script lang="ts">
	/** Whose bench this device stands at. */
	import type { Maker } from '$core/facts/workshop.ts';

	interface Props {
		makers: readonly Maker[];
		maker: string;
	}
	let { makers, maker = $bindable() }: Props = $props();
</script>

<label class="maker small"
	>Maker <select bind:value={maker} onchange={() => localStorage.setItem('dapper maker', maker)}
		>{#each makers as m (m.id)}<option value={String(m.id)}>{m.name}</option>{/each}</select
	></label
>

<style>
	.maker {
		display: inline-flex;
		align-items: center;
		gap: 6px;
	}
	.maker select {
		width: auto;
	}
</style>
