<script lang="ts">
	/** What is laid out, on what, how, and for how long it is looked for. */
	import pluralize from 'pluralize';
	import { usableArea } from '$core/engines/layout/offcut.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { Stock } from '$core/facts/layout.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { Offcut } from '$core/facts/offcut.ts';
	import { formatLength, formatSmallArea, type LengthUnit } from '$core/units/measure.ts';
	import Field from '$lib/ui/Field.svelte';
	import type { LayDesk } from '$lib/ui/lay/layDesk.svelte.ts';
	import type { LaySettingsForm } from '$lib/ui/lay/laySettings.svelte.ts';
	import LaySettingsFields from '$lib/ui/lay/LaySettingsFields.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import TaskBar from '$lib/ui/TaskBar.svelte';
	import type { Task } from '$lib/ui/task.svelte.ts';

	interface Props {
		materials: readonly Material[];
		material: Material;
		/** How many pieces, and how large they are together, mm². */
		copies: number;
		area: number;
		/** Components that have pieces of it, and those that are not laid. */
		components: readonly Component[];
		leftOut: readonly number[];
		/** Offcuts of it, and those that are not used. */
		offcuts: readonly Offcut[];
		unused: readonly number[];
		/** Null where it is not known how large it comes. */
		stock: Stock | null;
		sized: boolean;
		/** Pieces that nobody has said the material of. */
		without: number;
		form: LaySettingsForm;
		desk: LayDesk;
		task: Task<'layout'>;
		seconds: string | number;
		unit: LengthUnit;
		onchoose: (material: string | number) => void;
		onlay: () => void;
	}
	let {
		materials,
		material,
		copies,
		area,
		components,
		leftOut = $bindable(),
		offcuts,
		unused = $bindable(),
		stock,
		sized,
		without,
		form,
		desk,
		task,
		seconds = $bindable(),
		unit,
		onchoose,
		onlay
	}: Props = $props();
	const length = (mm: number) => formatLength(mm, unit);
	const settings = $derived(form.read.settings);
	const roll = $derived(material.lengthMm === null);
	const toggled = (list: readonly number[], id: number) =>
		list.includes(id) ? list.filter((own) => own !== id) : [...list, id];
</script>

<Sheet title="Lay out">
	<Field
		name="material"
		label="Cut from"
		options={materials.map((m) => ({ value: m.id, label: m.name }))}
		value={material.id}
		onchange={onchoose}
	/>
	<p class="of">
		<b>{pluralize('piece', copies, true)}</b>, {formatSmallArea(area, unit)} in all{stock
			? stock.roll !== null
				? `, on ${settings?.folded ? 'folded cloth' : 'a roll'} ${length(stock.roll)} wide`
				: `, on sheets of ${length(stock.more!.width)} × ${length(stock.more!.height)}`
			: ''}.
	</p>
	{#if !sized}
		<Notice>
			Nobody has said how large it comes: give its width, and of a sheet its length, in <a href="/stash"
				>Stash</a
			>.
		</Notice>
	{:else}
		{#if components.length > 1}
			<details class="choice">
				<summary>
					{leftOut.length
						? `${components.length - leftOut.length} of ${components.length} components`
						: `All ${components.length} components`}
				</summary>
				{#each components as c (c.id)}
					<label class="tick"
						><input
							type="checkbox"
							checked={!leftOut.includes(c.id)}
							onchange={() => (leftOut = toggled(leftOut, c.id))}
						/>
						{c.code}
						{c.name}</label
					>
				{/each}
			</details>
		{/if}
		{#if offcuts.length && !settings?.folded}
			<details class="choice" open>
				<summary>Offcuts from the stash, filled first</summary>
				{#each offcuts as o (o.id)}
					<label class="tick"
						><input
							type="checkbox"
							checked={!unused.includes(o.id)}
							onchange={() => (unused = toggled(unused, o.id))}
						/>
						{o.name}, {formatSmallArea(usableArea(o), unit)}
						{#if o.note}<span class="soft">{o.note}</span>{/if}</label
					>
				{/each}
			</details>
		{/if}
		<LaySettingsFields {form} {roll} />
		<p class="gap"></p>
		<Field
			name="seconds"
			label="Look for"
			options={[
				{ value: '3', label: '3 seconds' },
				{ value: '10', label: '10 seconds' },
				{ value: '60', label: 'a minute' },
				{ value: '300', label: '5 minutes' }
			]}
			bind:value={seconds}
		/>
		{#if desk.stale}<Notice>
				What lies there was laid otherwise: pieces, offcuts or settings have changed since.
			</Notice>{/if}
		<TaskBar
			{task}
			label={desk.locked.length && desk.plan && !desk.stale
				? 'Lay the rest again'
				: desk.plan
					? 'Lay it again'
					: 'Lay it out'}
			going="Laying out"
			onstart={onlay}
			disabled={!settings || copies === 0}
		/>
	{/if}
	{#if without}<p class="small soft">
			{without} pieces of this costume have no material yet: say it at their shape.
		</p>{/if}
</Sheet>

<style>
	.of,
	.choice {
		margin-top: 8px;
	}
	.choice summary {
		cursor: pointer;
		min-height: 30px;
		font-weight: 600;
		font-size: var(--s13);
	}
	.tick {
		display: flex;
		gap: 6px;
		align-items: center;
		min-height: 28px;
		font-size: var(--s13);
	}
	.gap {
		height: 10px;
	}
</style>
