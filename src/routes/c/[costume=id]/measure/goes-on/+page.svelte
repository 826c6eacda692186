<script lang="ts">
	import Check from '@lucide/svelte/icons/check';
	import CircleHelp from '@lucide/svelte/icons/circle-help';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import X from '@lucide/svelte/icons/x';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { BODY_MEASURES, definitionOf, measureWords, type MeasureSide } from '$core/facts/bodyMeasure.ts';
	import { checkOpenings, easeOf, type OpeningCheck } from '$core/answers/goesOn.ts';
	import { MOST_CLOTH_STRETCH, type GoesOn } from '$core/engines/body/goesOn.ts';
	import { PASSAGES } from '$core/facts/opening.ts';
	import { wearersOf } from '$core/facts/measureRecord.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { closureFigure, girthFigure, missingFigure, reachFigure } from '$core/explain/fit.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import OpeningFields from '$lib/ui/OpeningFields.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);
	const components = $derived(data.record.components);
	const wearers = $derived(wearersOf(data.fit));
	const checks = $derived(checkOpenings(data.fit.openings, components, wearers));
	const failing = $derived(checks.filter((c) => c.passes === false));
	const unclear = $derived(checks.filter((c) => c.passes === null));
	const without = $derived(
		inLedgerOrder(components)
			.map((n) => n.item)
			.filter((c) => c.kind !== 'prop' && !data.fit.openings.some((o) => o.componentId === c.id))
	);
	const unknown = $derived([
		...new Map(checks.flatMap((c) => c.thicknessUnknown).map((c) => [c.id, c])).values()
	]);
	let adding = $state(false);
	let forComponent = $state('');
	let editing = $state<number | null>(null);
	const edited = $derived(data.fit.openings.find((o) => o.id === editing));
	const options = $derived(
		inLedgerOrder(components).map(({ item }) => ({ value: item.id, label: `${item.code} ${item.name}` }))
	);

	const sideWords = (side: MeasureSide) => (side === 'none' ? '' : `, ${side}`);
	/** The worst first: what is missing most, then what cannot be told. */
	const worst = (check: OpeningCheck): { result: GoesOn; name: string } | null => {
		const all = check.wearers.flatMap((w) => w.results.map((result) => ({ result, name: w.wearer.name })));
		return all.sort((a, b) => b.result.missing - a.result.missing)[0] ?? null;
	};
	const FIT_WORDS = {
		tight: 'too tight where it sits',
		good: 'sits as it should',
		loose: 'loose where it sits'
	};
	const EASE_WORDS = {
		rigid: 'rigid: 10 to 25 mm ease',
		woven: 'woven: ease by girth',
		stretch: 'stretch: 5 to 15 % less'
	};
</script>

