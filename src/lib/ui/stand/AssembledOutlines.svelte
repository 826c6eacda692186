<script lang="ts">
	/** All that stands on the wearer as outlines from three sides: on paper, and on the mat without WebGL. */
	interface Props {
		/** Of the costume, as `/c/1`. */
		base: string;
		mat?: boolean;
	}
	let { base, mat = false }: Props = $props();
</script>

<img
	class:mat
	src="{base}/look/stand/outlines{mat ? '?mat' : ''}"
	alt="On the wearer, from the front, the left and the back"
/>

<style>
	img {
		display: block;
		width: 100%;
		object-fit: contain;
	}
	.mat {
		height: 100%;
	}
</style>
