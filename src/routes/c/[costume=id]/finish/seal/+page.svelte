<script lang="ts">
	/** Which sealer for a surface, and why. */
	import { sealCostFigure, sealFigure, sealGramsFigure, sealMinutesFigure } from '$core/explain/glue.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { SURFACE_KEYS } from '$core/facts/component.ts';
	import { SURFACES } from '$core/trade/surface.ts';
	import { formatWait } from '$core/units/duration.ts';
	import { formatArea } from '$core/units/measure.ts';
	import { formatMoney } from '$core/units/money.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Caution from '$lib/ui/Caution.svelte';
	import Fact from '$lib/ui/Fact.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { askAnew } from '$lib/ui/askAnew.ts';
	import Avoided from '../Avoided.svelte';
	import Ranked from '../Ranked.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const { face, advice } = $derived(data);
	let form: HTMLFormElement;
</script>

<svelte:head><title>Seal · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Which sealer">
	<form bind:this={form} method="get" aria-label="What is sealed" onchange={() => askAnew(form)}>
		<label
			>Surface
			<select name="surface"
				>{#each SURFACE_KEYS as key (key)}<option value={key} selected={face.surface === key}
						>{SURFACES[key].name}</option
					>{/each}</select
			></label
		>
		<label
			>Outside area
			<input
				name="area"
				defaultValue={data.typed}
				placeholder={formatArea(face.areaMm2, data.workshop.settings.lengthUnit)}
				autocomplete="off"
			/>
			{#if data.error}<span class="error" role="alert">{data.error}</span>{/if}</label
		>
		<label class="tick"><input type="checkbox" name="bends" defaultChecked={face.bends} /> It bends</label>
		<button class="button">Advise</button>
	</form>
</Sheet>

<Sheet title="On {SURFACES[face.surface!].name}">
	<ol class="plain">
		{#each advice.choices as choice, i (choice.key)}
			<Ranked place={i + 1} name={choice.product.name} pros={choice.pros} cons={choice.cons}>
				<Fact name="coats">{choice.coats}</Fact>
				<Fact name="until handled" figure={false}
					><Working figure={sealMinutesFigure(choice)} text={formatWait(choice.minutes)} /></Fact
				>
				{#if choice.ml !== null}
					{@const figure = sealFigure(choice, face)}
					<Fact name="takes" figure={false}
						><Working {figure} text="{formatNumber(valueOf(figure), 0)} ml" /></Fact
					>
				{/if}
				{#if choice.costMinor !== null}<Fact name="of {choice.material!.name}" figure={false}
						><Working
							figure={sealCostFigure(choice.units, choice.material!)}
							text={formatMoney(choice.costMinor, choice.material!.currency)}
						/></Fact
					>{/if}
				{#if choice.grams !== null}
					{@const figure = sealGramsFigure(choice)}
					<Fact name="weighs, dry" figure={false}
						><Working {figure} text="{formatNumber(valueOf(figure), 0)} g" /></Fact
					>
				{/if}
			</Ranked>
		{/each}
	</ol>
	{#each advice.avoid as { product, why } (product.name)}
		<Avoided name={product.name} {why} />
	{/each}
	<p class="small soft">
		Sealers and what spoils are rows of the <a href="/stash/handbook?table=coatProduct">handbook</a>; the
		label decides. Put one on under Coats.
	</p>
</Sheet>
<Caution keys={['solvent']} />

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 10px 14px;
		align-items: end;
	}
	label:not(.tick) {
		display: grid;
		gap: 2px;
		font-size: var(--s13);
		font-weight: 600;
		color: var(--ink-soft);
	}
	.tick {
		padding: 8px 0;
	}
	.error {
		color: var(--red-ink);
	}
</style>
