<script lang="ts">
	/** The photo of a lot: from the camera on a phone. */
	import X from '@lucide/svelte/icons/x';
	import type { Lot } from '$core/facts/lot.ts';
	import Act from '$lib/ui/Act.svelte';
	import ChoosePhoto from '$lib/ui/ChoosePhoto.svelte';
	import Form from '$lib/ui/Form.svelte';

	let { lot }: { lot: Lot } = $props();
</script>

<div>
	{#if lot.hash}
		<a href="/picture/{lot.hash}" target="_blank" rel="noopener"
			><img src="/picture/{lot.hash}?side=256" alt="How it looks" /></a
		>
		<Act command="removeLotPhoto" id={lot.id} look="quiet"><X size={14} /> Remove the photo</Act>
	{/if}
	<Form command="photographLot" id={lot.id} upload reset label="Photo of the lot">
		<ChoosePhoto label={lot.hash ? 'Another photo' : 'Add a photo'} />
	</Form>
</div>

<style>
	div {
		display: flex;
		gap: 12px;
		align-items: end;
		flex-wrap: wrap;
		margin-top: 12px;
	}
	img {
		display: block;
		width: 160px;
		max-height: 160px;
		object-fit: cover;
	}
</style>
