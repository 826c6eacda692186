<script lang="ts">
	/** How a measure is taken, drawn, and everything that it ever was. */
	import Dialog from '$lib/ui/Dialog.svelte';
	import type { Wearer, MeasureKey } from '$core/facts/bodyMeasure.ts';
	import { BODY_MEASURES, measureWords } from '$core/facts/bodyMeasure.ts';
	import MeasureDrawing from '$lib/ui/MeasureDrawing.svelte';
	import { dayWords } from '$core/units/localTime.ts';
	import Pencil from '@lucide/svelte/icons/pencil';

	interface Props {
		measure: MeasureKey | null;
		wearer: Wearer | undefined;
		length: (mm: number) => string;
		onedit: (measure: number) => void;
	}
	let { measure = $bindable(), wearer, length, onedit }: Props = $props();
	const history = $derived(
		(wearer?.measures ?? [])
			.filter((m) => m.measure === measure)
			.sort((a, b) => b.takenOn - a.takenOn || b.id - a.id)
	);
</script>

<Dialog
	bind:open={() => measure !== null, (open) => !open && (measure = null)}
	title={measure ? BODY_MEASURES[measure].name : ''}
>
	{#if measure}
		<div class="how">
			<MeasureDrawing {measure} />
			<div>
				<p>{BODY_MEASURES[measure].how}</p>
				<p class="small soft">
					{BODY_MEASURES[measure].ofTrade ? 'The trade’s own measure.' : 'Named after ISO 8559-1.'}
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
											measure = null;
											onedit(m.id);
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
	.how {
		display: grid;
		grid-template-columns: auto 1fr;
		gap: 16px;
	}
	@media (max-width: 700px) {
		.how {
			grid-template-columns: 1fr;
		}
	}
</style>
