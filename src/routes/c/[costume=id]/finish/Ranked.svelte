<script lang="ts">
	/** One that is advised, in its place: what speaks for and against it, with its figures. */
	import type { Snippet } from 'svelte';
	import { capital } from '$core/units/names.ts';

	interface Props {
		place: number;
		name: string;
		pros: readonly string[];
		cons: readonly string[];
		children: Snippet;
	}
	let { place, name, pros, cons, children }: Props = $props();
</script>

<li aria-label={name}>
	<span class="rank figure" class:best={place === 1}>{place}</span>
	<div>
		<h3>{capital(name)}</h3>
		<p class="small">
			{#each pros as pro (pro)}<span class="pro">{pro}</span>{/each}
			{#each cons as con (con)}<span class="con">{con}</span>{/each}
		</p>
		<dl>{@render children()}</dl>
	</div>
</li>

<style>
	li {
		display: grid;
		grid-template-columns: 40px 1fr;
		gap: 12px;
		align-items: start;
		padding: 12px 0;
	}
	li:not(:first-child) {
		border-top: 1px solid var(--rule);
	}
	dl {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 26px;
		margin: 6px 0 0;
	}
	dl :global(dt) {
		font-size: var(--s13);
		color: var(--ink-soft);
	}
	dl :global(dd) {
		margin: 0;
	}
	.rank {
		display: grid;
		place-items: center;
		width: 40px;
		height: 40px;
		border: 2px solid var(--rule);
		font-size: var(--s18);
	}
	.rank.best {
		border-color: var(--brass);
		background: var(--tape);
		color: var(--tape-ink);
		font-weight: 600;
	}
	.pro,
	.con {
		display: inline-block;
		margin-right: 14px;
	}
	.pro {
		color: var(--good-ink);
	}
	.con {
		color: var(--red-ink);
	}
</style>
