<script lang="ts">
	/** A reference picture by choosing, dropping, pasting, or from the camera of a phone. */
	import ImagePlus from '@lucide/svelte/icons/image-plus';
	import Dialog from './Dialog.svelte';
	import Form from './Form.svelte';
	import FormError from './FormError.svelte';
	import PictureFields from './PictureFields.svelte';
	import Submit from './Submit.svelte';
	import { whyNotPicture } from './pictureFile.ts';

	interface Props {
		at?: string;
		/** How the costume looks, or pieces to trace. */
		purpose?: 'look' | 'trace';
		onDone?: (result: unknown) => void;
	}
	let { at = '', purpose = 'look', onDone }: Props = $props();
	const uid = $props.id();
	let open = $state(false);
	let own = $state('');
	let name = $state('');
	let over = $state(false);
	let input: HTMLInputElement | undefined = $state();
	let waiting: FileList | null = null;

	function take(files: FileList | null | undefined) {
		const file = files?.[0];
		if (!file) return;
		own = whyNotPicture(file);
		name = own ? '' : file.name;
		waiting = own ? null : files!;
		open = true;
		fill();
	}
	/** The dialog's input exists only when it is open. */
	function fill() {
		if (input) input.files = waiting ?? new DataTransfer().files;
	}
	$effect(() => {
		if (input && waiting) fill();
	});
	function paste(event: ClipboardEvent) {
		const target = event.target as HTMLElement;
		if (/^(INPUT|TEXTAREA)$/.test(target.tagName) && target !== input) return;
		if (event.clipboardData?.files.length) take(event.clipboardData.files);
	}
</script>

<svelte:window
	onpaste={paste}
	ondragover={(e) => {
		if (!e.dataTransfer?.types.includes('Files')) return;
		e.preventDefault();
		over = true;
	}}
	ondragleave={(e) => e.relatedTarget === null && (over = false)}
	ondrop={(e) => {
		over = false;
		if (!e.dataTransfer?.files.length) return;
		e.preventDefault();
		take(e.dataTransfer.files);
	}}
/>

<button class="button main small" data-add onclick={() => (open = true)}
	><ImagePlus size={14} /> {purpose === 'trace' ? 'Photo to trace' : 'Picture'}</button
>
{#if over}<div class="drop" aria-hidden="true">Let go to add the picture</div>{/if}
<Dialog
	bind:open={
		() => open,
		(value) => {
			open = value;
			if (!value) {
				waiting = null;
				own = name = '';
			}
		}
	}
	title={purpose === 'trace' ? 'New photo to trace' : 'New reference picture'}
>
	<Form
		command="addReference"
		{at}
		hidden={purpose === 'trace' ? { purpose, angle: 'detail', design: 'own' } : { purpose }}
		upload
		label="New reference picture"
		onDone={(result) => {
			open = false;
			onDone?.(result);
		}}
	>
		<div class="choose">
			<label class="button" for="{uid}-file"><ImagePlus size={16} /> Choose or take a picture</label>
			<input
				id="{uid}-file"
				class="visually-hidden"
				type="file"
				name="photo"
				accept="image/jpeg,image/png,image/webp"
				bind:this={input}
				onchange={(e) => take(e.currentTarget.files)}
			/>
			<span class="small soft">{name || 'JPEG, PNG or WebP; drop it anywhere here, or paste it'}</span>
		</div>
		<FormError name="photo" {own} />
		<div class="fields">
			<PictureFields look={purpose === 'look'} />
		</div>
		<Submit disabled={own !== ''}>Add picture</Submit>
	</Form>
</Dialog>

<style>
	.drop {
		position: fixed;
		inset: 12px;
		z-index: 30;
		display: grid;
		place-items: center;
		border: 3px dashed var(--pink);
		background: rgb(6 24 24 / 70%);
		color: var(--on-mat);
		font: 600 var(--s24) var(--head);
		pointer-events: none;
	}
	.choose {
		display: flex;
		align-items: center;
		gap: 12px;
		flex-wrap: wrap;
		margin-bottom: 12px;
	}
	.choose:focus-within .button {
		outline: 3px solid var(--blue-ink);
		outline-offset: 2px;
	}
</style>
