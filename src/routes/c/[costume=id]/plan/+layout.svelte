<script lang="ts">
	import type { Snippet } from 'svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	const base = $derived(`/c/${data.record.costume.id}/plan`);
</script>

<Views
	label="Plan"
	views={[
		{ href: base, name: 'Outlook' },
		{ href: `${base}/line`, name: 'Bench line' },
		{ href: `${base}/sooner`, name: 'Sooner' },
		{ href: `${base}/orders`, name: 'Order by' }
	]}
/>
{@render children()}
