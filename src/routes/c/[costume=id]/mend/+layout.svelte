<script lang="ts">
	import type { Snippet } from 'svelte';
	import { isMended } from '$core/facts/fault.ts';
	import Views from '$lib/ui/Views.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	const base = $derived(`/c/${data.record.costume.id}/mend`);
	const open = $derived(data.record.faults.filter((f) => !isMended(f, data.record.steps)).length);
</script>

<Views
	label="Mend"
	views={[
		{ href: base, name: 'Faults', count: open },
		{ href: `${base}/inspection`, name: 'Inspection' },
		{ href: `${base}/holds`, name: 'How long it holds' },
		{ href: `${base}/kit`, name: 'Kit' },
		{ href: `${base}/after`, name: 'After the event' },
		{ href: `${base}/care`, name: 'Care' },
		{ href: `${base}/lend`, name: 'Another wearer' },
		{ href: `${base}/record`, name: 'Record' }
	]}
/>
{@render children()}
