<script lang="ts">
	import Pencil from '@lucide/svelte/icons/pencil';
	import { dayOfEvent, passagesOf, sightOf, stretchesIn } from '$core/answers/moving.ts';
	import { wornFigure } from '$core/explain/moving.ts';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { clearsFor, likelyFor } from '$core/trade/fittingCheck.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import Passages from './Passages.svelte';
	import Sight from './Sight.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const moving = $derived(data.wear.moving);
	const components = $derived(inLedgerOrder(data.record.components).map(({ item }) => item));
	const tried = $derived(new Map(data.wear.moves.map((m) => [m.move, m])));
	const moves = $derived(clearsFor(components));
	const failing = $derived(moves.filter((m) => tried.get(m.key)?.works === false));
	const narrow = $derived(passagesOf(moving).filter((p) => p.passes === false));
	const sight = $derived(sightOf(moving));
	const day = $derived(dayOfEvent(data.hours));
	const rest = $derived(stretchesIn(day, moving));
	let measuring = $state(false);
	let failed = $state<string | null>(null);
	const isFailed = $derived(failed !== null);
	const asked = $derived(moves.find((m) => m.key === failed));
	const mm = (value: number | null | undefined) => (value == null ? '' : formatLength(value, unit));
	const likely = $derived(asked ? likelyFor(asked, components) : []);
</script>

<svelte:head><title>Moving · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<div class="two">
	<Sheet title="Does it move?">
		<p class="answer" class:bad={failing.length > 0}>
			{#if failing.length}{failing.length} of {moves.length} movements
				{failing.length === 1 ? 'fails' : 'fail'}.
			{:else}{moves.filter((m) => tried.has(m.key)).length} of {moves.length} movements tried{#if tried.size},
					all work{/if}.{/if}
		</p>
		<ul class="plain moves">
			{#each moves as m (m.key)}
				{@const last = tried.get(m.key)}
				<li>
					<span>
						{m.words}.
						{#if last}<b class:bad={!last.works} class="last small"
								>{last.works ? 'Works' : 'Fails'}, {timeWords(last.checkedAt)}</b
							>{/if}
					</span>
					<span class="acts no-print">
						<Act command="tryMove" hidden={{ move: m.key, works: 'on' }} label="{m.words}: works">Works</Act>
						<button class="button small" aria-label="{m.words}: fails" onclick={() => (failed = m.key)}
							>Fails</button
						>
					</span>
				</li>
			{/each}
		</ul>
		<p class="small soft">
			With everything on, beneath too, at the rehearsal. What fails and is of a component stands under
			<a href="{base}/mend">Mend</a>, with its cure in the plan; fittings try the same movements.
		</p>
	</Sheet>
	<div class="side">
		<Sheet title="Doors, seats and sight">
			{#snippet tools()}
				<button class="button small" onclick={() => (measuring = true)}><Pencil size={14} /> Measure</button>
			{/snippet}
			<p class="answer" class:bad={narrow.length > 0 || sight?.enough === false}>
				{#if narrow.length}Too wide for {narrow.map((p) => p.name).join(', ')}: sideways, or take it off.
				{:else if moving?.wideMm != null}Goes through where people go.
				{:else}Not measured yet.{/if}
				{#if sight && !sight.enough}Too little is seen: go with a handler, or open it further.{/if}
			</p>
			<Passages {moving} {unit} />
			{#if moving && sight}<Sight {moving} {unit} />
			{:else}<p class="small soft">
					Measure what is seen through, and how far it is from the eye: this says the angle that it leaves.
				</p>{/if}
		</Sheet>
		<Sheet title="Heat and rest">
			<p class="answer">{formatNumber(rest.on)} minutes on, {formatNumber(rest.rest)} off.</p>
			<p>
				In {formatDuration(day)}: {rest.times} times on, <Working
					figure={wornFigure(day, rest, data.hours !== null)}
					text={formatDuration(rest.worn)}
				/> of it worn.
			</p>
			<p class="small soft">
				{rest.own ? 'Your own record.' : 'Common practice for closed costumes.'} Less in heat, water at every rest.
				Dizzy, sick, headache: out of it at once.
			</p>
		</Sheet>
	</div>
</div>

<Dialog bind:open={measuring} title="Doors, sight and rest">
	<Form command="setMoving" label="Doors, sight and rest" onDone={() => (measuring = false)}>
		<div class="fields">
			<Field name="wideMm" label="Widest place, worn" value={mm(moving?.wideMm)} inputmode="decimal" />
			<Field name="hipsMm" label="At the hips, sitting" value={mm(moving?.hipsMm)} inputmode="decimal" />
			<Field
				name="openingWideMm"
				label="Seen through, width"
				value={mm(moving?.openingWideMm)}
				inputmode="decimal"
			/>
			<Field
				name="openingHighMm"
				label="Seen through, height"
				value={mm(moving?.openingHighMm)}
				inputmode="decimal"
			/>
			<Field name="eyeMm" label="From the eye to it" value={mm(moving?.eyeMm)} inputmode="decimal" />
			<Field
				name="onMinutes"
				label="Worn at a stretch"
				value={moving?.onMinutes ?? ''}
				inputmode="decimal"
				suffix="min"
			/>
			<Field
				name="restMinutes"
				label="Rested after it"
				value={moving?.restMinutes ?? ''}
				inputmode="decimal"
				suffix="min"
			/>
		</div>
		<Submit>Save</Submit>
	</Form>
</Dialog>
<Dialog bind:open={() => isFailed, (open) => (failed = open ? failed : null)} title="What fails?">
	{#if asked}
		<Form
			command="tryMove"
			hidden={{ move: asked.key, works: 'false' }}
			label="What fails"
			onDone={() => (failed = null)}
		>
			<p>{asked.words}.</p>
			<div class="fields">
				<Field
					name="componentId"
					label="Because of"
					options={likely.map((c) => ({ value: String(c.id), label: `${c.code} ${c.name}` }))}
					none="none of them: only note it"
					value={String(likely[0]?.id ?? '')}
					wide
				/>
				<Field name="note" label="What happens" wide />
			</div>
			<Submit>Note it</Submit>
		</Form>
	{/if}
</Dialog>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
		gap: 16px;
		align-items: start;
	}
	.side {
		display: grid;
		gap: 16px;
		min-width: 0;
	}
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--good-ink);
		margin-bottom: 8px;
	}
	.answer.bad,
	.last.bad {
		color: var(--red-ink);
	}
	.moves li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 12px;
		align-items: center;
		padding: 6px 0;
		border-top: 1px solid var(--rule);
	}
	.last {
		color: var(--good-ink);
		white-space: nowrap;
	}
	.acts {
		display: flex;
		gap: 6px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
