<script lang="ts">
	import Pencil from '@lucide/svelte/icons/pencil';
	import Printer from '@lucide/svelte/icons/printer';
	import Ruler from '@lucide/svelte/icons/ruler';
	import UserPlus from '@lucide/svelte/icons/user-plus';
	import { page } from '$app/state';
	import { latest, type MeasureKey } from '$core/facts/bodyMeasure.ts';
	import { fittedOf, wearersOf } from '$core/facts/measureRecord.ts';
	import { sizeFor } from '$core/trade/sizeTable.ts';
	import { slipsOf } from '$core/answers/slips.ts';
	import { formatDate } from '$core/units/localTime.ts';
	import { formatLength } from '$core/units/measure.ts';
	import Recut from '$lib/ui/Recut.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';
	import Slips from './Slips.svelte';
	import MeasureTable from './MeasureTable.svelte';
	import AddWearer from './AddWearer.svelte';
	import WhoWearsIt from './WhoWearsIt.svelte';
	import EditMeasure from './EditMeasure.svelte';
	import BodyWrap from './BodyWrap.svelte';
	import FitTo from './FitTo.svelte';
	import HowMeasured from './HowMeasured.svelte';
	import EditWearer from './EditWearer.svelte';

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

	let adding = $state(false);
	let editingWearer = $state(false);
	let shown = $state<MeasureKey | null>(null);
	let editing = $state<number | null>(null);
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
</script>

<svelte:head><title>Measure · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if !wearer}
	<WhoWearsIt named={data.record.costume.wearer.trim()} {others} onadd={() => (adding = true)} />
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
		<Slips {slips} {length} onedit={(id) => (editing = id)} />
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
		{#if wearer.measures.length}
			<MeasureTable {wearer} builtOn={link?.builtOn ?? null} {length} onshow={(key) => (shown = key)} />
		{:else}
			<p class="end">
				Nothing measured yet. <a href="{base}/take?wearer={wearer.id}">Take measures</a>: the sheet shows
				where the tape runs, and leaves out what you leave empty.
			</p>
		{/if}
	</Sheet>
	<BodyWrap />
{/if}
<AddWearer bind:open={adding} {others} />
<FitTo bind:open={fitting} others={worn.filter((w) => w.id !== fitted?.id)} {currency} {unit} />
{#if wearer}<EditWearer bind:open={editingWearer} {wearer} />{/if}
<EditMeasure bind:id={editing} measures={wearer?.measures ?? []} {currency} {unit} />
<HowMeasured bind:measure={shown} {wearer} {length} onedit={(id) => (editing = id)} />

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
	@media (max-width: 700px) {
		.who a {
			min-height: 44px;
			display: inline-flex;
			align-items: center;
		}
	}
</style>
