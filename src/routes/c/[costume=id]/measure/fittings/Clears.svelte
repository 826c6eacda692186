<script lang="ts">
	/** What has to move freely with this on, ticked off. */
	import { clearsFor } from '$core/trade/fittingCheck.ts';
	import Form from '$lib/ui/Form.svelte';
	import type { Component } from '$core/facts/component.ts';
	import type { Fitting } from '$core/facts/fitting.ts';
	import Check from '@lucide/svelte/icons/check';

	interface Props {
		fitting: Fitting;
		/** What was tried on. */
		on: readonly Component[];
	}
	let { fitting, on }: Props = $props();
</script>

<div>
	<h3>Does it clear?</h3>
	<ul>
		{#each clearsFor(on) as clear (clear.key)}
			{@const done = fitting.clears.includes(clear.key)}
			<li>
				<Form
					command="setClear"
					id={fitting.id}
					hidden={{ clear: clear.key, ...(done ? {} : { on: 'on' }) }}
					label={clear.words}
				>
					<button class="clear" aria-pressed={done}
						><span class="box" aria-hidden="true"
							>{#if done}<Check size={14} />{/if}</span
						>
						{clear.words}</button
					>
				</Form>
			</li>
		{/each}
	</ul>
</div>

<style>
	.clear {
		display: flex;
		gap: 8px;
		align-items: flex-start;
		width: 100%;
		padding: 5px 4px;
		border: 0;
		background: none;
		text-align: left;
		cursor: pointer;
	}
	.clear:hover {
		background: var(--sheet-shade);
	}
	.box {
		flex: none;
		width: 20px;
		height: 20px;
		border: 1px solid var(--ink);
		display: grid;
		place-items: center;
	}
	.clear[aria-pressed='true'] {
		color: var(--ink-soft);
	}
	ul {
		list-style: none;
		margin: 4px 0 8px;
		padding: 0;
	}
	@media (max-width: 700px) {
		.clear {
			min-height: 44px;
		}
	}
</style>
