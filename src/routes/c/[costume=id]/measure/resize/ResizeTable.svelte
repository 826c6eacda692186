<script lang="ts">
	/** What a pattern was made for, beside the wearer, and at what size each measure would have it printed. */
	import type { LengthUnit } from '$core/units/measure.ts';
	import Working from '$lib/ui/Working.svelte';
	import { formatLength } from '$core/units/measure.ts';
	import { resizeFigure } from '$core/explain/fit.ts';
	import { BODY_MEASURES } from '$core/facts/bodyMeasure.ts';
	import Act from '$lib/ui/Act.svelte';
	import type { Wearer } from '$core/facts/bodyMeasure.ts';
	import X from '@lucide/svelte/icons/x';
	import type { StoredNominal } from '$core/facts/measureRecord.ts';
	import Table from '$lib/ui/Table.svelte';

	interface Props {
		/** Each with the wearer’s own measure. */
		rows: readonly (StoredNominal & { body: number | null })[];
		wearer: Wearer | undefined;
		base: string;
		unit: LengthUnit;
	}
	let { rows, wearer, base, unit }: Props = $props();
	const signed = (mm: number) => `${mm < 0 ? '−' : '+'}${formatLength(Math.abs(mm), unit)}`;
</script>

<Table>
	{#snippet heads()}<th>Measure</th><th>Scales</th><th class="number">Made for</th><th class="number"
			>{wearer?.name}</th
		><th class="number">Ease</th><th class="number">Print at</th><th></th>{/snippet}
	{#each rows as row (row.id)}
		<tr>
			<td>{BODY_MEASURES[row.measure].name}</td>
			<td>{row.direction}</td>
			<td class="number"
				>{formatLength(row.nominalMm, unit)}
				<span class="small soft">{row.madeFor === 'body' ? 'body' : 'garment'}</span></td
			>
			<td class="number"
				>{#if row.body !== null}{formatLength(row.body, unit)}{:else}<a
						href="{base}/measure/take?wearer={wearer?.id}">measure</a
					>{/if}</td
			>
			<td class="number">{signed(row.easeMm)}</td>
			<td class="number">
				{#if row.body !== null}<Working
						figure={resizeFigure(
							BODY_MEASURES[row.measure].name,
							row.body,
							row.easeMm,
							row.nominalMm,
							row.madeFor,
							unit
						)}
					/>{:else}–{/if}
			</td>
			<td class="number"
				><Act
					command="removeNominal"
					id={row.id}
					look="quiet"
					label="Remove {BODY_MEASURES[row.measure].name}"><X size={14} /></Act
				></td
			>
		</tr>
	{/each}
</Table>
