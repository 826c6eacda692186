<script lang="ts">
	import { riskOf, type WayOutcome } from '$core/answers/makeOrBuy.ts';
	import { formatDuration } from '$core/units/duration.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import { typedMoney } from '$core/units/money.ts';
	import { wayHoursFigure, wayMoneyFigure } from '$core/explain/makeOrBuy.ts';
	import { lookViews } from '$lib/lookViews.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import Tick from '$lib/ui/Tick.svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { PageData } from './$types';
	import Submit from '$lib/ui/Submit.svelte';
	import Table from '$lib/ui/Table.svelte';

	let { data }: { data: PageData } = $props();
	const component = $derived(data.record.components.find((c) => c.id === data.componentId)!);
	const base = $derived(`/c/${data.record.costume.id}`);
	const currency = $derived(data.record.costume.currency);
	const typed = (name: keyof typeof data.offers) =>
		data.typed?.[name] ??
		(name.endsWith('Minor') ? typedMoney(data.offers[name], currency) : String(data.offers[name]));
	const used = $derived(component.source === 'have' ? 'make' : component.source);
	let source = $derived<string>(used);
	const WORDS = { make: 'Make it', buy: 'Buy it ready', alter: 'Buy and alter' };
	const FIELDS = [
		['buyPriceMinor', 'Price, ready made', currencySuffix],
		['buyLeadDays', 'Days until it comes', () => 'days'],
		['alterPriceMinor', 'Price of what is altered', currencySuffix],
		['alterLeadDays', 'Days until it comes', () => 'days']
	] as const;
	function currencySuffix() {
		return currency;
	}
	const unpriced = ({ way }: WayOutcome) =>
		way !== 'make' && way !== used && !data.offers[`${way}PriceMinor`];
	const freed = (w: WayOutcome) =>
		w.freedMinutes === 0
			? 'nothing'
			: w.freedMinutes > 0
				? `${formatDuration(w.freedMinutes)} of hands-on work`
				: `takes ${formatDuration(-w.freedMinutes)} more`;
</script>

<svelte:head><title>Make, buy or alter {component.name} · Dapper Ledger</title></svelte:head>

<Views label="Look" views={lookViews(base)} />
<Sheet title="Make, buy or alter?">
	{#snippet tools()}<Tag {component} href="{base}/look/{component.id}" />{/snippet}
	<form method="get" class="offers" aria-label="Offers" data-sveltekit-noscroll data-sveltekit-keepfocus>
		{#each FIELDS as [name, label, suffix], i (name)}
			<label class="small"
				>{label}{i < 2 ? ' (buy)' : ' (alter)'}
				<span class="row"
					><input
						{name}
						value={typed(name)}
						inputmode="decimal"
						aria-invalid={data.errors[name] ? 'true' : undefined}
					/>{suffix()}</span
				>
				{#if data.errors[name]}<span class="error">{data.errors[name]}</span>{/if}
			</label>
		{/each}
		<button class="button small">Work it out</button>
	</form>
	<Table>
		{#snippet heads()}<th></th>{#each data.ways as w (w.way)}<th class:used={w.way === used}
					>{WORDS[w.way]}{w.way === used ? ' (now)' : ''}</th
				>{/each}{/snippet}
		<tr
			><th scope="row">How</th>{#each data.ways as w (w.way)}<td class:used={w.way === used}>{w.route}</td
				>{/each}</tr
		>
		<tr
			><th scope="row">Hours still to do</th>{#each data.ways as w (w.way)}<td class:used={w.way === used}
					><b><Working figure={wayHoursFigure(w)} /></b>
					<span class="small soft">{formatDuration(w.handsOn[0])} to {formatDuration(w.handsOn[2])}</span></td
				>{/each}</tr
		>
		<tr
			><th scope="row">Money for it</th>{#each data.ways as w (w.way)}<td class:used={w.way === used}
					><b><Working figure={wayMoneyFigure(w, currency)} /></b>
					{#if unpriced(w)}<span class="small soft">no price entered above</span>{/if}</td
				>{/each}</tr
		>
		<tr
			><th scope="row">Ready at the earliest</th>{#each data.ways as w (w.way)}<td class:used={w.way === used}
					><b
						>{w.ready === null
							? w.handsOn[1] === 0
								? 'it is ready'
								: 'cannot be placed'
							: timeWords(w.ready)}</b
					>
					{#if w.parcel}<span class="small soft">after its parcel</span>{/if}</td
				>{/each}</tr
		>
		<tr
			><th scope="row">Costume ready</th>{#each data.ways as w (w.way)}<td class:used={w.way === used}
					>{w.finish === null ? '–' : timeWords(w.finish)}</td
				>{/each}</tr
		>
		<tr
			><th scope="row">Frees</th>{#each data.ways as w (w.way)}<td class:used={w.way === used}>{freed(w)}</td
				>{/each}</tr
		>
		<tr
			><th scope="row">Risk</th>{#each data.ways as w (w.way)}{@const r = riskOf(w, data.plan.deadline)}<td
					class:used={w.way === used}><b class="risk {r.risk}">{r.risk}</b>: {r.why}</td
				>{/each}</tr
		>
	</Table>
	<p class="small soft">
		Each way is planned as if it were chosen, on the same hours and with all other components. Money is what
		the whole costume costs more with it, whole packs and stash counted.
	</p>
</Sheet>
<Sheet title="Choose">
	<Form
		command="chooseWay"
		id={component.id}
		label="Choose"
		hidden={Object.fromEntries(FIELDS.map(([name]) => [name, typed(name)]))}
	>
		<div class="fields">
			<Field
				name="source"
				label="Way"
				options={data.ways.map((w) => ({ value: w.way, label: WORDS[w.way] }))}
				bind:value={source}
			/>
			<Field name="reason" label="Because" value="" hint="kept with the component, for the next one" />
			{#if source !== used}
				<Tick
					name="layOut"
					label="Put its steps and its purchase in place of the open ones (what is begun or done stays)"
					checked
				/>
			{/if}
		</div>
		<Submit>Record the choice</Submit>
	</Form>
	{#if data.decisions.length}
		<ul class="kept">
			{#each data.decisions as d (d.id)}
				<li>
					<b>{WORDS[d.source]}</b>{d.reason ? `, because ${d.reason}` : ''}
					<span class="small soft">{timeWords(d.decidedAt)}</span>
				</li>
			{/each}
		</ul>
	{/if}
</Sheet>

<style>
	.offers {
		display: grid;
		grid-template-columns: repeat(4, minmax(120px, 1fr)) auto;
		gap: 12px;
		align-items: end;
		margin-bottom: 16px;
	}
	.offers label {
		font-weight: 600;
		color: var(--ink-soft);
	}
	.offers input {
		width: 6em;
	}
	.error {
		color: var(--red-ink);
	}
	td.used,
	th.used {
		background: var(--sheet-shade);
	}
	.risk.low {
		color: var(--good-ink);
	}
	.risk.some {
		color: var(--yellow-ink);
	}
	.risk.high {
		color: var(--red-ink);
	}
	.kept {
		margin: 0;
		padding-left: 18px;
	}
	@media (max-width: 900px) {
		.offers {
			grid-template-columns: 1fr 1fr;
		}
	}
</style>
