<script lang="ts">
	/** A component as a paper tag: the same everywhere, and the one that prints to pin on. */
	import { tagWords, type Component } from '$core/facts/component.ts';
	import { weaveOf } from '$core/trade/weave.ts';
	import Weave from './Weave.svelte';

	interface Props {
		component: Pick<Component, 'code' | 'name' | 'kind' | 'route' | 'side' | 'count'>;
		href?: string;
		/** Only the code: for lines of text. */
		short?: boolean;
	}
	let { component, href, short = false }: Props = $props();
	const amount = $derived(tagWords(component));
</script>

<svelte:element this={href ? 'a' : 'span'} {href} class="tag" class:short>
	<span class="hole" aria-hidden="true"></span>
	<Weave weave={weaveOf(component)} size={14} />
	<b>{component.code}</b>
	{#if !short}<span class="name">{component.name}</span>{/if}
	{#if amount}<span class="amount">{amount}</span>{/if}
</svelte:element>

<style>
	.tag {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		max-width: 100%;
		padding: 2px 8px 2px 16px;
		background: #efe3c4;
		color: #1b2420;
		clip-path: polygon(8px 0, 100% 0, 100% 100%, 8px 100%, 0 70%, 0 30%);
		text-decoration: none;
		position: relative;
		min-height: 26px;
		--ink: #1b2420;
		--sheet: #faf7ee;
	}
	a.tag:hover .name {
		text-decoration: underline;
	}
	a.tag:focus-visible {
		clip-path: none;
	}
	.hole {
		position: absolute;
		left: 5px;
		top: calc(50% - 3px);
		width: 6px;
		height: 6px;
		border-radius: 50%;
		background: var(--mat);
	}
	b {
		font-family: var(--mono);
		font-size: var(--s13);
		white-space: nowrap;
	}
	.name {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		font-weight: 600;
	}
	.amount {
		font-family: var(--mono);
		font-size: var(--s13);
		white-space: nowrap;
	}
</style>