<svelte:head><title>Does it go on? · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if wearers.length === 0}
	<Sheet title="Does it go on?">
		<p>
			Whether a cuff passes the hand and a belt the hips is worked out from the wearer’s measures.
			<a href="{base}/measure">Say who wears it</a>, and measure.
		</p>
	</Sheet>
{:else}
	<Sheet title="Does it go on?">
		{#snippet tools()}
			<button
				class="button main small"
				data-add
				onclick={() => {
					forComponent = '';
					adding = true;
				}}><Plus size={14} /> Opening</button
			>
		{/snippet}
		{#if checks.length}
			<p class="answer" class:bad={failing.length > 0}>
				{#if failing.length}{failing.length} of {checks.length}
					{failing.length === 1 ? 'does' : 'do'} not go on.
				{:else if unclear.length}{checks.length - unclear.length} of {checks.length} go on; {unclear.length} cannot
					be told yet.
				{:else}Everything goes on.{/if}
			</p>
			<p class="small soft">
				For {wearers.map((w) => w.name).join(' and ')}. Each must reach round the largest girth on its way,
				with what is worn beneath (common practice).
			</p>
		{:else}
			<p>
				No opening entered yet. Add where a component closes round the body (cuff, neck hole, belt, boot
				shaft): its girth, stretch and opening. Then this says whether it goes on over what is worn beneath,
				and what would cure it when not.
			</p>
		{/if}
		<ul class="checks">
			{#each checks as check (check.opening.id)}
				{@const at = worst(check)}
				{@const o = check.opening}
				<li class:bad={check.passes === false}>
					<div class="line">
						<Tag component={check.component} href="{base}/look/{check.component.id}" />
						<span>{PASSAGES[o.passage].name}</span>
						<span class="verdict">
							{#if check.passes === true}<Check size={18} aria-hidden="true" /> goes on
							{:else if check.passes === false && at}<X size={18} aria-hidden="true" />
								<Working figure={missingFigure(at.result, unit)} /> short
								<span class="small"
									>at {BODY_MEASURES[at.result.tightest!.key].name}{sideWords(
										at.result.side
									)}{wearers.length > 1 ? `, ${at.name}` : ''}</span
								>
							{:else}<CircleHelp size={18} aria-hidden="true" /> not told yet{/if}
						</span>
						<button
							class="button quiet small"
							aria-label="Edit {PASSAGES[o.passage].name} of {check.component.code}"
							onclick={() => (editing = o.id)}><Pencil size={14} /></button
						>
					</div>
					<p class="small soft">
						closed {length(o.closedMm)}{o.stretchPercent
							? ` + ${formatNumber(o.stretchPercent, 1)} % stretch`
							: ''}{o.openingMm ? ` + ${length(o.openingMm)} opening` : ''} reaches <Working
							figure={reachFigure(o, unit)}
						/>
						{o.split ? '· opens along its whole length' : ''}
						· {EASE_WORDS[easeOf(check.component)]}
						{#if check.component.flex === 'stretch' && o.stretchPercent === 0}
							· <b>a stretch component with 0 % stretch: enter what the cloth gives</b>{/if}
					</p>
					{#if check.passes === false && at?.result.cures}
						{@const cures = at.result.cures}
						<ul class="cures">
							<li>
								<b>More opening:</b>
								{length(cures.opening.more)} more round, or a slit {length(cures.opening.slit)} long from the edge.
							</li>
							<li>
								<b>Stretch:</b>
								{#if cures.stretch.would}cloth that gives {formatNumber(Math.ceil(cures.stretch.percent), 0)} %
									would do.
								{:else}would need {formatNumber(Math.ceil(cures.stretch.percent), 0)} %, more than the {MOST_CLOTH_STRETCH}
									% cloth gives.{/if}
							</li>
							<li>
								<b>Split:</b> open it along its whole length and close it with a zip, lacing or buckles.
							</li>
						</ul>
					{/if}
					<details>
						<summary class="small">The way, measure by measure</summary>
						{#each check.wearers as w (w.wearer.id)}
							{#each w.results as r (r.side)}
								<div class="way">
									<b class="small">{w.wearer.name}{sideWords(r.side)}</b>
									<ol>
										{#each r.way as g (g.key)}
											<li class:tightest={g.key === r.tightest?.key}>
												{BODY_MEASURES[g.key].name}
												<Working figure={girthFigure(g, unit, r.side)} />
												{#if g.beneath}<span class="small soft">over {length(g.beneath)} worn beneath</span
													>{/if}
											</li>
										{/each}
									</ol>
									{#if r.unknown.length}
										<p class="small">
											Not measured: {r.unknown
												.map((k) => measureWords(k, definitionOf(k).sided ? r.side : 'none'))
												.join('; ')}. <a href="{base}/measure/take?wearer={w.wearer.id}">Measure</a>
										</p>
									{/if}
									{#if r.seat}
										<p class="small">
											Seat {length(r.seat.girth.mm)}; closed at {length(r.seat.range[0])} to {length(
												r.seat.range[1]
											)}: at
											{length(o.closedMm)} it is <b>{FIT_WORDS[r.seat.fit]}</b>.
										</p>
									{/if}
								</div>
							{/each}
						{/each}
						{#if check.range}
							<p class="small">
								Its closure must cover {length(check.range[0])} to {length(check.range[1])}: <Working
									figure={closureFigure(check.range, unit)}
								/>.
							</p>
						{/if}
					</details>
				</li>
			{/each}
		</ul>
	</Sheet>
	{#if unknown.length}
		<Sheet title="How thick is it?">
			<p class="small soft">Worn beneath something above, and taken as nothing until it is entered.</p>
			<div class="thick">
				{#each unknown as c (c.id)}
					<Form command="setThickness" id={c.id} label="Thickness of {c.name}">
						<div class="row">
							<Tag component={c} href="{base}/look/{c.id}" />
							<Field
								name="thicknessMm"
								label="Thickness of {c.name}"
								hideLabel
								inputmode="decimal"
								value=""
							/>
							<button class="button small">Set</button>
						</div>
					</Form>
				{/each}
			</div>
		</Sheet>
	{/if}
	{#if without.length}
		<Sheet title="Nothing entered for">
			<p class="row">
				{#each without as c (c.id)}
					<button
						class="pick"
						title="Add an opening of {c.code}"
						onclick={() => {
							forComponent = String(c.id);
							adding = true;
						}}><Tag component={c} /></button
					>
				{/each}
			</p>
		</Sheet>
	{/if}
{/if}

<Dialog bind:open={adding} title="New opening">
	<Form command="addOpening" label="New opening" onDone={() => (adding = false)}>
		<div class="of">
			<Field name="componentId" label="Of" {options} bind:value={forComponent} none="choose" />
		</div>
		<OpeningFields {unit} />
		<Submit>Add opening</Submit>
	</Form>
</Dialog>
<EditDialog bind:id={editing} title="Opening">
	{#if edited}
		<Form command="editOpening" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			<OpeningFields opening={edited} {unit} />
			<Submit>Save</Submit>
		</Form>
		<Act command="removeOpening" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
	}
	.answer.bad {
		color: var(--red-ink);
	}
	.checks {
		list-style: none;
		margin: 12px 0 0;
		padding: 0;
	}
	.checks > li {
		padding: 8px 0 8px 10px;
		border-bottom: 1px solid var(--rule);
		border-left: 4px solid transparent;
	}
	.checks > li.bad {
		border-left-color: var(--red-ink);
	}
	.line {
		display: flex;
		gap: 4px 12px;
		align-items: center;
		flex-wrap: wrap;
	}
	.verdict {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		margin-left: auto;
		font-weight: 600;
		flex-wrap: wrap;
	}
	.bad .verdict {
		color: var(--red-ink);
	}
	.cures {
		margin: 6px 0;
		padding-left: 18px;
	}
	summary {
		cursor: pointer;
		min-height: 24px;
	}
	.way {
		margin: 6px 0;
		padding-left: 12px;
		border-left: 2px solid var(--rule);
	}
	.way ol {
		margin: 2px 0;
		padding-left: 20px;
	}
	.tightest {
		font-weight: 600;
	}
	.thick {
		display: grid;
		gap: 6px;
		grid-template-columns: repeat(auto-fill, minmax(320px, 1fr));
		margin-top: 8px;
	}
	.thick :global(.field) {
		width: 110px;
	}
	.pick {
		border: 0;
		padding: 0;
		background: none;
		cursor: pointer;
		max-width: 100%;
	}
	.of {
		margin-bottom: 10px;
	}
	@media (max-width: 700px) {
		.verdict {
			margin-left: 0;
		}
		summary {
			min-height: 44px;
		}
		.thick {
			grid-template-columns: 1fr;
		}
	}
</style>
