<script lang="ts">
	/** The stations of a costume, in the order of work. */
	import Eye from '@lucide/svelte/icons/eye';
	import ShoppingBasket from '@lucide/svelte/icons/shopping-basket';
	import CalendarDays from '@lucide/svelte/icons/calendar-days';
	import Scissors from '@lucide/svelte/icons/scissors';
	import Shapes from '@lucide/svelte/icons/shapes';
	import Ruler from '@lucide/svelte/icons/ruler';
	import Hammer from '@lucide/svelte/icons/hammer';
	import Paintbrush from '@lucide/svelte/icons/paintbrush';
	import Shirt from '@lucide/svelte/icons/shirt';
	import Bandage from '@lucide/svelte/icons/bandage';
	import { page } from '$app/state';
	import { STATIONS } from '$lib/stations.ts';

	interface Props {
		base: string;
		/** Something is broken: Mend says so. */
		broken: boolean;
	}
	let { base, broken }: Props = $props();
	const icons = {
		look: Eye,
		measure: Ruler,
		pattern: Shapes,
		lay: Scissors,
		buy: ShoppingBasket,
		plan: CalendarDays,
		bench: Hammer,
		finish: Paintbrush,
		wear: Shirt,
		mend: Bandage
	};
</script>

<nav class="rail on-mat no-print" aria-label="Stations">
	{#each STATIONS as station (station.path)}
		{@const Icon = icons[station.path]}
		<a
			href="{base}/{station.path}"
			aria-current={page.url.pathname.startsWith(`${base}/${station.path}`) ? 'page' : undefined}
			title="{station.says} ({station.key})"
		>
			<Icon size={18} aria-hidden="true" />
			<span>{station.name}</span>
			{#if station.path === 'mend' && broken}<i class="dot" title="Something is broken"></i>{/if}
		</a>
	{/each}
</nav>

<style>
	.rail {
		display: flex;
		flex-direction: column;
		align-self: start;
		position: sticky;
		top: 12px;
		background: var(--mat-deep);
		border-right: 3px solid var(--mat-line);
	}
	.rail a {
		display: flex;
		align-items: center;
		gap: 8px;
		padding: 11px 10px;
		color: var(--on-mat-soft);
		text-decoration: none;
		/* Each station is a division on the rail. */
		border-bottom: 1px dashed rgb(255 255 255 / 16%);
	}
	.rail a:hover {
		color: var(--on-mat);
	}
	.rail a[aria-current] {
		background: var(--sheet);
		color: var(--ink);
		font-weight: 600;
		clip-path: polygon(0 0, 100% 0, calc(100% - 8px) 50%, 100% 100%, 0 100%);
	}
	.dot {
		width: 8px;
		height: 8px;
		border-radius: 50%;
		background: #e2534a;
	}
	@media (max-width: 700px) {
		.rail {
			position: fixed;
			inset: auto 0 0;
			z-index: 15;
			flex-direction: row;
			border: 0;
			border-top: 2px solid var(--brass);
		}
		.rail a {
			position: relative;
			flex: 1;
			flex-direction: column;
			gap: 2px;
			padding: 8px 2px;
			font-size: clamp(0.65rem, 2.9vw, var(--s13));
			border: 0;
			min-height: 56px;
			justify-content: center;
		}
		.rail a[aria-current] {
			clip-path: none;
		}
		.dot {
			position: absolute;
			top: 8px;
			right: calc(50% - 18px);
		}
	}
</style>
