<script lang="ts">
	/** Photos of a component, step or fault, and a way to add one: from the camera on a phone. */
	import Camera from '@lucide/svelte/icons/camera';
	import X from '@lucide/svelte/icons/x';
	import type { Photo } from '$core/facts/costume.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import Act from './Act.svelte';
	import Form from './Form.svelte';
	import FormError from './FormError.svelte';

	interface Props {
		photos: readonly Photo[];
		componentId?: number | null;
		stepId?: number | null;
		faultId?: number | null;
		fittingId?: number | null;
	}
	let { photos, componentId = null, stepId = null, faultId = null, fittingId = null }: Props = $props();
	const MOST_MB = 20;
	let tooLarge = $state('');
	const uid = $props.id();

	function chosen(event: Event & { currentTarget: HTMLInputElement }) {
		const file = event.currentTarget.files?.[0];
		tooLarge = '';
		if (!file) return;
		if (file.size > MOST_MB * 1048576) {
			tooLarge = `The picture has ${Math.round(file.size / 1048576)} MB; at most ${MOST_MB} MB. Save it smaller first.`;
			event.currentTarget.value = '';
			return;
		}
		event.currentTarget.form?.requestSubmit();
	}
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
		<label class="button small" for="{uid}-file"><Camera size={16} /> Add a photo</label>
		<input
			id="{uid}-file"
			class="visually-hidden"
			type="file"
			name="photo"
			accept="image/jpeg,image/png,image/webp"
			onchange={chosen}
		/>
		<FormError name="photo" own={tooLarge} />
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
	label:focus-within {
		outline: 3px solid var(--blue-ink);
	}
</style>
