<script lang="ts">
	/** Where a stack would let go: why, and what cures it at once. */
	import { cureWords, ruleOf, type Layer, type StackWarning } from '$core/answers/stackCheck.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { capital } from '$core/units/names.ts';
	import Act from '../Act.svelte';

	interface Props {
		component: Pick<Component, 'id'>;
		warning: StackWarning;
		layers: readonly Layer[];
		trade: Catalogue;
	}
	let { component, warning, layers, trade }: Props = $props();
	const { rule, spoils, why, cures } = $derived(warning);
	const over = $derived(layers[warning.over]!);
</script>

<li class:spoils>
	<span aria-hidden="true"></span>
	<div>
		<p>
			<b>{spoils ? 'Will not hold' : 'Try it first'}: {ruleOf(trade, rule).name}.</b>
			{why}
		</p>
		{#if cures.length}
			<div class="cures no-print">
				{#each cures as { does, product } (`${does} ${product}`)}
					<Act
						command="cureStack"
						hidden={{ componentId: component.id, rule, over: `${over.kind} ${over.id}`, does, product }}
						>{capital(cureWords({ does, product }, warning, layers, trade))}</Act
					>
				{/each}
			</div>
		{/if}
	</div>
</li>

<style>
	li {
		--crack: var(--yellow-ink);
		display: grid;
		grid-template-columns: 64px 1fr;
		gap: 0 14px;
		background: var(--yellow-wash);
	}
	.spoils {
		--crack: var(--red-ink);
		background: var(--red-wash);
	}
	div {
		padding: 7px 10px 9px 0;
	}
	span {
		background:
			linear-gradient(135deg, var(--crack) 25%, transparent 25%) 0 0 / 10px 10px repeat-x,
			linear-gradient(225deg, var(--crack) 25%, transparent 25%) 0 0 / 10px 10px repeat-x;
	}
	.cures {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		padding: 0;
		margin-top: 6px;
	}
	@container (max-width: 680px) {
		li {
			grid-template-columns: 44px 1fr;
		}
	}
</style>
