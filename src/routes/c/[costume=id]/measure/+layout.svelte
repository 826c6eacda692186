<script lang="ts">
	import type { Snippet } from 'svelte';
	import { isSettled } from '$core/facts/fitting.ts';
	import { measureViews } from '$lib/lookViews.ts';
	import Views from '$lib/ui/Views.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	const open = $derived(data.fit.points.filter((p) => !isSettled(p, data.record.steps)).length);
	const views = $derived(
		measureViews(`/c/${data.record.costume.id}`).map((v) => ({
			...v,
			...(v.name === 'Fittings' && open ? { count: open } : {})
		}))
	);
</script>

<Views label="Measure" {views} />
{@render children()}
