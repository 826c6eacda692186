<script lang="ts">
	import Check from '@lucide/svelte/icons/check';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Printer from '@lucide/svelte/icons/printer';
	import Ruler from '@lucide/svelte/icons/ruler';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import UserPlus from '@lucide/svelte/icons/user-plus';
	import { page } from '$app/state';
	import {
		BODY_MEASURES,
		definitionOf,
		latest,
		MEASURE_KEYS,
		measureWords,
		OVERS,
		type BodyMeasure,
		type MeasureKey
	} from '$core/facts/bodyMeasure.ts';
	import { BODY_WRAP } from '$core/trade/bodyWrap.ts';
	import { fittedOf, wearersOf } from '$core/facts/measureRecord.ts';
	import { sizeFor } from '$core/trade/sizeTable.ts';
	import { askAbout, slipsOf } from '$core/answers/slips.ts';
	import { dayWords, formatDate } from '$core/units/localTime.ts';
	import { formatLength } from '$core/units/measure.ts';
	import AsIf from '$lib/ui/AsIf.svelte';
	import Recut from '$lib/ui/Recut.svelte';
	import Act from '$lib/ui/Act.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import MeasureDrawing from '$lib/ui/MeasureDrawing.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/measure`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);
	const worn = $derived(wearersOf(data.fit));
	const wearer = $derived(worn.find((w) => String(w.id) === page.url.searchParams.get('wearer')) ?? worn[0]);
	/** Whose measures the pieces follow. */
	const fitted = $derived(fittedOf(data.fit)[0]);
	const currency = $derived(data.record.costume.currency);
	let fitting = $state(false);
	const link = $derived(data.fit.worn.find((w) => w.wearerId === wearer?.id));
	const others = $derived(data.fit.wearers.filter((w) => !worn.includes(w)));
	/** The name on the costume, when no profile stands for it yet. */
	const named = $derived(data.record.costume.wearer.trim());
	const namesake = $derived(others.find((w) => w.name.toLowerCase() === named.toLowerCase()));

	let adding = $state(false);
	let editingWearer = $state(false);
	let shown = $state<MeasureKey | null>(null);
	let editing = $state<number | null>(null);
	const edited = $derived(wearer?.measures.find((m) => m.id === editing));
	const slips = $derived(wearer ? slipsOf(wearer.measures) : []);
	const chest = $derived(wearer && latest(wearer.measures, 'chestGirth', 'none', { over: 'skin' }));
	const sizes = $derived(
		chest
			? (['women', 'men'] as const).flatMap((table) => {
					const size = sizeFor(table, chest.mm);
					return size ? [`${table}’s ${size.name}`] : [];
				})
			: []
	);

	/** Rows of the table: what was ever measured of it, over each thing it was taken over. */
	const rows = $derived(
		wearer
			? MEASURE_KEYS.flatMap((key) =>
					OVERS.flatMap((over) => {
						const sides = definitionOf(key).sided ? (['left', 'right'] as const) : (['none'] as const);
						const now = sides.map((side) => latest(wearer.measures, key, side, { over }));
						if (now.every((m) => m === null)) return [];
						const built = sides.map((side) =>
							link?.builtOn != null ? latest(wearer.measures, key, side, { over, asOf: link.builtOn }) : null
						);
						return [{ key, over, sides, now, built }];
					})
				)
			: []
	);
	const changeOf = (now: BodyMeasure | null, built: BodyMeasure | null) =>
		now && built && now.id !== built.id ? now.mm - built.mm : null;
	const signed = (mm: number) => `${mm > 0 ? '+' : '−'}${length(Math.abs(mm))}`;
	const history = $derived(
		shown && wearer
			? wearer.measures
					.filter((m) => m.measure === shown)
					.sort((a, b) => b.takenOn - a.takenOn || b.id - a.id)
			: []
	);
</script>

<svelte:head><title>Measure · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if !wearer}
	<Sheet title="Who wears it?">
		<p>
			Most of a costume’s later trouble starts with a size guessed by eye. A profile keeps the wearer’s
			measures with their dates; what goes on, how much ease it has and how a pattern is resized is worked out
			from it.
		</p>
		<div class="row begin">
			{#if namesake}
				<Act command="wearCostume" hidden={{ wearerId: namesake.id }} look="main" small={false}
					>Use the profile of {namesake.name}</Act
				>
			{:else if named}
				<Act command="addWearer" hidden={{ name: named, note: '' }} look="main" small={false}
					>Begin a profile for {named}</Act
				>
			{/if}
			<button class="button" data-add onclick={() => (adding = true)}
				><UserPlus size={16} /> Another wearer</button
			>
		</div>
	</Sheet>
{:else}
	<div class="who on-mat no-print">
		{#each worn as w (w.id)}
			<a href="?wearer={w.id}" aria-current={w.id === wearer.id ? 'true' : undefined}>{w.name}</a>
		{/each}
		<button class="button small" onclick={() => (adding = true)}><UserPlus size={14} /> Wearer</button>
		{#if worn.length > 1 && fitted}
			<span class="fitted"
				>Pieces follow <b>{fitted.name}</b>
				<button class="button small" onclick={() => (fitting = true)}>Another wearer</button></span
			>
		{/if}
	</div>
	{#if data.recut.pieces.length}
		<Sheet title="Cut before it was measured anew">
			<Recut
				pieces={data.recut.pieces}
				totals={data.recut.totals}
				{unit}
				base={`/c/${data.record.costume.id}`}
			/>
		</Sheet>
	{/if}
	{#if slips.length}
		<Sheet title="Is this right?">
			<ul class="slips">
				{#each slips as slip, i (i)}
					<li>
						<span>{askAbout(slip, length)}</span>
						<span class="row">
							<Act command="confirmMeasure" id={slip.measure.id}><Check size={14} /> It is right</Act>
							<button class="button small quiet" onclick={() => (editing = slip.measure.id)}
								><Pencil size={14} /> Correct it</button
							>
						</span>
					</li>
				{/each}
			</ul>
		</Sheet>
	{/if}
	<Sheet title="Measures of {wearer.name}">
		{#snippet tools()}
			<button class="button small" onclick={() => (editingWearer = true)}><Pencil size={14} /> Profile</button
			>
			<button class="button small" onclick={() => window.print()}><Printer size={14} /> Print</button>
			<a class="button main small" data-add href="{base}/take?wearer={wearer.id}"
				><Ruler size={14} /> Take measures</a
			>
		{/snippet}
		<p class="small soft">
			{#if wearer.note}{wearer.note}{/if}
			{#if sizes.length}Bust or chest as clothes size {sizes.join(', ')} (EN 13402-3, from memory).{/if}
		</p>
		<div class="built">
			<Form command="setBuiltOn" hidden={{ wearerId: wearer.id }} label="Built for">
				<div class="row">
					<label for="built">Built for the measures of</label>
					<input
						id="built"
						type="date"
						name="builtOn"
						value={link?.builtOn == null ? '' : formatDate(link.builtOn)}
						onchange={(e) => e.currentTarget.form?.requestSubmit()}
					/>
					<noscript><button class="button small">Set</button></noscript>
				</div>
			</Form>
		</div>
		{#if rows.length}
			<div class="scroll">
				<table>
					<thead>
						<tr
							><th>Measure</th><th>Over</th><th class="number">Whole or left</th><th class="number">Right</th
							><th>Taken</th>{#if link?.builtOn != null}<th class="number">Since built</th>{/if}</tr
						>
					</thead>
					<tbody>
						{#each rows as row (`${row.key} ${row.over}`)}
							{@const days = [...new Set(row.now.flatMap((m) => m?.takenOn ?? []))]}
							<tr>
								<td
									><button class="name" onclick={() => (shown = row.key)}
										>{BODY_MEASURES[row.key].name}</button
									>
									{#if BODY_MEASURES[row.key].ofTrade}<span
											class="own"
											title="the trade’s own, not in ISO 8559-1">own</span
										>{/if}</td
								>
								<td class="small">{row.over}</td>
								{#each row.now as m, i (row.sides[i])}
									<td class="number">{m ? length(m.mm) : '–'}</td>
								{/each}
								{#if row.sides.length === 1}<td></td>{/if}
								<td class="small soft">{days.map((d) => dayWords(d)).join(', ')}</td>
								{#if link?.builtOn != null}
									<td class="number">
										{#each row.now as m, i (row.sides[i])}
											{@const change = changeOf(m, row.built[i]!)}
											{#if change !== null}<span class:large={Math.abs(change) >= 10}
													>{row.sides[i] === 'none' ? '' : row.sides[i] === 'left' ? 'L ' : 'R '}{signed(
														change
													)}</span
												>{/if}
										{/each}
									</td>
								{/if}
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
		{:else}
			<p class="begin">
				Nothing measured yet. <a href="{base}/take?wearer={wearer.id}">Take measures</a>: the sheet shows
				where the tape runs, and leaves out what you leave empty.
			</p>
		{/if}
	</Sheet>
	<div class="no-print">
		<Sheet>
			<details>
				<summary><h2>Body wrap: a pattern straight from the body</h2></summary>
				<Caution keys={['bodyWrap', 'blade']} />
				<ol>
					{#each BODY_WRAP as step (step)}<li>{step}</li>{/each}
				</ol>
			</details>
		</Sheet>
	</div>
{/if}

<Dialog bind:open={adding} title="One more wearer">
	{#if others.length}
		<Form command="wearCostume" label="A profile that exists" onDone={() => (adding = false)}>
			<div class="fields">
				<Field
					name="wearerId"
					label="A profile that exists"
					options={others.map((w) => ({ value: w.id, label: w.name }))}
					value={others[0]?.id}
				/>
				<p class="pick"><button class="button">Wears this costume</button></p>
			</div>
		</Form>
		<hr />
	{/if}
	<Form command="addWearer" label="A new profile" onDone={() => (adding = false)}>
		<div class="fields">
			<Field name="name" label="Name" value="" />
			<Field name="note" label="Note" value="" hint="posture, glasses, sides that differ" />
		</div>
		<p class="begin"><button class="button main">Begin a profile</button></p>
	</Form>
</Dialog>
<Dialog bind:open={fitting} title="Whose measures the pieces follow">
	<Form command="fitCostume" label="Whose measures the pieces follow" onDone={() => (fitting = false)}>
		<Field
			name="wearerId"
			label="Wearer"
			options={worn.filter((w) => w.id !== fitted?.id).map((w) => ({ value: w.id, label: w.name }))}
			value={worn.find((w) => w.id !== fitted?.id)?.id}
		/>
		<AsIf action="tryFitCostume" {currency} {unit} />
		<p class="row begin"><button class="button main">Let the pieces follow</button></p>
	</Form>
</Dialog>
{#if wearer}
	<Dialog bind:open={editingWearer} title="Profile">
		<Form command="editWearer" id={wearer.id} version={wearer.version} onDone={() => (editingWearer = false)}>
			<div class="fields">
				<Field name="name" label="Name" value={wearer.name} />
				<Field name="note" label="Note" value={wearer.note} />
			</div>
			<p class="row begin"><button class="button main">Save</button></p>
		</Form>
		<div class="row begin">
			<Act command="unwearCostume" hidden={{ wearerId: wearer.id }} onDone={() => (editingWearer = false)}
				>No longer wears this costume</Act
			>
			<Act command="removeWearer" id={wearer.id} look="quiet" onDone={() => (editingWearer = false)}
				><Trash2 size={14} /> Remove the profile</Act
			>
		</div>
	</Dialog>
{/if}
<EditDialog bind:id={editing} title={edited ? measureWords(edited.measure, edited.side) : ''}>
	{#if edited}
		<Form command="editMeasure" id={edited.id} version={edited.version} onDone={() => (editing = null)}>
			<div class="fields">
				<Field name="mm" label="Measure" value={length(edited.mm)} inputmode="decimal" />
				<Field name="over" label="Taken over" options={OVERS} value={edited.over} />
				<Field name="takenOn" label="Taken on" type="date" value={formatDate(edited.takenOn)} />
				<Field name="note" label="Note" value={edited.note} />
			</div>
			<AsIf action="tryEditMeasure" {currency} {unit} />
			<p class="row begin"><button class="button main">Save</button></p>
		</Form>
		<Act command="removeMeasure" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>
<Dialog
	bind:open={() => shown !== null, (open) => !open && (shown = null)}
	title={shown ? BODY_MEASURES[shown].name : ''}
>
	{#if shown}
		<div class="how">
			<MeasureDrawing measure={shown} />
			<div>
				<p>{BODY_MEASURES[shown].how}</p>
				<p class="small soft">
					{BODY_MEASURES[shown].ofTrade ? 'The trade’s own measure.' : 'Named after ISO 8559-1.'}
				</p>
				<table>
					<tbody>
						{#each history as m (m.id)}
							<tr>
								<td class="small">{dayWords(m.takenOn)}</td>
								<td class="small">{[m.side === 'none' ? '' : m.side, m.over].filter(Boolean).join(', ')}</td>
								<td class="number">{length(m.mm)}</td>
								<td
									><button
										class="button quiet small"
										aria-label="Edit {measureWords(m.measure, m.side)} of {dayWords(m.takenOn)}"
										onclick={() => {
											shown = null;
											editing = m.id;
										}}><Pencil size={14} /></button
									></td
								>
							</tr>
						{/each}
					</tbody>
				</table>
			</div>
		</div>
	{/if}
</Dialog>

<style>
	.fitted {
		margin-left: auto;
		color: var(--on-mat);
	}
	.who {
		display: flex;
		gap: 8px;
		flex-wrap: wrap;
		align-items: center;
	}
	.who a {
		padding: 4px 12px;
		min-height: 30px;
		border: 1px solid var(--on-mat-soft);
		color: var(--on-mat);
		text-decoration: none;
	}
	.who a[aria-current] {
		background: var(--sheet);
		color: var(--ink);
		border-color: var(--sheet);
		font-weight: 600;
	}
	.begin {
		margin-top: 12px;
	}
	.slips {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		gap: 8px;
	}
	.slips li {
		display: flex;
		justify-content: space-between;
		gap: 4px 16px;
		flex-wrap: wrap;
		align-items: center;
		padding: 6px 10px;
		border-left: 4px solid var(--yellow-ink);
		background: var(--yellow-wash);
	}
	.built {
		margin: 8px 0 12px;
	}
	.built label {
		font-size: var(--s13);
		font-weight: 600;
	}
	.built input {
		width: auto;
	}
	.name {
		border: 0;
		padding: 0;
		background: none;
		text-align: left;
		cursor: pointer;
		text-decoration: underline dotted var(--ink-soft) 1px;
		text-underline-offset: 0.2em;
	}
	.own {
		font-size: var(--s13);
		color: var(--ink-soft);
	}
	td {
		padding: 4px 8px;
	}
	.large {
		color: var(--pink-ink);
		font-weight: 600;
	}
	.how {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 16px;
	}
	.pick {
		align-self: end;
	}
	hr {
		margin: 16px 0;
		border: 0;
		border-top: 1px solid var(--rule);
	}
	summary {
		cursor: pointer;
	}
	summary h2 {
		display: inline;
	}
	details > ol {
		margin: 12px 0 0;
		padding-left: 24px;
		display: grid;
		gap: 6px;
		max-width: 75ch;
	}
	@media (max-width: 700px) {
		.who a,
		.name {
			min-height: 44px;
			display: inline-flex;
			align-items: center;
		}
		.how {
			grid-template-columns: 1fr;
		}
	}
</style>
