<script lang="ts">
	/** The steps that decide when it is ready, one after another. */
	import { timeWords } from '$core/units/localTime.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { Step } from '$core/facts/step.ts';
	import Tag from '$lib/ui/Tag.svelte';
	import type { Component } from '$core/facts/component.ts';
	import type { CostumePlan } from '$core/answers/plan.ts';

	interface Props {
		plan: CostumePlan;
		/** By their ids in the plan. */
		steps: ReadonlyMap<string, Step>;
		components: ReadonlyMap<number, Component>;
		base: string;
	}
	let { plan, steps, components, base }: Props = $props();
</script>

<Sheet title="What decides the plan on usual minutes">
	<ol class="chain">
		{#if plan.chainParcel?.usableFrom != null}
			<li>
				<b>parcel: {plan.chainParcel.material.name}</b>
				<span class="soft small figure">{timeWords(plan.chainParcel.usableFrom)}</span>
			</li>
		{/if}
		{#each plan.chain as p (p.id)}
			{@const step = steps.get(p.id)}
			{@const component = step && components.get(step.componentId)}
			<li>
				{#if component}<Tag {component} href="{base}/look/{component.id}#step-{p.id}" short />{/if}
				<span>{step?.name}</span>
				<span class="soft small figure">{timeWords(p.start)}</span>
			</li>
		{/each}
	</ol>
	<p class="small soft">
		Each waits for the one before it, or for the same hands or place. Shorten one of these and it is ready
		sooner.
	</p>
</Sheet>

<style>
	.chain {
		list-style: none;
		display: flex;
		flex-wrap: wrap;
		gap: 8px 18px;
		margin: 0 0 8px;
		padding: 0;
	}
	.chain li {
		display: flex;
		gap: 6px;
		align-items: center;
		position: relative;
	}
	.chain li:not(:last-child)::after {
		content: '';
		position: absolute;
		right: -14px;
		width: 9px;
		border-top: 2px solid var(--pink-ink);
	}
	@media (max-width: 700px) {
		.chain li:not(:last-child)::after {
			display: none;
		}
	}
</style>
