<script lang="ts">
	/** The figure, which stays in sight, and what is said of it beside it. */
	import type { ComponentProps, Snippet } from 'svelte';
	import { zoneWords, type Zone } from '$core/facts/zone.ts';
	import BodyFigure from './BodyFigure.svelte';
	import type { Component } from '$core/facts/component.ts';

	interface Props {
		components: readonly Component[];
		progress: Readonly<Record<number, number>>;
		/** The zone that is chosen. */
		zone: Zone | null;
		/** What is looked at beside it, lit on the figure. */
		looked: Component | null;
		/** Said beneath while no zone is chosen. */
		legend: string;
		stitches?: ComponentProps<typeof BodyFigure>['stitches'];
		children: Snippet;
	}
	let { components, progress, zone = $bindable(), looked, legend, stitches, children }: Props = $props();
</script>

<div class="beside">
	<div class="figure-side on-mat">
		<BodyFigure
			{components}
			{progress}
			{stitches}
			chosen={zone ? [zone] : []}
			highlight={looked}
			onchoose={(z) => (zone = zone === z ? null : z)}
		/>
		<p class="small">
			{legend}
			{#if zone}Showing <b>{zoneWords(zone)}</b>.
				<button onclick={() => (zone = null)}>Show all</button>{/if}
		</p>
	</div>
	{@render children()}
</div>

<style>
	.beside {
		display: grid;
		grid-template-columns: minmax(240px, 330px) minmax(0, 1fr);
		gap: 16px;
		align-items: start;
	}
	.figure-side {
		color: var(--on-mat-soft);
		position: sticky;
		top: 12px;
	}
	p {
		text-align: center;
		margin-top: 8px;
	}
	button {
		background: none;
		border: 1px solid var(--on-mat-soft);
		color: var(--on-mat);
		cursor: pointer;
	}
	@media (max-width: 900px) {
		.beside {
			grid-template-columns: minmax(0, 1fr);
		}
		.figure-side {
			position: static;
			max-width: 420px;
			margin: 0 auto;
			width: 100%;
		}
	}
	@media print {
		.figure-side {
			display: none;
		}
		.beside {
			display: block;
		}
	}
</style>
