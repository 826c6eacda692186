<script lang="ts">
	/** LEDs on cells: which resistor, how long it lasts, what is over a limit, and how it is wired. */
	import Plus from '@lucide/svelte/icons/plus';
	import Printer from '@lucide/svelte/icons/printer';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { goto } from '$app/navigation';
	import { CELLS } from '$core/engines/light/circuit.ts';
	import {
		heatFigure,
		hoursFigure,
		ledCurrentFigure,
		resistorFigure,
		stringCurrentFigure,
		warmerFigure
	} from '$core/explain/light.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import AskField from '$lib/ui/AskField.svelte';
	import Fact from '$lib/ui/Fact.svelte';
	import Facts from '$lib/ui/Facts.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Table from '$lib/ui/Table.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { askAnew } from '$lib/ui/askAnew.ts';
	import type { PageData } from './$types';
	import { problemWords } from './lightWords.ts';
	import KeepLight from './KeepLight.svelte';
	import KeptLights from './KeptLights.svelte';
	import Wiring from './Wiring.svelte';

	let { data }: { data: PageData } = $props();
	const found = $derived(data.found);
	const n = (value: number, digits = 1) => formatNumber(value, digits);
	let form: HTMLFormElement;
	/** The first has plain names, and so `volts2` is of the second. */
	const strands = $derived(data.strands);
	const isAlone = $derived(strands.length === 1);
	const of = (i: number) => (isAlone ? '' : `, strand ${i}`);
	const end = (i: number) => (i === 1 ? '' : String(i));
	/** The page asked with one strand more, or fewer. */
	function askWith(change: (query: URLSearchParams) => void) {
		const query = new URLSearchParams(data.typed);
		change(query);
		void goto(`?${query}`, { noScroll: true, replaceState: true });
	}
	const NEW = { volts: '2', milliamps: '20', leds: '1', strings: '1' };
	const KEYS = Object.keys(NEW) as (keyof typeof NEW)[];
	const free = $derived([2, 3, 4, 5, 6].find((i) => !strands.includes(i)));
	const add = () =>
		askWith((query) => {
			for (const key of KEYS) query.set(`${key}${free}`, NEW[key]);
		});
	const drop = (i: number) =>
		askWith((query) => {
			for (const key of KEYS) query.delete(`${key}${i}`);
		});
	const lights = $derived(found?.answer.strands.every((s) => s.ohm !== null) ?? false);
</script>

