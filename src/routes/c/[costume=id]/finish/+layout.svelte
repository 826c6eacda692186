<script lang="ts">
	import type { Snippet } from 'svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	const base = $derived(`/c/${data.record.costume.id}/finish`);
</script>

<Views
	label="Finish"
	views={[
		{ href: base, name: 'Coats' },
		{ href: `${base}/recipes`, name: 'Recipes' },
		{ href: `${base}/colours`, name: 'Colours' },
		{ href: `${base}/seal`, name: 'Seal' },
		{ href: `${base}/glue`, name: 'Glue' },
		{ href: `${base}/effects`, name: 'Effects' },
		{ href: `${base}/spacing`, name: 'Spacing' }
	]}
/>
{@render children()}
