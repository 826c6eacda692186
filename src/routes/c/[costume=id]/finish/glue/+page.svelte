<script lang="ts">
	/** Which glue for two surfaces, and why. */
	import pluralize from 'pluralize';
	import { glueCostFigure, glueFigure } from '$core/explain/glue.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { BOND_SIDES, LOAD_WORDS, LOADS } from '$core/trade/bond.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { capital } from '$core/units/names.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { formatMoney } from '$core/units/money.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import Fact from '$lib/ui/Fact.svelte';
	import { sideWords } from '$lib/ui/handbook/tables.ts';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { askAnew } from '$lib/ui/askAnew.ts';
	import Avoided from '../Avoided.svelte';
	import Ranked from '../Ranked.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const { joint, advice } = $derived(data);
	let form: HTMLFormElement;
	const cautions = $derived([...new Set(advice?.choices.flatMap((c) => c.glue.cautions) ?? [])]);
	const HOLDS = ['', 'lightly', 'middling', 'strongly'];
</script>

<svelte:head><title>Glue · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Which glue">
	<form bind:this={form} method="get" aria-label="What is glued" onchange={() => askAnew(form)}>
		<label class="of"
			>Joint
			<select name="of" aria-invalid={data.errors['of'] ? 'true' : undefined}>
				<option value="">two sides, chosen below</option>
				{#each [...new Set(data.joins.map((j) => j.of))] as of (of)}<optgroup label={of}
						>{#each data.joins.filter((j) => j.of === of) as { key, name } (key)}<option
								value={key}
								selected={data.join?.key === key}>{name}</option
							>{/each}</optgroup
					>{/each}
			</select>
			{#if data.errors['of']}<span class="error" role="alert">{data.errors['of']}</span>{/if}</label
		>
		<input type="hidden" name="was" value={data.join?.key ?? ''} />
		<div class="joint">
			{#each ['a', 'b'] as const as name (name)}
				{#if data.join}<span class="side" data-surface={joint[name]}
						><b>{capital(sideWords(joint[name]))}</b></span
					>{:else}<label class="side" data-surface={joint[name]}
						><span class="visually-hidden">{name === 'a' ? 'One side' : 'The other side'}</span>
						<select {name}
							>{#each BOND_SIDES as side (side)}<option value={side} selected={joint[name] === side}
									>{sideWords(side)}</option
								>{/each}</select
						></label
					>{/if}
			{/each}
		</div>
		<fieldset>
			<legend>What it has to bear</legend>
			{#each LOADS as load (load)}<label
					><input type="checkbox" name="load" value={load} checked={joint.loads.includes(load)} />
					{LOAD_WORDS[load]}</label
				>{/each}
		</fieldset>
		<div class="sizes">
			{#each [['seam', 'Length of the seam', '1.2 m'], ['face', 'Or its faces', '0.05 m2'], ['gap', 'Widest gap', '1 mm']] as const as [name, label, hint] (name)}
				<label
					>{label}
					<input
						{name}
						defaultValue={data.typed[name]}
						placeholder={name === 'seam' && data.join?.seamMm
							? formatLength(data.join.seamMm, data.workshop.settings.lengthUnit)
							: hint}
						autocomplete="off"
					/>
					{#if data.errors[name]}<span class="error" role="alert">{data.errors[name]}</span>{/if}</label
				>
			{/each}
			<button class="button">Advise</button>
		</div>
	</form>
</Sheet>

{#if !advice}
	<Sheet>
		<p class="soft">
			Nobody has said what holds {sideWords(joint.a)} to {sideWords(joint.b)}. Add the pair under
			<a href="/stash/handbook?table=bond">Handbook → Pairs</a>, and try on a scrap.
		</p>
	</Sheet>
{:else}
	<Sheet title={capital(advice.bond.name)}>
		{#if advice.bond.rather}<p class="rather"><b>{advice.bond.rather}</b></p>{/if}
		{#if advice.bond.prepare && !advice.bond.steps.length}<p>{advice.bond.prepare}</p>{/if}
		{#if advice.bond.steps.length}
			<Form command="prepareJoint" hidden={{ bond: advice.key }} label="Prepare for glue">
				<div class="prepare">
					<p>
						{advice.bond.prepare}
						<span class="small soft">As steps: {advice.bond.steps.map((s) => s.name).join(', ')}.</span>
					</p>
					<Field
						name="componentId"
						label="Planned for"
						options={data.record.components.map((c) => ({ value: c.id, label: `${c.code} ${c.name}` }))}
						value={data.join?.component.id ?? data.record.components[0]?.id ?? ''}
					/>
					<button class="button small">Add {pluralize('step', advice.bond.steps.length, true)}</button>
				</div>
			</Form>
		{/if}
		<ol class="plain">
			{#each advice.choices as choice, i (choice.key)}
				{@const { glue } = choice}
				<Ranked place={i + 1} name={glue.name} pros={choice.pros} cons={choice.cons}>
					{#if choice.ml !== null}
						{@const figure = glueFigure(
							choice,
							joint,
							data.typed.seam ? 'entered' : 'its steps that are glued'
						)}
						<Fact name="for this joint" figure={false}
							><Working {figure} text="{formatNumber(valueOf(figure), 1)} ml" /></Fact
						>
					{/if}
					{#if choice.cost}
						{@const figure = glueCostFigure(choice.cost, choice.ml!)}
						<Fact name="costs" figure={false}
							><Working {figure} text={formatMoney(choice.cost.minor, choice.cost.material.currency)} /></Fact
						>
					{/if}
					{#if glue.strength !== null}<Fact name="holds">{HOLDS[glue.strength]}</Fact>{/if}
					{#if glue.tackMinutes}<Fact name="left open for">{formatWait(glue.tackMinutes)}</Fact>{/if}
					{#if glue.openMinutes !== null}<Fact name="pressed within">{formatWait(glue.openMinutes)}</Fact
						>{/if}
					{#if glue.fullMinutes !== null}<Fact name="full strength after">{formatWait(glue.fullMinutes)}</Fact
						>{/if}

					<Fact name="from" figure={false}>{glue.source}</Fact>
				</Ranked>
			{/each}
		</ol>
		{#each advice.avoid as { glue, why } (glue.name)}
			<Avoided name={glue.name} why="{why}." />
		{/each}
		<p class="small soft">
			{capital(advice.bond.source)}; <a href="/stash/handbook?table=bond">pairs</a>,
			<a href="/stash/handbook?table=glue">glues</a> and
			<a href="/stash/handbook?table=glueRule">what a glue bears</a> are rows of the handbook. Try a new pair on
			a scrap.
		</p>
	</Sheet>
	<Caution keys={cautions} />
{/if}

<style>
	form {
		display: grid;
		gap: 14px;
	}
	/* Two faces and the seam between them. */
	.joint {
		display: grid;
		grid-template-columns: 1fr 1fr;
	}
	.side {
		padding: 26px 16px;
		border: 1px solid var(--ink-soft);
	}
	.side + .side {
		border-left: 5px solid var(--brass);
	}
	.side b {
		padding: 2px 8px;
		background: var(--sheet);
	}
	.side select {
		width: 100%;
		font-weight: 600;
	}
	.of {
		display: grid;
		gap: 2px;
		max-width: 420px;
		font-size: var(--s13);
		font-weight: 600;
		color: var(--ink-soft);
	}
	.prepare {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 16px;
		align-items: end;
	}
	.prepare p {
		flex: 1 1 300px;
		padding-bottom: 8px;
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 18px;
		border: 0;
		padding: 0;
		margin: 0;
	}
	legend {
		padding: 0;
		width: 100%;
		font-size: var(--s13);
		color: var(--ink-soft);
		font-weight: 600;
	}
	.sizes {
		display: flex;
		flex-wrap: wrap;
		gap: 10px 14px;
		align-items: end;
	}
	.sizes label {
		display: grid;
		gap: 2px;
		font-size: var(--s13);
		font-weight: 600;
		color: var(--ink-soft);
	}
	.error {
		color: var(--red-ink);
	}
	.rather {
		margin-bottom: 4px;
	}
	ol {
		margin-top: 10px;
	}
</style>
