<script lang="ts">
	/** What the colours of the callouts mean. */
	import { UNCLAIMED } from './calloutColours.ts';
	import type { Callout } from '$core/facts/picture.ts';
	import Swatch from './Swatch.svelte';
	import type { Shade } from './calloutColours.ts';
	import type { Component } from '$core/facts/component.ts';

	interface Props {
		callouts: readonly Callout[];
		components: readonly Component[];
		shade: (component: Component | undefined) => Shade;
	}
	let { callouts, components, shade }: Props = $props();
	const legend = $derived(
		[
			...new Map(
				callouts.map((c) => shade(components.find((k) => k.id === c.componentId))).map((s) => [s.key, s])
			).values()
		].sort((a, b) => a.key.localeCompare(b.key, undefined, { numeric: true }))
	);
</script>

<ul class="legend on-mat small" aria-label="Legend">
	{#each legend as s (s.key)}
		<li>
			<Swatch colour={s.colour} dashed={s === UNCLAIMED} />{s.words}
		</li>
	{:else}<li>No callout yet: choose Point or Outline.</li>{/each}
</ul>

<style>
	.legend {
		list-style: none;
		margin: 8px 0 0;
		padding: 0;
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		color: var(--on-mat);
	}
	.legend li {
		display: flex;
		align-items: center;
		gap: 6px;
	}
</style>
