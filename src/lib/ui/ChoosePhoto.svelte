<script lang="ts">
	/** A photo for the form around it, from the camera on a phone: chosen, it is sent at once. */
	import Camera from '@lucide/svelte/icons/camera';
	import FormError from './FormError.svelte';

	let { label }: { label: string } = $props();
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

<label class="button small" for="{uid}-file"><Camera size={16} /> {label}</label>
<input
	id="{uid}-file"
	class="visually-hidden"
	type="file"
	name="photo"
	accept="image/jpeg,image/png,image/webp"
	onchange={chosen}
/>
<FormError name="photo" own={tooLarge} />

<style>
	label:focus-within,
	label:has(+ input:focus-visible) {
		outline: 3px solid var(--blue-ink);
	}
</style>
