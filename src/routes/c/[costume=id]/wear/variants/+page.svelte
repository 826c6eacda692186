<script lang="ts">
	/** Ways to wear a costume side by side: what is worn in each, what it weighs, and how long it takes to put on. */
	import Check from '@lucide/svelte/icons/check';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { wornWeightFigure } from '$core/explain/load.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { kilograms } from '$lib/ui/wear/travelWords.ts';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/wear`);
	const rows = $derived(inLedgerOrder(data.record.components).map(({ item }) => item));
	const WITH: Record<number, string> = { 1: 'alone', 2: 'with one helper' };
	let editing = $state<number | null>(null);
	const edited = $derived(data.wear.variants.find((v) => v.id === editing));
</script>

<svelte:head><title>Variants · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Ways to wear it">
	{#if rows.length}
		{#if data.columns.length === 1}
			<p>
				Helmet or wig, with or without wings: name each way to wear it and take off what it leaves out.
				Weight, dressing, the door, packing and fittings then go by what is worn.
			</p>
		{/if}
		<div class="scroll">
			<table>
				<thead>
					<tr>
						<th scope="col"><span class="visually-hidden">Component</span></th>
						{#each data.columns as { variant, weight, minutes, circle } (variant?.id)}
							{@const name = variant?.name ?? 'all of it'}
							<th scope="col" class="way">
								<span class="name">
									<a href="{base}/dressing{variant ? `?as=${variant.id}` : ''}">{name}</a>
									{#if variant}<button
											class="button quiet small no-print"
											aria-label="Change {name}"
											onclick={() => (editing = variant.id)}><Pencil size={14} /></button
										>{/if}
								</span>
								<span class="big"
									><Working
										figure={wornWeightFigure(weight, `Weight, ${name}`)}
										text="{weight.unknown.length ? 'over ' : ''}{kilograms(weight.grams)}"
									/></span
								>
								{#if weight.unknown.length}<span class="small soft"
										>without {weight.unknown.map((c) => c.code).join(', ')}</span
									>{/if}
								{#each minutes as m (m.dressers)}
									<span class="small"
										>{m.proved ? '' : 'at most '}{formatNumber(m.minutes, 1)} min {WITH[m.dressers]}</span
									>
								{:else}<span class="small bad"
										>{circle ? 'waits in a circle: see Dressing' : 'cannot be put on by two'}</span
									>{/each}
							</th>
						{/each}
					</tr>
				</thead>
				<tbody>
					{#each rows as c (c.id)}
						<tr>
							<th scope="row"><Tag component={c} href="/c/{data.record.costume.id}/look/{c.id}" /></th>
							{#each data.columns as { variant, worn } (variant?.id)}
								{@const isWorn = worn.includes(c.id)}
								{@const isOff = variant?.without.includes(c.id) ?? false}
								<td class:off={!isWorn}>
									{#if !variant}<span class="all"><Check size={16} aria-label="worn" /></span>
									{:else if !isWorn && !isOff}<span class="small soft">with its whole</span>
									{:else}
										<span class="printed">{isWorn ? 'worn' : 'left off'}</span>
										<Act
											command="wearIn"
											id={variant.id}
											hidden={{ componentId: c.id, on: String(!isWorn) }}
											look="quiet"
											label="{c.code} {isWorn ? 'is worn' : 'is left off'}, {variant.name}: change"
											>{#if isWorn}<Check size={16} /> worn{:else}left off{/if}</Act
										>
									{/if}
								</td>
							{/each}
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
		<Form command="addVariant" label="Another way to wear it" reset class="add no-print">
			<Field name="name" label="Another way to wear it" value="" hint="with helmet" />
			<Submit>Add it</Submit>
		</Form>
	{:else}
		<p>
			Nothing to wear yet: <a href="/c/{data.record.costume.id}/look">break the look into components</a>.
		</p>
	{/if}
</Sheet>

<EditDialog bind:id={editing} title="A way to wear it">
	{#if edited}
		<Form
			command="editVariant"
			id={edited.id}
			version={edited.version}
			label="A way to wear it"
			onDone={() => (editing = null)}
		>
			<Field name="name" label="Name" value={edited.name} />
			<Submit>Save</Submit>
		</Form>
		<Act command="removeVariant" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	.scroll {
		overflow-x: auto;
		margin: 4px 0 12px;
	}
	table {
		border-collapse: collapse;
	}
	th,
	td {
		text-align: left;
		font-weight: 400;
		padding: 4px 18px 4px 0;
		border-top: 1px solid var(--rule);
		vertical-align: middle;
	}
	thead th {
		border-top: 0;
		vertical-align: top;
		padding-bottom: 10px;
	}
	.way {
		min-width: 168px;
	}
	.way > * {
		display: block;
	}
	.name {
		display: flex;
		align-items: center;
		gap: 4px;
		font-weight: 600;
		min-height: 36px;
	}
	.big :global(button) {
		font: 600 var(--s24) / 1.2 var(--head);
		color: var(--ink);
	}
	/* As buttons have it beside them. */
	.all {
		padding-left: 10px;
	}
	.printed {
		display: none;
	}
	@media print {
		.printed {
			display: inline;
		}
	}
	.off,
	.off :global(.button) {
		color: var(--ink-soft);
	}
	.bad {
		color: var(--red-ink);
	}
	@media (max-width: 700px) {
		th[scope='row'],
		thead th:first-child {
			position: sticky;
			left: 0;
			background: var(--sheet);
		}
		th[scope='row'] {
			max-width: 150px;
			overflow: hidden;
		}
		.way {
			min-width: 118px;
		}
		th,
		td {
			padding-right: 8px;
		}
	}
	:global(form.add) {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: end;
	}
</style>
