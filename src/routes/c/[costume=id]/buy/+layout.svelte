<script lang="ts">
	import type { Snippet } from 'svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	const base = $derived(`/c/${data.record.costume.id}/buy`);
</script>

<Views
	label="Buy"
	views={[
		{ href: base, name: 'Materials' },
		{ href: `${base}/takes`, name: 'What it takes' },
		{ href: `${base}/list`, name: 'Shopping list' },
		{ href: `${base}/quote`, name: 'Quote' }
	]}
/>
{@render children()}
