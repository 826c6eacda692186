<script lang="ts">
	/** What a reference picture is: seen from where, followed how closely, from whom. */
	import { ANGLES, type ReferencePicture } from '$core/facts/picture.ts';
	import Field from './Field.svelte';

	interface Props {
		/** As it is kept; a new one without. */
		picture?: ReferencePicture;
		/** A picture to trace from has neither angle nor design. */
		look?: boolean;
	}
	let { picture, look = true }: Props = $props();
</script>

<Field
	name="title"
	label="Title"
	value={picture?.title ?? ''}
	hint={picture ? undefined : 'e.g. sketch, front'}
/>
{#if look}
	<Field name="angle" label="Seen from" options={ANGLES} value={picture?.angle ?? 'front'} />
	<Field
		name="design"
		label="Design"
		options={[
			{ value: 'faithful', label: 'followed faithfully' },
			{ value: 'own', label: 'a start for an own design' }
		]}
		value={picture?.design ?? 'faithful'}
	/>
{/if}
<Field
	name="sourceNote"
	label="Source"
	value={picture?.sourceNote ?? ''}
	hint={picture ? undefined : 'where it is from, whose it is'}
/>
