<script lang="ts">
	/** LEDs on cells: which resistor, how long it lasts, what is over a limit, and how it is wired. */
	import Printer from '@lucide/svelte/icons/printer';
	import { CELLS } from '$core/engines/light/circuit.ts';
	import {
		heatFigure,
		hoursFigure,
		ledCurrentFigure,
		resistorFigure,
		warmerFigure
	} from '$core/explain/light.ts';
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
	const strand = $derived(found?.answer.strands[0]);
	const n = (value: number, digits = 1) => formatNumber(value, digits);
	let form: HTMLFormElement;
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
			<AskField name="volts" label="Volts of one LED" inputmode="decimal" asked={data} />
			<AskField name="milliamps" label="Current through it, mA" inputmode="decimal" asked={data} />
			<AskField name="leds" label="LEDs in a row" inputmode="decimal" asked={data} />
			<AskField name="strings" label="Such strings" inputmode="decimal" asked={data} />
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
			<button class="button">Work it out</button>
		</form>
		<p class="small soft hint">
			White and blue LEDs have about 3.1 V, red ones 2.0 (from memory): the data sheet says its own. What is
			typed stands in the address of this page, and is kept with it.
		</p>
	</Sheet>
</div>

{#if found && strand}
	{@const { circuit, answer } = found}
	<Sheet title="Light of {data.record.costume.name}">
		{#snippet tools()}<button class="button small" onclick={() => print()}><Printer size={14} /> Print</button
			>{/snippet}
		{#if strand.ohm === null}
			<p class="answer bad">It does not light.</p>
		{:else}
			<p class="answer" class:bad={answer.problems.length > 0}>
				{n(strand.ohm, 0)} Ω, lasts {n(answer.hours ?? 0, 0)} h
			</p>
		{/if}
		{#each answer.problems as problem (problem.what)}
			<p class="problem">{problemWords(problem)}</p>
		{/each}
		{#if strand.ohm !== null}
			{@const current = ledCurrentFigure(circuit, strand.ohm)}
			<Facts>
				<Fact name="by Ohm’s law" figure={false}
					><Working figure={resistorFigure(circuit)} text="{n(strand.exactOhm ?? 0)} Ω" /></Fact
				>
				<Fact name="through each string" figure={false}
					><Working figure={ledCurrentFigure(circuit, strand.ohm, 1)} text="{n(strand.milliamps)} mA" /></Fact
				>
				<Fact name="all of it" figure={false}
					><Working figure={current} text="{n(answer.milliamps)} mA" /></Fact
				>
				<Fact name="lasts" figure={false}
					><Working figure={hoursFigure(circuit, answer.milliamps)} text="{n(answer.hours ?? 0)} h" /></Fact
				>
				<Fact name="heat of each resistor" figure={false}
					><Working
						figure={heatFigure(circuit, strand.ohm)}
						text="{n(1000 * strand.resistorWatts, 0)} mW"
					/></Fact
				>
				<Fact name="warmer than round it" figure={false}
					><Working figure={warmerFigure(strand)} text="{n(strand.warmer, 0)} K" /></Fact
				>
			</Facts>
			<Wiring {circuit} ohm={strand.ohm} cell={found.kept.cell} />
			<Table>
				{#snippet heads()}<th>Part</th><th>How many</th><th>What it has to be</th>{/snippet}
				{#each found.parts as part (part.name)}
					<tr><td>{part.name}</td><td class="mono">{part.count}</td><td>{part.is}</td></tr>
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
