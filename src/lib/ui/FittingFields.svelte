<script lang="ts">
	/** The fields of a fitting round. */
	import { inLedgerOrder, type Component } from '$core/facts/component.ts';
	import type { Fitting } from '$core/facts/fitting.ts';
	import { wornIn } from '$core/answers/variant.ts';
	import type { Variant } from '$core/facts/wear.ts';
	import type { Wearer } from '$core/facts/bodyMeasure.ts';
	import { formatLocalTime, type LocalMinutes } from '$core/units/localTime.ts';
	import { fillField } from './drafts.ts';
	import Field from './Field.svelte';

	interface Props {
		fitting?: Fitting;
		wearers: readonly Wearer[];
		components: readonly Component[];
		/** Ways to wear it: one that is chosen ticks what is worn in it. */
		variants?: readonly Variant[];
		now: LocalMinutes;
	}
	let { fitting, wearers, components, variants = [], now }: Props = $props();
	const byLayer = $derived(
		inLedgerOrder(components)
			.map((n) => n.item)
			.sort((a, b) => a.layer - b.layer)
	);
	let ticks = $state<HTMLFieldSetElement>();
	function wear(id: string) {
		const variant = variants.find((v) => String(v.id) === id);
		if (!variant || !ticks) return;
		const on = new Set(wornIn(variant, components).map((c) => String(c.id)));
		for (const tick of ticks.querySelectorAll('input'))
			if (tick.checked !== on.has(tick.value)) fillField(tick, on.has(tick.value));
	}
</script>

<div class="fields">
	<Field
		name="heldAt"
		label="When"
		type="datetime-local"
		value={formatLocalTime(fitting?.heldAt ?? Math.floor(now / 5) * 5)}
	/>
	<Field
		name="wearerId"
		label="Who"
		options={wearers.map((w) => ({ value: w.id, label: w.name }))}
		none="nobody named"
		value={fitting?.wearerId ?? wearers[0]?.id ?? ''}
	/>
	{#if variants.length}
		<Field
			name="variantId"
			label="Worn as"
			options={variants.map((v) => ({ value: v.id, label: v.name }))}
			none="nobody said"
			value={fitting?.variantId ?? ''}
			onchange={wear}
		/>
	{/if}
	<Field name="note" label="Note" value={fitting?.note ?? ''} wide />
	<fieldset bind:this={ticks}>
		<legend>What was on, from the skin outwards</legend>
		{#each byLayer as c (c.id)}
			<label
				><input
					type="checkbox"
					name="componentIds[]"
					value={c.id}
					checked={fitting?.componentIds.includes(c.id) ?? false}
				/>
				<span class="figure">{c.code}</span>
				{c.name} <span class="small soft">layer {c.layer}</span></label
			>
		{/each}
	</fieldset>
</div>

<style>
	fieldset {
		grid-column: 1 / -1;
		border: 1px solid var(--rule);
		padding: 8px 12px;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
		gap: 4px 12px;
	}
	legend {
		font-size: var(--s13);
		font-weight: 600;
		color: var(--ink-soft);
	}
	label {
		display: flex;
		align-items: center;
		gap: 6px;
		min-height: 28px;
	}
	@media (max-width: 700px) {
		label {
			min-height: 44px;
		}
	}
</style>
