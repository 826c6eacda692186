<script lang="ts">
	import type { Snippet } from 'svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	const base = $derived(`/c/${data.record.costume.id}/wear`);
</script>

<Views
	label="Wear"
	views={[
		{ href: base, name: 'What holds it' },
		{ href: `${base}/weight`, name: 'Weight' },
		{ href: `${base}/dressing`, name: 'Dressing' },
		{ href: `${base}/moving`, name: 'Moving' },
		{ href: `${base}/light`, name: 'Light' },
		{ href: `${base}/door`, name: 'At the door' },
		{ href: `${base}/packing`, name: 'Packing' }
	]}
/>
{@render children()}
