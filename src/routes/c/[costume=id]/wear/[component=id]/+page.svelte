<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { mistakesOf } from '$core/answers/joinMistakes.ts';
	import { holdings, remedies } from '$core/answers/holding.ts';
	import { joinsOf } from '$core/answers/joins.ts';
	import { MOTIONS, type Join, type Motion } from '$core/facts/wear.ts';
	import type { Vec } from '$core/units/vec.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Form from '$lib/ui/Form.svelte';
	import { handbook } from '$lib/ui/handbook/handbook.ts';
	import { run } from '$lib/ui/run.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import HeldDrawing from '$lib/ui/wear/HeldDrawing.svelte';
	import { holdWords, remedyWords } from '$lib/ui/wear/holdWords.ts';
	import JoinFields from '$lib/ui/wear/JoinFields.svelte';
	import LoadBars from '$lib/ui/wear/LoadBars.svelte';
	import type { PageData } from './$types';
	import JoinTable from './JoinTable.svelte';
	import OnPieces from './OnPieces.svelte';
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
	const cures = $derived(held ? remedies(held, factors, trade, data.learned) : []);
	const mistakes = $derived(
		joins.map((join) => mistakesOf(join, component, data.record, data.workshop.materials, trade))
	);
	const place = (join: Join, to: Vec) =>
		run('placeJoin', {
			id: join.id,
			version: join.version,
			outMm: to[0],
			upMm: to[1],
			forwardMm: to[2]
		});
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
				<HeldDrawing {held} {motion} onplace={place} />
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
								<span
									>{remedyWords(cure, held, { trade, unit })}{#if cure.per10 !== null}
										<span class="small soft"
											>lets go {formatNumber(cure.per10, cure.per10 < 1 ? 2 : 1)} times in ten wears</span
										>{/if}</span
								>
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
		<JoinTable {held} {motion} {components} {factors} {unit} {mistakes} onedit={(id) => (editing = id)} />
		<p class="small soft">
			{capital(motion)}, by the elastic method for fastener groups. Structure over people, and what hangs
			above heads, is for a qualified person to judge.
		</p>
	{:else}
		<p>Nothing holds it yet. Add a join: how it is held, how large, and where from its middle.</p>
	{/if}
</Sheet>
{#if joins.length && data.pieces.length}<OnPieces
		code={component.code}
		pieces={data.pieces}
		{joins}
		{base}
		{unit}
	/>{/if}
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
	@media (max-width: 800px) {
		.hold {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
