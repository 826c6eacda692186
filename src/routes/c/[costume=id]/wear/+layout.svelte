<script lang="ts">
	import type { Snippet } from 'svelte';
	import { page } from '$app/state';
	import { namesWords } from '$core/units/names.ts';
	import Views from '$lib/ui/Views.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	const base = $derived(`/c/${data.record.costume.id}/wear`);
	const { variants } = $derived(data.wear);
	const as = $derived(data.variant ? `?as=${data.variant.id}` : '');
	/** Pages that show it as it is worn; the others are of all of it. */
	const AS: readonly string[] = ['', '/weight', '/dressing', '/door', '/packing'];
	const isAs = $derived(AS.includes(page.url.pathname.slice(base.length)));
</script>

<Views
	label="Wear"
	query={as}
	views={[
		{ href: base, name: 'What holds it' },
		{ href: `${base}/weight`, name: 'Weight' },
		{ href: `${base}/dressing`, name: 'Dressing' },
		{ href: `${base}/moving`, name: 'Moving' },
		{ href: `${base}/light`, name: 'Light' },
		{ href: `${base}/door`, name: 'At the door' },
		{ href: `${base}/packing`, name: 'Packing' },
		{ href: `${base}/variants`, name: 'Variants' }
	]}
/>
{#if isAs && variants.length}
	<nav class="as on-mat" aria-label="Worn as">
		<span>Worn as</span>
		{#each [null, ...variants] as v (v?.id)}
			<a
				href="{page.url.pathname}{v ? `?as=${v.id}` : ''}"
				data-sveltekit-noscroll
				aria-current={v?.id === data.variant?.id ? 'true' : undefined}>{v?.name ?? 'all of it'}</a
			>
		{/each}
	</nav>
	{#if data.loose.length}
		<p class="loose on-mat" role="status">
			{namesWords([
				...new Set(data.loose.map(({ component, to }) => `${component.code} is held to ${to.code}`))
			])}, left off here: say what else holds it then.
		</p>
	{/if}
{/if}
{@render children()}

<style>
	.as {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 8px;
		align-items: center;
		font-size: var(--s13);
		color: var(--on-mat-soft);
	}
	.as a {
		display: inline-flex;
		align-items: center;
		min-height: 32px;
		padding: 0 10px;
		color: var(--on-mat-soft);
		text-decoration: none;
		border: 1px solid var(--mat-line);
	}
	.as a[aria-current] {
		color: var(--on-mat);
		font-weight: 600;
		border-color: var(--brass);
	}
	.loose {
		color: var(--on-mat);
		margin: 0;
		font-weight: 600;
	}
	@media (max-width: 700px) {
		.as a {
			min-height: 44px;
		}
	}
	@media print {
		.as a:not([aria-current]) {
			display: none;
		}
	}
</style>
