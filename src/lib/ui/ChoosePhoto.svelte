<script lang="ts">
	/** A photo for the form around it, from the camera on a phone: chosen, it is sent at once. */
	import Camera from '@lucide/svelte/icons/camera';
	import FormError from './FormError.svelte';
	import { whyNotPicture } from './pictureFile.ts';

	let { label }: { label: string } = $props();
	let own = $state('');
	const uid = $props.id();

	function chosen({ currentTarget: input }: Event & { currentTarget: HTMLInputElement }) {
		const file = input.files?.[0];
		own = file ? whyNotPicture(file) : '';
		if (own) input.value = '';
		else if (file) input.form?.requestSubmit();
	}
</script>

<label class="button small" for="{uid}-file"><Camera size={16} /> {label}</label>
<input
	id="{uid}-file"
	class="visually-hidden"
	type="file"
	name="photo"
	accept="image/jpeg,image/png,image/webp"
	onchange={chosen}
/>
<FormError name="photo" {own} />

<style>
	label:focus-within,
	label:has(+ input:focus-visible) {
		outline: 3px solid var(--blue-ink);
	}
</style>
