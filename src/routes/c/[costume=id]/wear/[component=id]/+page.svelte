<script lang="ts">
	import Pencil from '@lucide/svelte/icons/pencil';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { mistakesOf } from '$core/answers/joinMistakes.ts';
	import { carrying, holdings, remedies } from '$core/answers/holding.ts';
	import { fastenerWords, holdsToWords, joinsOf } from '$core/answers/joins.ts';
	import { usedFigure, forceFigure } from '$core/explain/load.ts';
	import { MOTIONS, type Motion } from '$core/facts/wear.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Table from '$lib/ui/Table.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import HeldDrawing from '$lib/ui/wear/HeldDrawing.svelte';
	import { holdWords, remedyWords } from '$lib/ui/wear/holdWords.ts';
	import JoinFields from '$lib/ui/wear/JoinFields.svelte';
	import LoadBars from '$lib/ui/wear/LoadBars.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import WeightSheet from './WeightSheet.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const trade = $derived(handbook());
	const unit = $derived(data.workshop.settings.lengthUnit);
	const factors = $derived(data.workshop.settings.loadFactors);
	const components = $derived(data.record.components);
	const component = $derived(components.find((c) => c.id === data.componentId)!);
	const joins = $derived(joinsOf(component, data.wear.joins));
	const held = $derived(
		holdings(components, data.wear, data.weights, factors, trade).find(
			(h) => h.component.id === component.id
		) ?? null
	);
	const cures = $derived(held ? remedies(held, factors, trade) : []);
	const how = $derived({ factors, trade, unit });
	const mistakes = $derived(
		joins.map((join) => mistakesOf(join, component, data.record, data.workshop.materials, trade))
	);
	let motion = $state<Motion>('jumping');
	let adding = $state(false);
	let editing = $state<number | null>(null);
	const edited = $derived(joins.find((j) => j.id === editing));
</script>

<svelte:head><title>{component.code} · Wear · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="What holds {component.code} {component.name}">
	{#snippet tools()}
		<Tag {component} href="{base}/look/{component.id}" />
		<button class="button main small" data-add onclick={() => (adding = true)}><Plus size={14} /> Join</button
		>
	{/snippet}
	{#if held}
		<div class="hold">
			<div class="drawn">
				<HeldDrawing {held} {motion} />
				<div class="motions" role="group" aria-label="Arrows are what pulls when">
					{#each MOTIONS as m (m)}
						<button class="button small" aria-pressed={m === motion} onclick={() => (motion = m)}>{m}</button>
					{/each}
				</div>
			</div>
			<div class="said">
				<p class="answer" class:bad={held.upTo !== null && held.upTo !== 'jumping'}>
					{holdWords(held)}
				</p>
				<LoadBars {held} />
				{#if held.hung.length}
					<p class="small soft">
						With what hangs on it: {held.hung
							.map((h) => `${h.component.code} ${h.component.name}`)
							.join(', ')}.
					</p>
				{/if}
				{#if cures.length}
					<h3>What makes it hold</h3>
					<ul class="cures plain">
						{#each cures as cure, i (i)}
							<li>
								<span>{remedyWords(cure, held, { trade, unit })}</span>
								<span class="mono">{formatNumber(100 * cure.share, 0)} %</span>
								<Act
									command="takeRemedy"
									hidden={{
										componentId: component.id,
										kind: cure.kind,
										fastener: cure.kind === 'other' ? cure.joins[cure.changed[0]!]!.fastener : null
									}}
									look={i === 0 ? 'main' : 'plain'}
									label="Take it: {remedyWords(cure, held, { trade, unit })}">Take it</Act
								>
							</li>
						{/each}
					</ul>
					<p class="small soft">Of what the worst join bears, what it then takes when jumping.</p>
				{/if}
			</div>
		</div>
		<Table>
			{#snippet heads()}<th>Join</th><th>Size</th><th>Along its face</th><th>Straight off</th><th>Used</th><th
				></th>{/snippet}
			{#each joins as join, i (join.id)}
				{@const at = carrying(held).indexOf(join)}
				<tr>
					<td><b>{i + 1}</b> {fastenerWords(join, trade)}, {holdsToWords(join, components)}</td>
					<td class="mono">{formatNumber(join.widthMm, 0)} × {formatNumber(join.lengthMm, 0)} mm</td>
					{#if held.loads && at >= 0}
						{@const load = held.loads[motion].joins[at]!}
						<td
							><Working
								figure={forceFigure(held, at, 'shear', motion, how)}
								text="{formatNumber(load.shear, 1)} N"
							/></td
						>
						<td
							><Working
								figure={forceFigure(held, at, 'pull', motion, how)}
								text="{formatNumber(load.pull, 1)} N"
							/></td
						>
						<td class:bad={!load.holds}
							><Working
								figure={usedFigure(held, at, motion, how)}
								text="{formatNumber(100 * load.share, 0)} %"
							/></td
						>
					{:else}<td colspan="3" class="soft">{at < 0 ? 'carries nothing' : 'its weight is not known'}</td
						>{/if}
					<td class="tools">
						<button
							class="button quiet small"
							aria-label="Change join {i + 1}"
							onclick={() => (editing = join.id)}><Pencil size={14} /></button
						>
					</td>
				</tr>
			{/each}
		</Table>
		{#each mistakes as its, i (joins[i]!.id)}
			{#each its as { why, instead, bond } (why)}
				<div class="mistake">
					<p><b>Join {i + 1}.</b> {why} <span class="soft">{instead}</span></p>
					{#if bond}<Act command="prepareJoint" hidden={{ componentId: component.id, bond }}
							>Prepare it as steps</Act
						>{/if}
				</div>
			{/each}
		{/each}
		<p class="small soft">
			{capital(motion)}, by the elastic method for fastener groups. Structure over people, and what hangs
			above heads, is for a qualified person to judge.
		</p>
	{:else}
		<p>Nothing holds it yet. Add a join: how it is held, how large, and where from its middle.</p>
	{/if}
</Sheet>
<WeightSheet
	{component}
	weight={data.weights.get(component.id)!}
	wearing={data.wear.wearings.find((w) => w.componentId === component.id)}
	{unit}
/>

<Dialog bind:open={adding} title="What holds {component.code} {component.name}">
	<Form
		command="addJoin"
		hidden={{ componentId: component.id }}
		label="What holds it"
		onDone={() => (adding = false)}
	>
		<JoinFields {component} {components} {unit} />
		<Submit>Add it</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Join of {component.code}">
	{#if edited}
		<Form command="editJoin" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			<JoinFields {component} {components} join={edited} {unit} />
			<Submit>Save</Submit>
		</Form>
		<Act command="removeJoin" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	.hold {
		display: grid;
		grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
		gap: 24px;
		margin-bottom: 16px;
	}
	.said {
		display: grid;
		gap: 10px;
		align-content: start;
	}
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
	}
	.bad,
	.answer.bad {
		color: var(--red-ink);
	}
	.motions {
		display: flex;
		gap: 8px;
		justify-content: center;
		margin-top: 8px;
	}
	.motions [aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	.mistake {
		display: flex;
		gap: 12px;
		align-items: center;
		justify-content: space-between;
		flex-wrap: wrap;
		background: var(--yellow-wash);
		padding: 8px 10px;
		margin-top: 8px;
	}
	.cures li {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: 12px;
		align-items: center;
		padding: 4px 0;
		border-top: 1px solid var(--rule);
	}
	.mono {
		font-family: var(--mono);
		white-space: nowrap;
	}
	.tools {
		text-align: right;
	}
	@media (max-width: 800px) {
		.hold {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
