<script lang="ts">
	/** The views of a station: index flags along the top of its sheets. */
	import { page } from '$app/state';

	interface Props {
		label: string;
		/** What the address carries along. */
		query?: string;
		views: readonly { href: string; name: string; count?: number }[];
	}
	let { label, views, query = '' }: Props = $props();
	const here = $derived(page.url.pathname);
	/** The longest address that this page lies under. */
	const current = $derived(
		views
			.filter((v) => here === v.href || here.startsWith(`${v.href}/`))
			.reduce((best, v) => (v.href.length > best.length ? v.href : best), '')
	);
	/** On a phone the flags run out of sight: the lit one is brought back. */
	let nav: HTMLElement;
	$effect(() => {
		void current;
		const lit = nav.querySelector<HTMLElement>('[aria-current]');
		if (lit) nav.scrollLeft = lit.offsetLeft - (nav.clientWidth - lit.offsetWidth) / 2;
	});
</script>

<nav bind:this={nav} aria-label={label} class="on-mat no-print">
	{#each views as view (view.href)}
		<a href="{view.href}{query}" aria-current={view.href === current ? 'page' : undefined}>
			{view.name}{#if view.count}<span class="count">{view.count}</span>{/if}
		</a>
	{/each}
</nav>

<style>
	nav {
		position: relative;
		display: flex;
		gap: 4px;
		overflow-x: auto;
		border-bottom: 2px solid var(--mat-line);
		margin-bottom: -4px;
	}
	a {
		display: flex;
		align-items: center;
		gap: 6px;
		padding: 6px 12px;
		min-height: 36px;
		color: var(--on-mat-soft);
		text-decoration: none;
		white-space: nowrap;
		border-bottom: 3px solid transparent;
	}
	a:hover {
		color: var(--on-mat);
	}
	a[aria-current] {
		color: var(--on-mat);
		font-weight: 600;
		border-bottom-color: var(--brass);
	}
	.count {
		font: 600 var(--s13) / 1 var(--mono);
		padding: 3px 5px;
		background: var(--mat-deep);
	}
	@media (max-width: 700px) {
		a {
			min-height: 44px;
			padding: 6px 10px;
		}
	}
</style>
