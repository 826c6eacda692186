<script lang="ts">
	/** The photo of a lot: from the camera on a phone. */
	import Camera from '@lucide/svelte/icons/camera';
	import X from '@lucide/svelte/icons/x';
	import type { Lot } from '$core/facts/lot.ts';
	import Act from '$lib/ui/Act.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';

	let { lot }: { lot: Lot } = $props();
	const uid = $props.id();
</script>

<div>
	{#if lot.hash}
		<a href="/picture/{lot.hash}" target="_blank" rel="noopener"
			><img src="/picture/{lot.hash}?side=256" alt="How it looks" /></a
		>
		<Act command="removeLotPhoto" id={lot.id} look="quiet"><X size={14} /> Remove the photo</Act>
	{/if}
	<Form command="photographLot" id={lot.id} upload reset label="Photo of the lot">
		<label class="button small" for="{uid}-file"
			><Camera size={16} /> {lot.hash ? 'Another photo' : 'Add a photo'}</label
		>
		<input
			id="{uid}-file"
			class="visually-hidden"
			type="file"
			name="photo"
			accept="image/jpeg,image/png,image/webp"
			onchange={(e) => e.currentTarget.files?.length && e.currentTarget.form?.requestSubmit()}
		/>
		<FormError name="photo" />
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
	label:focus-within {
		outline: 3px solid var(--blue-ink);
	}
</style>
