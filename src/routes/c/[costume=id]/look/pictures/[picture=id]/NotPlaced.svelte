<script lang="ts">
	/** Components that are on no picture yet: pressed, they are placed on this one. */
	import Tag from '$lib/ui/Tag.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { Component } from '$core/facts/component.ts';

	interface Props {
		components: readonly Component[];
		onpick: (component: Component) => void;
	}
	let { components, onpick }: Props = $props();
</script>

<Sheet title="On no picture yet" level={3}>
	<p class="row">
		{#each components as component (component.id)}
			<button class="pick" title="Place {component.code} on this picture" onclick={() => onpick(component)}
				><Tag {component} /></button
			>
		{/each}
	</p>
</Sheet>