<svelte:head><title>Light · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<div class="no-print">
	<Sheet title="What lights it">
		<form bind:this={form} method="get" aria-label="The circuit" onchange={() => askAnew(form)}>
			<label
				>Cells
				<select name="cell" aria-invalid={data.errors['cell'] ? 'true' : undefined}
					>{#each Object.entries(CELLS) as [key, cell] (key)}<option
							value={key}
							selected={data.typed['cell'] === key}>{key}, {n(cell.volts)} V</option
						>{/each}</select
				>
				{#if data.errors['cell']}<span class="error" role="alert">{data.errors['cell']}</span>{/if}</label
			>
			<AskField name="inSeries" label="Cells in a row" inputmode="decimal" asked={data} />
			<AskField name="rows" label="Rows side by side" inputmode="decimal" asked={data} />
			<label
				>Resistors of
				<select name="series"
					>{#each ['E12', 'E24'] as key (key)}<option selected={data.typed['series'] === key}>{key}</option
						>{/each}</select
				></label
			>
			<AskField name="hours" label="Has to last, h" hint="not said" inputmode="decimal" asked={data} />
			<AskField name="fuse" label="Fuse, mA" hint="none" inputmode="decimal" asked={data} />
			<AskField name="switch" label="Switch bears, mA" hint="not said" inputmode="decimal" asked={data} />
			<div class="strands">
				{#each strands as i (i)}
					<fieldset>
						{#if !isAlone}<legend>Strand {i}</legend>{/if}
						<AskField
							name="volts{end(i)}"
							label="Volts of one LED"
							of={of(i)}
							inputmode="decimal"
							asked={data}
						/>
						<AskField
							name="milliamps{end(i)}"
							label="Current through it, mA"
							of={of(i)}
							inputmode="decimal"
							asked={data}
						/>
						<AskField name="leds{end(i)}" label="LEDs in a row" of={of(i)} inputmode="decimal" asked={data} />
						<AskField
							name="strings{end(i)}"
							label="Such strings"
							of={of(i)}
							inputmode="decimal"
							asked={data}
						/>
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

{#if found}
	{@const { circuit, answer } = found}
	<Sheet title="Light of {data.record.costume.name}">
		{#snippet tools()}<button class="button small" onclick={() => print()}><Printer size={14} /> Print</button
			>{/snippet}
		{#if !lights}
			<p class="answer bad">It does not light.</p>
		{:else}
			<p class="answer" class:bad={answer.problems.length > 0}>
				{answer.strands.map((s) => `${n(s.ohm ?? 0, 0)} Ω`).join(' and ')}, lasts {n(answer.hours ?? 0, 0)} h
			</p>
		{/if}
		{#each answer.problems as problem, i (i)}
			<p class="problem">{problemWords(problem, isAlone)}</p>
		{/each}
		{#if lights}
			<Facts>
				<Fact name="all of it" figure={false}
					><Working
						figure={ledCurrentFigure(circuit, answer.strands)}
						text="{n(answer.milliamps)} mA"
					/></Fact
				>
				<Fact name="lasts" figure={false}
					><Working figure={hoursFigure(circuit, answer.milliamps)} text="{n(answer.hours ?? 0)} h" /></Fact
				>
			</Facts>
			{#each answer.strands as strand, i (strand.id)}
				{@const ohm = strand.ohm ?? 0}
				{#if !isAlone}<h3>{capital(strand.id)}</h3>{/if}
				<Facts>
					<Fact name="by Ohm’s law" figure={false}
						><Working figure={resistorFigure(circuit, i)} text="{n(strand.exactOhm ?? 0)} Ω" /></Fact
					>
					<Fact name="through each string" figure={false}
						><Working figure={stringCurrentFigure(circuit, ohm, i)} text="{n(strand.milliamps)} mA" /></Fact
					>
					<Fact name="heat of each resistor" figure={false}
						><Working
							figure={heatFigure(circuit, ohm, i)}
							text="{n(1000 * strand.resistorWatts, 0)} mW"
						/></Fact
					>
					<Fact name="warmer than round it" figure={false}
						><Working figure={warmerFigure(strand, circuit, i)} text="{n(strand.warmer, 0)} K" /></Fact
					>
				</Facts>
			{/each}
			<Wiring {circuit} {answer} cell={found.kept.cell} />
			<Table>
				{#snippet heads()}<th>Part</th><th>How many</th><th>What it has to be</th>{/snippet}
				{#each found.parts as part (part.material)}
					<tr><td>{part.material}</td><td class="mono">{part.count}</td><td>{part.is}</td></tr>
				{/each}
			</Table>
			<KeepLight typed={data.typed} components={data.record.components} wearings={data.wear.wearings} />
		{/if}
	</Sheet>
{/if}
<KeptLights components={data.record.components} wearings={data.wear.wearings} />
<Caution keys={['electric']} />

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
	h3 {
		margin-top: 12px;
	}
	.hint {
		margin-top: 8px;
	}
	.error {
		color: var(--red-ink);
	}
	.answer {
		font: 600 var(--s36) / 1.1 var(--head);
		color: var(--good-ink);
		margin-bottom: 8px;
	}
	.answer.bad {
		color: var(--red-ink);
	}
	.problem {
		background: var(--yellow-wash);
		padding: 6px 10px;
		margin-bottom: 8px;
	}
	.mono {
		font-family: var(--mono);
	}
</style>
