<script lang="ts">
	/** The colour of a callout beside its words. */
	interface Props {
		colour: string;
		/** Nobody has claimed it. */
		dashed?: boolean;
	}
	let { colour, dashed = false }: Props = $props();
</script>

<span style:background={colour} class:dashed></span>

<style>
	span {
		width: 14px;
		height: 14px;
		border: 1px solid #10241f;
		flex: none;
	}
	.dashed {
		border-style: dashed;
	}
</style>
