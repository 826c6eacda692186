<script lang="ts">
	/** LEDs on cells: which resistor, how long it lasts, what is over a limit, and how it is wired. */
	import Printer from '@lucide/svelte/icons/printer';
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
	import Fact from '$lib/ui/Fact.svelte';
	import Facts from '$lib/ui/Facts.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Table from '$lib/ui/Table.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import { problemWords } from './lightWords.ts';
	import AskLight from './AskLight.svelte';
	import KeepLight from './KeepLight.svelte';
	import KeptLights from './KeptLights.svelte';
	import Wiring from './Wiring.svelte';

	let { data }: { data: PageData } = $props();
	const found = $derived(data.found);
	const n = (value: number, digits = 1) => formatNumber(value, digits);
	const isAlone = $derived(data.strands.length === 1);
	const lights = $derived(found?.answer.strands.every((s) => s.ohm !== null) ?? false);
</script>

<svelte:head><title>Light · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<AskLight asked={data} />

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
	h3 {
		margin-top: 12px;
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
