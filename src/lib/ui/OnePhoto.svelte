<script lang="ts">
	/** The one photo of a row: shown, changed, taken off. */
	import X from '@lucide/svelte/icons/x';
	import type { Snippet } from 'svelte';
	import Act from './Act.svelte';
	import ChoosePhoto from './ChoosePhoto.svelte';
	import Form from './Form.svelte';

	interface Props {
		id: number;
		hash: string | null;
		/** What it shows. */
		alt: string;
		/** The commands that put one in its place, and take it off. */
		put: string;
		remove: string;
		/** What is said where there is none yet. */
		label: string;
		/** Fields that go with it. */
		children?: Snippet;
	}
	let { id, hash, alt, put, remove, label, children }: Props = $props();
</script>

<div>
	{#if hash}
		<a href="/picture/{hash}" target="_blank" rel="noopener"><img src="/picture/{hash}?side=256" {alt} /></a>
		<Act command={remove} {id} look="quiet"><X size={14} /> Remove the photo</Act>
	{/if}
	<Form command={put} {id} upload reset label={alt}>
		{@render children?.()}
		<ChoosePhoto label={hash ? 'Another photo' : label} />
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
