<script lang="ts">
	import Printer from '@lucide/svelte/icons/printer';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import {
		BODY_MEASURES,
		definitionOf,
		latest,
		MEASURE_KEYS,
		OVERS,
		type MeasureKey
	} from '$core/facts/bodyMeasure.ts';
	import { wantedMeasures } from '$core/answers/settle.ts';
	import pluralize from 'pluralize';
	import { wearersOf } from '$core/facts/measureRecord.ts';
	import { dayOf, formatDate } from '$core/units/localTime.ts';
	import { formatLength } from '$core/units/measure.ts';
	import AsIf from '$lib/ui/AsIf.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import MeasureDrawing from '$lib/ui/MeasureDrawing.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/measure`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const wearer = $derived(
		data.fit.wearers.find((w) => String(w.id) === page.url.searchParams.get('wearer')) ??
			wearersOf(data.fit)[0]
	);
	let focused = $state<MeasureKey>('stature');
	const REGIONS: [string, string[]][] = [
		['Whole body and head', ['head', 'neck']],
		['Trunk', ['shoulder', 'back', 'chest', 'waist', 'hips']],
		['Arm and hand', ['upper-arm', 'forearm', 'hand']],
		['Leg and foot', ['thigh', 'shin', 'foot']]
	];
	/** What figures of the costume wait for. */
	const wanted = $derived(
		new Map(wantedMeasures(data.record.components, data.fit).map((w) => [w.measure, w.figures]))
	);
	const inRegion = (zones: string[]) => MEASURE_KEYS.filter((k) => zones.includes(definitionOf(k).zone));
	const last = (key: MeasureKey, side: 'none' | 'left' | 'right') => {
		const m = wearer && latest(wearer.measures, key, side);
		return m ? `last ${formatLength(m.mm, unit)}` : '';
	};
</script>

<svelte:head><title>Take measures · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

{#if wearer}
	<Form
		command="takeMeasures"
		hidden={{ wearerId: wearer.id }}
		label="Measures"
		onDone={() => goto(`${base}?wearer=${wearer.id}`)}
	>
		<div class="take">
			<div class="sheets">
				<Sheet title="Measures of {wearer.name}">
					{#snippet tools()}
						<button type="button" class="button small" onclick={() => window.print()}
							><Printer size={14} /> Print a blank sheet</button
						>
					{/snippet}
					<div class="fields three">
						<Field name="takenOn" label="Taken on" type="date" value={formatDate(dayOf(data.now))} />
						<Field name="over" label="Taken over" options={OVERS} value="skin" />
						<Field name="note" label="Note" value="" />
					</div>
					{#if wanted.size}
						<p class="wanted" data-wanted>
							Wanted for this costume: {[...wanted.keys()].map((key) => BODY_MEASURES[key].name).join(', ')}.
						</p>
					{/if}
					<p class="small soft">
						Measure the wearer, not the maker; left and right apart. What you leave empty is left out. Tape
						snug, not tight.
					</p>
				</Sheet>
				{#each REGIONS as [name, zones] (name)}
					<Sheet title={name} level={3}>
						<div class="list">
							{#each inRegion(zones) as key (key)}
								{@const m = BODY_MEASURES[key]}
								<div
									class="measure together"
									role="group"
									aria-label={m.name}
									onfocusin={() => (focused = key)}
								>
									<div>
										<b>{m.name}</b>
										{#if wanted.has(key)}<span class="small moves"
												>{pluralize('figure', wanted.get(key), true)}
												{wanted.get(key) === 1 ? 'waits' : 'wait'} for it</span
											>{/if}
										<p class="small soft">{m.how}</p>
									</div>
									{#if m.sided}
										<Field name="{key}-left" label="Left" inputmode="decimal" hint={last(key, 'left')} />
										<Field name="{key}-right" label="Right" inputmode="decimal" hint={last(key, 'right')} />
									{:else}
										<Field name={key} label={unit} inputmode="decimal" hint={last(key, 'none')} wide />
									{/if}
								</div>
							{/each}
						</div>
					</Sheet>
				{/each}
				<div class="no-print">
					<Sheet title="As if" level={3}>
						<AsIf action="tryTakeMeasures" currency={data.record.costume.currency} {unit} />
					</Sheet>
				</div>
				<p class="row on-mat no-print">
					<button class="button main save">Save the measures</button>
					<a class="button" href="{base}?wearer={wearer.id}">Leave</a>
				</p>
			</div>
			<aside class="no-print">
				<Sheet title={BODY_MEASURES[focused].name} level={3}>
					<MeasureDrawing measure={focused} size={300} />
					<p class="small">{BODY_MEASURES[focused].how}</p>
				</Sheet>
			</aside>
		</div>
	</Form>
{:else}
	<Sheet title="Who wears it?"><p><a href={base}>Begin a profile first.</a></p></Sheet>
{/if}

<style>
	.take {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 250px;
		gap: 16px;
		align-items: start;
	}
	.sheets {
		display: grid;
		gap: 12px;
	}
	aside {
		position: sticky;
		top: 12px;
	}
	aside :global(svg) {
		margin: 0 auto 8px;
	}
	.three {
		grid-template-columns: 1fr 1fr 2fr;
		margin-bottom: 8px;
	}
	.list {
		display: grid;
		gap: 10px;
	}
	.measure {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 110px 110px;
		gap: 4px 12px;
		align-items: start;
		border-bottom: 1px solid var(--rule);
		padding-bottom: 8px;
	}
	.wanted {
		font-weight: 600;
	}
	.moves {
		padding: 0 6px;
		background: var(--yellow-wash);
	}
	.measure:focus-within {
		background: var(--sheet-shade);
	}
	.measure :global(.wide) {
		grid-column: 2 / -1;
	}
	.save {
		border-color: var(--on-mat-soft);
	}
	@media (max-width: 900px) {
		.take {
			grid-template-columns: minmax(0, 1fr);
		}
		aside {
			display: none;
		}
	}
	@media (max-width: 700px) {
		.three {
			grid-template-columns: 1fr 1fr;
		}
		.measure {
			grid-template-columns: 1fr 1fr;
		}
		.measure > div:first-child,
		.measure :global(.wide) {
			grid-column: 1 / -1;
		}
	}
</style>
