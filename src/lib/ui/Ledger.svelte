<script lang="ts" module>
	import type { Component } from '$core/facts/component.ts';

	export interface Branch {
		id: number;
		component: Component;
		parts: Branch[];
	}

	export function treeOf(components: readonly Component[], parentId: number | null = null): Branch[] {
		return components
			.filter((c) => c.parentId === parentId)
			.map((component) => ({ id: component.id, component, parts: treeOf(components, component.id) }));
	}
</script>

<script lang="ts">
	/**
	 * The component ledger: a list within a list. Dragged by its handle, or with Alt and arrows, a
	 * component changes its place or becomes a part of another.
	 */
	import GripVertical from '@lucide/svelte/icons/grip-vertical';
	import { dragHandle, dragHandleZone, type DndEvent } from 'svelte-dnd-action';
	import type { Stage } from '$core/answers/stage.ts';
	import { zoneWords } from '$core/facts/zone.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { valueOf, type Figure } from '$core/explain/figure.ts';
	import Tag from './Tag.svelte';
	import Working from './Working.svelte';
	import Self from './Ledger.svelte';

	interface Props {
		branches: Branch[];
		parentId?: number | null;
		depth?: number;
		base: string;
		stages: Readonly<Record<number, Stage>>;
		/** Hands-on left, with its working. */
		leftOf: (component: Component) => Figure;
		/** Components that a chosen zone leaves in view; null for all. */
		visible: ReadonlySet<number> | null;
		onmove: (id: number, parentId: number | null, index: number) => void;
		onkey: (event: KeyboardEvent, component: Component) => void;
		onlook: (component: Component | null) => void;
	}
	let {
		branches = $bindable(),
		parentId = null,
		depth = 0,
		base,
		stages,
		leftOf,
		visible,
		onmove,
		onkey,
		onlook
	}: Props = $props();

	function zonesShort(component: Component): string {
		const words = component.zones.map(zoneWords);
		return words.length > 2 ? `${words.slice(0, 2).join(', ')} +${words.length - 2}` : words.join(', ');
	}
	const consider = (event: CustomEvent<DndEvent<Branch>>) => (branches = event.detail.items);
	function finalize(event: CustomEvent<DndEvent<Branch>>) {
		branches = event.detail.items;
		const id = Number(event.detail.info.id);
		const index = branches.findIndex((b) => b.id === id);
		if (index >= 0) onmove(id, parentId, index);
	}
</script>

<ul
	class:parts={depth > 0}
	class:empty={branches.length === 0}
	use:dragHandleZone={{
		items: branches,
		flipDurationMs: 120,
		type: 'component',
		dropTargetStyle: { outline: '2px dashed #c99b3a' },
		autoAriaDisabled: true,
		zoneTabIndex: -1,
		zoneItemTabIndex: -1
	}}
	onconsider={consider}
	onfinalize={finalize}
>
	{#each branches as branch (branch.id)}
		{@const c = branch.component}
		{@const left = leftOf(c)}
		<li>
			<!-- svelte-ignore a11y_no_static_element_interactions -->
			<div
				class="entry"
				class:dim={visible !== null && !visible.has(c.id)}
				onmouseenter={() => onlook(c)}
				onmouseleave={() => onlook(null)}
				onfocusin={() => onlook(c)}
				onkeydown={(e) => onkey(e, c)}
				data-component={c.id}
			>
				<span class="handle" data-handle role="img" use:dragHandle aria-label="Move {c.code} {c.name}"
					><GripVertical size={16} /></span
				>
				<span class="name" style:--depth={depth}><Tag component={c} href="{base}/look/{c.id}" /></span>
				<span class="form soft">{c.form}</span>
				<span class="layer figure" title="Layer">{c.layer}</span>
				<span class="zones small soft" title={c.zones.map(zoneWords).join(', ')}>{zonesShort(c)}</span>
				<span class="source">{c.source}</span>
				<span class="seen soft">{c.seenFrom}</span>
				<span
					class="need"
					role="img"
					aria-label="the look needs it: {c.lookNeed} of 5"
					title="The look needs it: {c.lookNeed} of 5"
					>{#each [1, 2, 3, 4, 5] as n (n)}<i class:on={n <= c.lookNeed}></i>{/each}</span
				>
				<span
					class="stage"
					class:broken={stages[c.id] === 'broken'}
					class:ready={stages[c.id] === 'ready' || stages[c.id] === 'mended'}>{stages[c.id]}</span
				>
				<span class="left"
					>{#if left.inputs.length}<Working
							figure={left}
							text={formatDuration(valueOf(left))}
						/>{:else}–{/if}</span
				>
			</div>
			<Self
				bind:branches={branch.parts}
				parentId={c.id}
				depth={depth + 1}
				{base}
				{stages}
				{leftOf}
				{visible}
				{onmove}
				{onkey}
				{onlook}
			/>
		</li>
	{/each}
</ul>

<style>
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	ul.parts.empty {
		/* Room to drop a first part into. */
		min-height: 5px;
	}
	.entry {
		display: grid;
		grid-template-columns: var(--ledger);
		gap: 0 8px;
		align-items: center;
		border-bottom: 1px solid var(--rule);
		min-height: 38px;
	}
	.entry:hover,
	.entry:focus-within {
		background: var(--sheet-shade);
	}
	.entry.dim {
		opacity: 0.35;
	}
	.handle {
		cursor: grab;
		color: var(--ink-soft);
		display: grid;
		place-items: center;
		min-height: 36px;
	}
	.name {
		padding-left: calc(var(--depth) * 18px);
		min-width: 0;
		overflow: hidden;
	}
	.form,
	.zones {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.layer,
	.left {
		text-align: right;
		white-space: nowrap;
	}
	.need {
		display: flex;
		gap: 2px;
	}
	.need i {
		width: 7px;
		height: 12px;
		border: 1px solid var(--ink-soft);
		/* On paper too it says something by its fill. */
		print-color-adjust: exact;
	}
	.need i.on {
		background: var(--brass);
	}
	.stage {
		font-weight: 600;
		font-size: var(--s13);
		white-space: nowrap;
	}
	.stage.broken {
		color: var(--red-ink);
	}
	.stage.ready {
		color: var(--good-ink);
	}
	@media (max-width: 1400px) {
		.form {
			display: none;
		}
	}
	@media (max-width: 1100px) {
		.zones,
		.seen {
			display: none;
		}
	}
	@media (max-width: 700px) {
		.entry {
			min-height: 48px;
		}
		.layer,
		.source,
		.need {
			display: none;
		}
		.handle {
			min-height: 44px;
		}
	}
</style>
