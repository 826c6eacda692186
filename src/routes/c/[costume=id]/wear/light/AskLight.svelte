<script lang="ts">
	/** What is asked of a circuit: it stands in the address of the page. */
	import Plus from '@lucide/svelte/icons/plus';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { goto } from '$app/navigation';
	import { STRAND_KEYS } from '$core/answers/lightParts.ts';
	import { CELLS } from '$core/engines/light/circuit.ts';
	import { MOST_STRANDS } from '$core/facts/wear.ts';
	import { formatNumber } from '$core/units/number.ts';
	import AskField from '$lib/ui/AskField.svelte';
	import { askAnew } from '$lib/ui/askAnew.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import type { PageData } from './$types';

	let { asked }: { asked: Pick<PageData, 'typed' | 'errors' | 'strands'> } = $props();
	let form: HTMLFormElement;
	const isAlone = $derived(asked.strands.length === 1);
	const of = (i: number) => (isAlone ? '' : `, strand ${i}`);
	/** The first has plain names, and so `volts2` is of the second. */
	const end = (i: number) => (i === 1 ? '' : String(i));
	/** The page asked with one strand more, or fewer. */
	function askWith(change: (query: URLSearchParams) => void) {
		const query = new URLSearchParams(asked.typed);
		change(query);
		void goto(`?${query}`, { noScroll: true, replaceState: true });
	}
	const NEW = { volts: '2', milliamps: '20', leds: '1', strings: '1' };
	const free = $derived(
		Array.from({ length: MOST_STRANDS }, (_, k) => k + 1).find((i) => !asked.strands.includes(i))
	);
	const add = () =>
		askWith((query) => {
			for (const key of STRAND_KEYS) query.set(`${key}${free}`, NEW[key]);
		});
	const drop = (i: number) =>
		askWith((query) => {
			for (const key of STRAND_KEYS) query.delete(`${key}${i}`);
		});
</script>

<div class="no-print">
	<Sheet title="What lights it">
		<form bind:this={form} method="get" aria-label="The circuit" onchange={() => askAnew(form)}>
			<label
				>Cells
				<select name="cell" aria-invalid={asked.errors['cell'] ? 'true' : undefined}
					>{#each Object.entries(CELLS) as [key, cell] (key)}<option
							value={key}
							selected={asked.typed['cell'] === key}>{key}, {formatNumber(cell.volts, 1)} V</option
						>{/each}</select
				>
				{#if asked.errors['cell']}<span class="error" role="alert">{asked.errors['cell']}</span>{/if}</label
			>
			<AskField name="inSeries" label="Cells in a row" inputmode="decimal" {asked} />
			<AskField name="rows" label="Rows side by side" inputmode="decimal" {asked} />
			<label
				>Resistors of
				<select name="series"
					>{#each ['E12', 'E24'] as key (key)}<option selected={asked.typed['series'] === key}>{key}</option
						>{/each}</select
				></label
			>
			<AskField name="hours" label="Has to last, h" hint="not said" inputmode="decimal" {asked} />
			<AskField name="fuse" label="Fuse, mA" hint="none" inputmode="decimal" {asked} />
			<AskField name="switch" label="Switch bears, mA" hint="not said" inputmode="decimal" {asked} />
			<div class="strands">
				{#each asked.strands as i (i)}
					<fieldset>
						{#if !isAlone}<legend>Strand {i}</legend>{/if}
						<AskField name="volts{end(i)}" label="Volts of one LED" of={of(i)} inputmode="decimal" {asked} />
						<AskField
							name="milliamps{end(i)}"
							label="Current through it, mA"
							of={of(i)}
							inputmode="decimal"
							{asked}
						/>
						<AskField name="leds{end(i)}" label="LEDs in a row" of={of(i)} inputmode="decimal" {asked} />
						<AskField name="strings{end(i)}" label="Such strings" of={of(i)} inputmode="decimal" {asked} />
						{#if i > 1}
							<button
								type="button"
								class="button quiet small"
								aria-label="Without strand {i}"
								onclick={() => drop(i)}><Trash2 size={14} /></button
							>
						{/if}
					</fieldset>
				{/each}
			</div>
			<div class="acts">
				<button class="button">Work it out</button>
				{#if free}<button type="button" class="button quiet" onclick={add}
						><Plus size={14} /> Another strand</button
					>{/if}
			</div>
		</form>
		<p class="small soft hint">
			White and blue LEDs have about 3.1 V, red ones 2.0 (from memory): the data sheet says its own. What is
			typed stands in the address of this page, and is kept with it.
		</p>
	</Sheet>
</div>

<style>
	form {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
		gap: 10px 14px;
		align-items: end;
	}
	label {
		display: grid;
		gap: 2px;
		font-size: var(--s13);
	}
	.strands {
		grid-column: 1 / -1;
		display: grid;
		gap: 8px;
	}
	fieldset {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
		gap: 10px 14px;
		align-items: end;
		border: 0;
		padding: 0;
		margin: 0;
		min-width: 0;
	}
	legend {
		font-weight: 600;
		padding: 0 0 4px;
	}
	fieldset button {
		justify-self: start;
	}
	.acts {
		grid-column: 1 / -1;
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.hint {
		margin-top: 8px;
	}
	.error {
		color: var(--red-ink);
	}
</style>
