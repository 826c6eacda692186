<script lang="ts">
	/** The places of one component where it rubs: chosen, planned, done. */
	import Check from '@lucide/svelte/icons/check';
	import type { Rubs } from '$core/answers/wearSpots.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { wearFigure } from '$core/explain/recipe.ts';
	import type { Component } from '$core/facts/component.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { capital } from '$core/units/names.ts';
	import { formatArea, type LengthUnit } from '$core/units/measure.ts';
	import Act from '$lib/ui/Act.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';

	interface Props {
		component: Component;
		rubs: readonly Rubs[];
		/** How it may be done, the usual way first. */
		ways: { value: string; label: string }[];
		unit: LengthUnit;
		base: string;
	}
	let { component, rubs, ways, unit, base }: Props = $props();
	const open = $derived(rubs.filter((r) => r.step === null));
	const steps = $derived(rubs.flatMap((r) => (r.step ? [{ ...r, step: r.step }] : [])));
</script>

<section aria-label="{component.code} {component.name}">
	<Tag {component} href="{base}/look/{component.id}" />
	{#if steps.length}
		<ul class="plain">
			{#each steps as { key, name, step } (key)}
				<li>
					<span class="grow">{capital(name)}</span>
					{#if step.doneAt !== null}<span class="small soft"
							><Check size={14} aria-hidden="true" /> done {timeWords(step.doneAt)}</span
						>
					{:else}<Act
							command="finishStep"
							id={step.id}
							hidden={{ at: '', anyway: 'on' }}
							label="{component.code}, {name}: done"><Check size={14} /> Done</Act
						>{/if}
				</li>
			{/each}
		</ul>
	{/if}
	{#if open.length}
		<Form command="addWear" hidden={{ componentId: component.id }} label="Weather {component.code}">
			<ul class="plain">
				{#each open as spot (spot.key)}
					<li>
						<label class="grow"
							><input type="checkbox" name="spots[]" value={spot.key} />
							<span>{capital(spot.name)}<span class="small soft why">{spot.why}</span></span></label
						>
						<span class="small"
							><Working
								figure={wearFigure(spot, unit)}
								text={formatArea(valueOf(wearFigure(spot, unit)), unit)}
							/></span
						>
					</li>
				{/each}
			</ul>
			<div class="by">
				<Field name="by" label="By" options={ways} value={ways[0]?.value ?? ''} />
				<button class="button small">Weather {component.code} there</button>
			</div>
			<FormError name="spots" />
		</Form>
	{/if}
</section>

<style>
	section {
		display: grid;
		gap: 4px;
		align-content: start;
	}
	section > :global(.tag) {
		justify-self: start;
	}
	li {
		display: flex;
		gap: 10px;
		align-items: center;
		padding: 4px 0;
	}
	.grow {
		flex: 1;
	}
	label {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 36px;
	}
	.by {
		display: flex;
		flex-wrap: wrap;
		gap: 10px;
		align-items: end;
		margin: 4px 0 8px;
	}
	.why {
		display: block;
	}
</style>
