<script lang="ts">
	/** A fitting: what was on, its punch list, what moved freely, and photos. */
	import type { Fitting } from '$core/facts/fitting.ts';
	import Check from '@lucide/svelte/icons/check';
	import Form from '$lib/ui/Form.svelte';
	import type { Variant } from '$core/facts/wear.ts';
	import type { MeasureRecord } from '$core/facts/measureRecord.ts';
	import { pointWords, isSettled, POINT_DIRECTIONS } from '$core/facts/fitting.ts';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import Photos from '$lib/ui/Photos.svelte';
	import Hammer from '@lucide/svelte/icons/hammer';
	import Field from '$lib/ui/Field.svelte';
	import Act from '$lib/ui/Act.svelte';
	import type { LengthUnit } from '$core/units/measure.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Clears from './Clears.svelte';
	import { triedOn, triedFirst } from './tried.ts';
	import Tag from '$lib/ui/Tag.svelte';
	import type { CostumeRecord } from '$core/facts/costume.ts';
	import { formatLength } from '$core/units/measure.ts';

	interface Props {
		fitting: Fitting;
		record: CostumeRecord;
		fit: MeasureRecord;
		variants: readonly Variant[];
		base: string;
		unit: LengthUnit;
		onedit: () => void;
		onpoint: (point: number) => void;
	}
	let { fitting, record, fit, variants, base, unit, onedit, onpoint }: Props = $props();
	const length = (mm: number) => formatLength(mm, unit);
	const byId = $derived(new Map(record.components.map((c) => [c.id, c])));
	const on = $derived(triedOn(fitting, record.components));
	const mine = $derived(fit.points.filter((p) => p.fittingId === fitting.id));
	const wearer = $derived(fit.wearers.find((w) => w.id === fitting.wearerId));
	const variant = $derived(variants.find((v) => v.id === fitting.variantId));
</script>

<Sheet title={[timeWords(fitting.heldAt), wearer?.name, variant?.name].filter(Boolean).join(', ')}>
	{#snippet tools()}
		<button class="button small" onclick={() => onedit()}><Pencil size={14} /> Edit</button>
	{/snippet}
	{#if fitting.note}<p class="note">{fitting.note}</p>{/if}
	<p class="row on">
		<span class="small soft">On, from the skin outwards:</span>
		{#each on as c (c.id)}<Tag component={c} href="{base}/look/{c.id}" />{:else}<span class="soft"
				>nothing named</span
			>{/each}
	</p>
	<div class="halves">
		<div>
			<h3>Punch list</h3>
			<ul class="points">
				{#each mine as point (point.id)}
					{@const component = byId.get(point.componentId)}
					{@const step = record.steps.find((s) => s.id === point.stepId)}
					{@const settled = isSettled(point, record.steps)}
					<li class:settled>
						<div class="what">
							{#if component}<Tag {component} short />{/if}
							<span>{pointWords(point, length)}</span>
						</div>
						<div class="row no-print">
							{#if step}<a class="small" href="{base}/look/{step.componentId}#step-{step.id}"
									>{step.doneAt === null ? 'is a step' : 'step done'}</a
								>{:else if settled}<span class="small soft">settled</span>
								<Act command="settlePoint" id={point.id} look="quiet" label="Open {point.what} again"
									><Undo2 size={14} /></Act
								>
							{:else}
								<Act command="pointToStep" id={point.id} hidden={{ technique: '' }}
									><Hammer size={14} /> Make a step</Act
								>
								<Act command="settlePoint" id={point.id} hidden={{ on: 'on' }} look="quiet"
									><Check size={14} /> Settled</Act
								>{/if}
							<button
								class="button quiet small"
								aria-label="Edit {point.what}"
								onclick={() => onpoint(point.id)}><Pencil size={14} /></button
							>
						</div>
					</li>
				{:else}<li class="soft">Nothing noted.</li>{/each}
			</ul>
			<Form command="addPoint" hidden={{ fittingId: fitting.id }} label="New point" reset class="no-print">
				<div class="new">
					<Field
						name="componentId"
						label="Of"
						options={triedFirst(fitting, record.components)}
						value={on[0]?.id ?? ''}
					/>
					<Field name="what" label="What" value="" />
					<Field name="direction" label="Change" options={POINT_DIRECTIONS} value="none" />
					<Field name="moveMm" label="By" value="" inputmode="decimal" />
					<Field name="side" label="Side" options={['none', 'left', 'right']} value="none" />
					<button class="button small">Note</button>
				</div>
			</Form>
		</div>
		<Clears {fitting} {on} />
	</div>
	<Photos photos={record.photos.filter((p) => p.fittingId === fitting.id)} fittingId={fitting.id} />
</Sheet>

<style>
	.note,
	.on {
		margin-bottom: 8px;
	}
	.halves {
		display: grid;
		grid-template-columns: 3fr 2fr;
		gap: 24px;
		margin: 8px 0 12px;
	}
	.points {
		list-style: none;
		margin: 4px 0 8px;
		padding: 0;
	}
	.points li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 2px 12px;
		flex-wrap: wrap;
		padding: 4px 0;
		border-bottom: 1px solid var(--rule);
	}
	.what {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	.settled .what span {
		text-decoration: line-through;
		color: var(--ink-soft);
	}
	.new {
		display: grid;
		grid-template-columns: minmax(110px, 1.2fr) minmax(120px, 2fr) minmax(96px, 1.2fr) 72px 76px auto;
		gap: 6px;
		align-items: end;
	}
	@media (max-width: 1150px) {
		.halves {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	@media (max-width: 700px) {
		.new {
			grid-template-columns: 1fr 1fr;
		}
	}
</style>
