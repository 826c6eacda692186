<script lang="ts">
	/** Finds costumes, components, steps, materials and stations by any part of their names. */
	import { goto } from '$app/navigation';
	import { finder, type Findable } from '$lib/find.ts';
	import Dialog from './Dialog.svelte';

	interface Props {
		open: boolean;
		things: readonly Findable[];
	}
	let { open = $bindable(), things }: Props = $props();
	let query = $state('');
	let at = $state(0);
	/** Made when it is opened: things change under it all day. */
	const find = $derived(open ? finder(things) : () => []);
	const found = $derived(find(query));

	function go(thing: Findable | undefined) {
		if (!thing) return;
		open = false;
		query = '';
		goto(thing.href);
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'ArrowDown') at = Math.min(found.length - 1, at + 1);
		else if (event.key === 'ArrowUp') at = Math.max(0, at - 1);
		else if (event.key === 'Enter') go(found[at]);
		else return;
		event.preventDefault();
	}
</script>

<Dialog bind:open title="Find">
	<input
		type="search"
		aria-label="Find a costume, component, step or material"
		placeholder="bracer, prime, foam 6 …"
		bind:value={query}
		oninput={() => (at = 0)}
		{onkeydown}
	/>
	<ul aria-label="Found">
		{#each found as thing, i (thing.href + thing.name)}
			<li class:at={i === at}>
				<a href={thing.href} onclick={() => (open = false)}
					><b>{thing.name}</b> <span class="soft small">{thing.what}</span></a
				>
			</li>
		{:else}
			<li class="soft">{query ? `Nothing is called “${query}”.` : 'Type a part of its name or code.'}</li>
		{/each}
	</ul>
</Dialog>

<style>
	ul {
		list-style: none;
		padding: 0;
		margin: 8px 0 0;
	}
	li {
		padding: 2px 8px;
	}
	.at {
		background: var(--sheet-shade);
		box-shadow: inset 3px 0 0 var(--brass);
	}
	a {
		display: block;
		padding: 6px 0;
		text-decoration: none;
	}
</style>
