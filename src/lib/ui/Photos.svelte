<script lang="ts">
	/** Photos of a component, step or fault, and a way to add one: from the camera on a phone. */
	import X from '@lucide/svelte/icons/x';
	import type { Photo } from '$core/facts/costume.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import Act from './Act.svelte';
	import ChoosePhoto from './ChoosePhoto.svelte';
	import Form from './Form.svelte';

	interface Props {
		photos: readonly Photo[];
		componentId?: number | null;
		stepId?: number | null;
		faultId?: number | null;
		fittingId?: number | null;
	}
	let { photos, componentId = null, stepId = null, faultId = null, fittingId = null }: Props = $props();
</script>

<div class="photos">
	{#each photos as photo (photo.id)}
		<figure>
			<a href="/picture/{photo.hash}" target="_blank" rel="noopener"
				><img src="/picture/{photo.hash}?side=256" alt={photo.caption || 'Photo'} loading="lazy" /></a
			>
			<span class="remove"
				><Act command="removePhoto" id={photo.id} look="quiet" label="Remove photo"><X size={14} /></Act
				></span
			>
			<figcaption class="small">{photo.caption || timeWords(photo.takenAt)}</figcaption>
		</figure>
	{/each}
	<Form
		command="addPhoto"
		upload
		reset
		hidden={{ componentId, stepId, faultId, fittingId, caption: '' }}
		label="Add a photo"
	>
		<ChoosePhoto label="Add a photo" />
	</Form>
</div>

<style>
	.photos {
		display: flex;
		gap: 12px;
		flex-wrap: wrap;
		align-items: end;
	}
	figure {
		margin: 0;
		position: relative;
		background: #fff;
		padding: 4px;
		box-shadow: var(--shadow);
		color: #222;
	}
	img {
		display: block;
		width: 112px;
		height: 112px;
		object-fit: cover;
	}
	.remove {
		position: absolute;
		top: 4px;
		right: 4px;
		background: var(--sheet);
		color: var(--ink);
	}
</style>
