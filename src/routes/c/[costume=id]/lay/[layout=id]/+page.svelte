<script lang="ts">
	/** A kept layout to cut by: sheets in order, what is left, files, and the mark that it is cut. */
	import Download from '@lucide/svelte/icons/download';
	import Printer from '@lucide/svelte/icons/printer';
	import Scissors from '@lucide/svelte/icons/scissors';
	import { cutWords } from '$core/formats/layoutSvg.ts';
	import { planWords } from '$core/formats/planWords.ts';
	import { LEAST_KEPT } from '$core/engines/layout/leftovers.ts';
	import { quantityLaid } from '$core/answers/layPieces.ts';
	import { cutOutOf, longestOfTooShort, placeOf } from '$core/answers/lots.ts';
	import { weigh } from '$core/answers/substitute.ts';
	import { cutSheets, leftoversOfPlan, useOfPlan } from '$core/engines/layout/cutSheets.ts';
	import { say } from '$core/units/problem.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { formatLength, formatSmallArea, parseLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { cutMinutesFigure, densityFigure, rollFigure } from '$core/explain/layout.ts';
	import Act from '$lib/ui/Act.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import CutSheets from '$lib/ui/lay/CutSheets.svelte';
	import { takesWords } from '$lib/ui/lay/takesWords.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { goto } from '$app/navigation';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import Desk from '$lib/ui/Desk.svelte';
	import Table from '$lib/ui/Table.svelte';

	let { data }: { data: PageData } = $props();
	const { layout } = $derived(data);
	const { plan } = $derived(layout);
	const base = $derived(`/c/${data.record.costume.id}/lay`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const material = $derived(data.workshop.materials.find((m) => m.id === layout.materialId)!);
	const roll = $derived(plan.stock.roll !== null);
	const sheets = $derived(cutSheets(plan));
	const use = $derived(useOfPlan(plan));
	const quantity = $derived(quantityLaid(material, plan.stock, use, plan.settings));
	const words = $derived(planWords(plan, layout.name, sheets.length, unit));
	const name = (sheet: (typeof sheets)[number]) => words.sheet(sheet);
	let typed = $state<string | null>(null);
	const leastText = $derived(typed ?? formatLength(LEAST_KEPT, unit));
	const least = $derived(parseLength(leastText, unit));
	const leftovers = $derived(
		least.ok && least.value >= 20 && least.value <= 2000 ? leftoversOfPlan(plan, least.value) : []
	);
	const left = $derived(leftovers.flatMap((l) => l.leftovers));
	let marked = $state<number | null>(null);
	/** Offcuts of the plan that somebody has used or thrown away meanwhile. */
	const gone = $derived(
		layout.cutAt === null &&
			sheets.some((s) => s.offcut !== null && !data.offcuts.some((o) => o.id === s.offcut))
	);
	/** What the counts do not have of it. */
	const short = $derived(weigh(material, quantity - data.boughtLeft, 0).short);
	const fromStash = $derived(cutOutOf(material, quantity - data.boughtLeft));
	const longest = $derived(longestOfTooShort(material, quantity, data.record.purchases, data.boughtLeft));
	const cutting = $derived(cutMinutesFigure(plan, material.family, data.workshop));
	const out = $derived(`${base}/${layout.id}/out`);
</script>

<svelte:head><title>{layout.name} · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Desk sides="9fr minmax(260px, 4fr)">
	<div class="stack">
		<Sheet title={layout.name}>
			<p class="result">
				<b class="lead">{takesWords(use, plan.stock.sheets.length, roll, unit)}</b>
				of {material.name}, <Working
					figure={densityFigure(plan, unit)}
					text="{formatNumber(use.density * 100, 1)} %"
				/> of it becomes pieces.
				{#if roll && quantity > 0}To buy: <Working figure={rollFigure(plan, unit)} />.{/if}
				Cutting takes about <Working figure={cutting} />.
			</p>
			<p class="small soft">{words.notes[0]}</p>
			<CutSheets {sheets} {leftovers} {name} {marked} />
		</Sheet>
		<Sheet title="In this order">
			<p class="small soft">
				The short way round each sheet; what lies within another comes first, while there is still something
				to hold on to. Write the number on each piece as it comes off.
			</p>
			<Table>
				{#snippet heads()}<th class="number">No.</th><th>Piece</th><th>Of</th>{/snippet}
				{#each sheets as sheet (sheet.number)}
					{#each sheet.pieces as place (place.order)}
						<tr onmouseenter={() => (marked = place.order)} onmouseleave={() => (marked = null)}>
							<td class="number">{place.order}</td>
							<td>{cutWords(place)}</td>
							<td class="small soft">{sheet.name}</td>
						</tr>
					{/each}
				{/each}
			</Table>
		</Sheet>
	</div>
	<div class="stack left">
		<Sheet title={layout.cutAt === null ? 'Cut it' : 'It is cut'}>
			{#if layout.cutAt !== null}
				<p>
					{timeWords(layout.cutAt)}: {formatNumber(quantity, 2)}
					{material.unit}, {formatNumber(quantity - (layout.fromStash ?? 0), 2)} of what was bought for the costume
					and {formatNumber(layout.fromStash ?? 0, 2)} of the stash. What was left of use lies in the
					<a href="/stash#offcuts">Stash</a>.
				</p>
			{:else}
				<Caution keys={['blade']} />
				<Form command="cutLayout" id={layout.id} version={layout.version} label="Mark as cut" class="cut">
					<Field
						name="least"
						label="Keep leftovers at least so wide"
						bind:value={() => leastText, (v) => (typed = v)}
						hint={least.ok ? undefined : say(least.problem)}
					/>
					<p class="stack left-words">
						{#if left.length}
							{left.length === 1 ? 'One offcut goes' : `${left.length} offcuts go`} to the stash:
							{left
								.slice(0, 6)
								.map((l) => formatSmallArea(l.area, unit))
								.join(', ')}{left.length > 6 ? ' …' : ''}.
						{:else}Nothing of use is left.{/if}
					</p>
					<p class="small soft">
						{quantity > 0
							? `${formatNumber(quantity, 2)} ${material.unit} will be what these components need; what was bought for the costume is used first, the rest comes out of the stash.`
							: 'All comes out of offcuts: nothing is bought for it.'}
					</p>
					{#if fromStash.length}<p class="small">
							Out of the stash: {fromStash
								.map(
									({ lot, units }) =>
										`${formatNumber(units, 2)} ${material.unit}${
											[lot.colour, placeOf(lot, material)].some(Boolean)
												? ` (${[lot.colour, placeOf(lot, material)].filter(Boolean).join(', ')})`
												: ''
										}`
								)
								.join(', ')}.
						</p>{/if}
					{#if longest !== null && longest > 0}<p class="warn small">
							It is laid out in one length of {formatNumber(quantity, 2)}
							{material.unit}, and the longest piece that is here has {formatNumber(longest, 2)}. Lay it again
							by what is there, or buy it in one.
						</p>{/if}
					{#if short > 0}<p class="warn small">
							The stash and what has arrived count {formatNumber(short, 2)}
							{material.unit} less than it takes. What is cut was there: the counts go to nothing.
						</p>{/if}
					{#if gone}<p class="warn small">
							An offcut of this plan is no longer in the stash: <a href="{base}?open={layout.id}"
								>lay it again</a
							>.
						</p>{/if}
					<Submit><Scissors size={16} /> Mark it as cut</Submit>
				</Form>
			{/if}
		</Sheet>
		<Sheet title="Print and send">
			<ul class="files">
				<li>
					<a class="button" download href="{out}/pdf?paper=a4"><Printer size={16} /> PDF, A4</a>
					<a class="button" download href="{out}/pdf?paper=letter">Letter</a>
					<span class="small soft">A page a sheet, to scale, with the list of cuts.</span>
				</li>
				<li>
					<a class="button" download href="{out}/pdf?paper=full"><Printer size={16} /> PDF at 1:1</a>
					<span class="small soft">A page as large as the sheet, for a plotter or a projector.</span>
				</li>
				<li>
					<a class="button" download href="{out}/svg"><Download size={16} /> SVG</a>
					<a class="button" download href="{out}/dxf">DXF</a>
					<span class="small soft">At 1:1 in mm, for a cutter.</span>
				</li>
				<li>
					<a class="button" download href="{out}/tags"><Printer size={16} /> Tags</a>
					<span class="small soft">One for each piece, with its number.</span>
				</li>
			</ul>
		</Sheet>
		<Sheet title="This layout">
			<Form command="renameLayout" id={layout.id} version={layout.version} class="rename" label="Name">
				<Field name="name" label="Name" value={layout.name} />
				<button class="button">Save</button>
			</Form>
			<div class="row end">
				{#if layout.cutAt === null}<a class="button" href="{base}?open={layout.id}">Lay on</a>{/if}
				<Act
					command="removeLayout"
					id={layout.id}
					small={false}
					at={base}
					onDone={() => goto(base, { invalidateAll: true })}>Remove</Act
				>
			</div>
		</Sheet>
	</div>
</Desk>

<style>
	.lead {
		font-family: var(--head);
		font-size: var(--s24);
		margin-right: 4px;
	}
	.result + .small {
		margin: 4px 0 12px;
	}
	.left-words,
	:global(form.cut) {
		margin-top: 8px;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
	}
	.files {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		gap: 10px;
	}
	.files li {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
	}
	:global(form.rename) {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 8px;
		align-items: end;
	}
</style>
