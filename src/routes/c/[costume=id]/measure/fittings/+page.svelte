<script lang="ts">
	import pluralize from 'pluralize';
	import Check from '@lucide/svelte/icons/check';
	import Hammer from '@lucide/svelte/icons/hammer';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Plus from '@lucide/svelte/icons/plus';
	import Printer from '@lucide/svelte/icons/printer';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import Undo2 from '@lucide/svelte/icons/undo-2';
	import { clearsFor } from '$core/trade/fittingCheck.ts';
	import { isSettled, POINT_DIRECTIONS, pointWords, type Fitting } from '$core/facts/fitting.ts';
	import { wearersOf } from '$core/facts/measureRecord.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { formatLength } from '$core/units/measure.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import FittingFields from '$lib/ui/FittingFields.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Photos from '$lib/ui/Photos.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);
	const wearers = $derived(wearersOf(data.fit));
	const byId = $derived(new Map(data.record.components.map((c) => [c.id, c])));
	const { fittings, points } = $derived(data.fit);
	const open = $derived(points.filter((p) => !isSettled(p, data.record.steps)));
	const bare = $derived(open.filter((p) => p.stepId === null));

	let adding = $state(false);
	let editing = $state<number | null>(null);
	let pointing = $state<number | null>(null);
	const edited = $derived(fittings.find((f) => f.id === editing));
	const pointed = $derived(points.find((p) => p.id === pointing));
	const tried = (f: Fitting) =>
		f.componentIds.flatMap((id) => byId.get(id) ?? []).sort((a, b) => a.layer - b.layer || a.id - b.id);
	const optionsFor = (f: Fitting | undefined) => {
		const on = f ? tried(f) : [];
		const rest = data.record.components.filter((c) => !on.includes(c));
		return [...on, ...rest].map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }));
	};
</script>

<svelte:head><title>Fittings · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Fittings">
	{#snippet tools()}
		<button class="button small" onclick={() => window.print()}><Printer size={14} /> Print</button>
		<button class="button main small" data-add onclick={() => (adding = true)}
			><Plus size={14} /> Fitting</button
		>
	{/snippet}
	{#if fittings.length}
		<p class="answer">
			{#if open.length === 0}Nothing open from the fittings.
			{:else}{pluralize('point', open.length, true)} open{#if bare.length}, {bare.length} of them not a step yet{/if}.{/if}
		</p>
	{:else}
		<p>
			Try it on as soon as the shapes exist, with everything beneath. A fitting keeps what was on, what moved
			freely, and a punch list; each open point becomes a step.
		</p>
	{/if}
</Sheet>

{#each fittings as fitting (fitting.id)}
	{@const on = tried(fitting)}
	{@const mine = points.filter((p) => p.fittingId === fitting.id)}
	{@const wearer = data.fit.wearers.find((w) => w.id === fitting.wearerId)}
	<Sheet title="{timeWords(fitting.heldAt)}{wearer ? `, ${wearer.name}` : ''}">
		{#snippet tools()}
			<button class="button small" onclick={() => (editing = fitting.id)}><Pencil size={14} /> Edit</button>
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
						{@const step = data.record.steps.find((s) => s.id === point.stepId)}
						{@const settled = isSettled(point, data.record.steps)}
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
									onclick={() => (pointing = point.id)}><Pencil size={14} /></button
								>
							</div>
						</li>
					{:else}<li class="soft">Nothing noted.</li>{/each}
				</ul>
				<Form command="addPoint" hidden={{ fittingId: fitting.id }} label="New point" reset class="no-print">
					<div class="new">
						<Field name="componentId" label="Of" options={optionsFor(fitting)} value={on[0]?.id ?? ''} />
						<Field name="what" label="What" value="" />
						<Field name="direction" label="Change" options={POINT_DIRECTIONS} value="none" />
						<Field name="moveMm" label="By" value="" inputmode="decimal" />
						<Field name="side" label="Side" options={['none', 'left', 'right']} value="none" />
						<button class="button small">Note</button>
					</div>
				</Form>
			</div>
			<div>
				<h3>Does it clear?</h3>
				<ul class="clears">
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
		</div>
		<Photos photos={data.record.photos.filter((p) => p.fittingId === fitting.id)} fittingId={fitting.id} />
	</Sheet>
{/each}

<Dialog bind:open={adding} title="New fitting" wide>
	<Form command="addFitting" label="New fitting" onDone={() => (adding = false)}>
		<FittingFields {wearers} components={data.record.components} now={data.now} />
		<Submit>Add fitting</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Fitting" wide>
	{#if edited}
		<Form command="editFitting" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			<FittingFields fitting={edited} {wearers} components={data.record.components} now={data.now} />
			<Submit>Save</Submit>
		</Form>
		<Act command="removeFitting" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>
<EditDialog bind:id={pointing} title="Point of the punch list">
	{#if pointed}
		<Form command="editPoint" id={pointed.id} version={pointed.version} onDone={() => (pointing = null)}>
			<div class="fields">
				<Field
					name="componentId"
					label="Of"
					options={optionsFor(fittings.find((f) => f.id === pointed.fittingId))}
					value={pointed.componentId}
				/>
				<Field name="what" label="What" value={pointed.what} />
				<Field name="direction" label="Change" options={POINT_DIRECTIONS} value={pointed.direction} />
				<Field name="moveMm" label="By" value={pointed.moveMm === null ? '' : length(pointed.moveMm)} />
				<Field name="side" label="Side" options={['none', 'left', 'right']} value={pointed.side} />
			</div>
			<Submit>Save</Submit>
		</Form>
		<Act command="removePoint" id={pointed.id} look="quiet" onDone={() => (pointing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
	}
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
	.points,
	.clears {
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
	@media (max-width: 1150px) {
		.halves {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	@media (max-width: 700px) {
		.new {
			grid-template-columns: 1fr 1fr;
		}
		.clear {
			min-height: 44px;
		}
	}
</style>
