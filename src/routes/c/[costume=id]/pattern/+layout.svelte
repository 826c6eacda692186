<script lang="ts">
	import type { Snippet } from 'svelte';
	import { patternViews } from '$lib/lookViews.ts';
	import Views from '$lib/ui/Views.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
</script>

<Views label="Pattern" views={patternViews(`/c/${data.record.costume.id}`)} />
{@render children()}
