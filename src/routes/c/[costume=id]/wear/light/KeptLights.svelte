<script lang="ts">
	/** What is lit in this costume, each with its circuit. */
	import { circuitOf, strandsOf, typedCircuit } from '$core/answers/lightParts.ts';
	import { lightCircuit } from '$core/engines/light/circuit.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { KeptCircuit, Wearing } from '$core/facts/wear.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';

	let { components, wearings }: { components: readonly Component[]; wearings: readonly Wearing[] } = $props();
	const lit = $derived(
		wearings.flatMap(({ componentId, circuit }) => {
			const component = components.find((c) => c.id === componentId);
			return component && circuit ? [{ component, circuit, answer: lightCircuit(circuitOf(circuit)) }] : [];
		})
	);
	const address = (circuit: KeptCircuit) => `?${new URLSearchParams(typedCircuit(circuit))}`;
	const leds = (circuit: KeptCircuit) => strandsOf(circuit).reduce((sum, s) => sum + s.strings * s.leds, 0);
</script>

{#if lit.length}
	<Sheet title="Lit in this costume">
		<ul class="plain">
			{#each lit as { component, circuit, answer } (component.id)}
				<li>
					<Tag {component} />
					<a href={address(circuit)}
						>{leds(circuit)} × LED on {circuit.inSeries * circuit.rows} × {circuit.cell}, lasts
						{formatNumber(answer.hours ?? 0, 0)} h{answer.problems.length ? ': look at it' : ''}</a
					>
					<Act
						command="dropLight"
						hidden={{ componentId: component.id }}
						look="quiet"
						label="{component.code} is not lit any more">Not lit any more</Act
					>
				</li>
			{/each}
		</ul>
	</Sheet>
{/if}

<style>
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		align-items: center;
		min-height: 40px;
		border-top: 1px solid var(--rule);
	}
</style>
