<script lang="ts">
	/** Which drops of which owned paints come to a colour. */
	import { mixable, paintOf } from '$core/answers/palette.ts';
	import { driedWords, wetLook } from '$core/answers/recipe.ts';
	import { differenceWords } from '$core/engines/colour/difference.ts';
	import { hexOf } from '$core/engines/colour/lab.ts';
	import { alike, type Mix } from '$core/engines/colour/mix.ts';
	import { differenceFigure } from '$core/explain/colour.ts';
	import type { Material } from '$core/facts/material.ts';
	import type { PaletteColour } from '$core/facts/palette.ts';
	import type { Swatch } from '$core/facts/swatch.ts';
	import type { Catalogue } from '$core/trade/catalogue.ts';
	import { formatNumber } from '$core/units/number.ts';
	import Act from '$lib/ui/Act.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { Task } from '$lib/ui/task.svelte.ts';
	import TaskBar from '$lib/ui/TaskBar.svelte';
	import Working from '$lib/ui/Working.svelte';
	import Drops from './Drops.svelte';

	interface Props {
		open: boolean;
		colour: PaletteColour;
		materials: readonly Material[];
		/** How paints dried. */
		dried: readonly Pick<Swatch, 'materialId' | 'wet' | 'dry'>[];
		trade: Catalogue;
	}
	let { open = $bindable(), colour, materials, dried, trade }: Props = $props();
	const MOST = 5;
	const paints = $derived(mixable(materials, trade));
	const same = $derived(alike(paints.map(paintOf)));
	/** Of two that are the same one is enough. */
	const used = $derived(paints.filter((p) => String(p.id) !== same?.[1]));
	let drops = $state(12);
	let together = $state<1 | 2 | 3>(3);
	const task = $derived({
		target: [...colour.lab] as [number, number, number],
		paints: used.map(paintOf),
		drops,
		together,
		most: MOST
	});
	const asked = $derived(JSON.stringify(task));
	const work = new Task<'mix'>();
	let found = $state.raw<{ of: string; mixes: Mix[] } | null>(null);
	$effect(() => {
		const of = asked;
		if (!open || used.length === 0) return;
		void work
			.start(
				() =>
					new Worker(new URL('../../../../../workers/mix.worker.ts', import.meta.url), { type: 'module' }),
				async () => ({ kind: 'mix', task: JSON.parse(of) })
			)
			.then((mixes) => mixes && (found = { of, mixes }));
		return () => work.stop();
	});
	const mixes = $derived(found?.of === asked ? found.mixes : []);
	const partsOf = (mix: Mix) => mix.parts.map((p) => ({ materialId: Number(p.paint), drops: p.drops }));
	const nameOf = (id: string | undefined) => materials.find((m) => String(m.id) === id)?.name ?? '';
</script>

<Dialog bind:open title="Mix {colour.name}" wide>
	{#if used.length === 0}
		<p class="soft">
			There is nothing to mix with: a paint of the stash that is brushed on, and of which somebody has said
			how it looks.
		</p>
	{:else}
		<div class="how">
			<label
				>Drops at most
				<select bind:value={drops}
					>{#each [4, 6, 8, 12, 16, 24] as n (n)}<option value={n}>{n}</option>{/each}</select
				></label
			>
			<label
				>Paints in one mix
				<select bind:value={together}
					>{#each [1, 2, 3] as const as n (n)}<option value={n}>{n}</option>{/each}</select
				></label
			>
			<span class="small soft">of {used.length} owned paints that are brushed on</span>
		</div>
		{#if same}<p class="small soft">
				{nameOf(same[0])} and {nameOf(same[1])} are the same colour: the first is mixed with.
			</p>{/if}
		<TaskBar task={work} going="Trying drops" />
		<ol class="plain">
			{#each mixes as mix, i (JSON.stringify(mix.parts))}
				{@const figure = differenceFigure(
					`${colour.name}, mix ${i + 1}`,
					[colour.lab, 'the palette'],
					[mix.lab, 'by its drops']
				)}
				{@const wet = wetLook(mix.lab, partsOf(mix), dried)}
				<li>
					<span class="pair"
						><i style:background={hexOf(colour.lab)}></i><i style:background={hexOf(mix.lab)}></i></span
					>
					<div>
						<Drops mix={partsOf(mix)} {materials} />
						{#if wet}<span class="small soft wet"
								><i style:background={hexOf(wet)}></i> so while it is wet, by its swatches: it {driedWords({
									wet,
									dry: mix.lab
								})}</span
							>{/if}
					</div>
					<span class="apart"
						><b class="figure"><Working {figure} text={formatNumber(mix.difference, 1)} /></b>
						<span class="small soft">{differenceWords(mix.difference)}</span></span
					>
					<Act
						command="keepMix"
						id={colour.id}
						hidden={{ mix: JSON.stringify(partsOf(mix)) }}
						label="Keep mix {i + 1}"
						onDone={() => (open = false)}>Keep</Act
					>
				</li>
			{/each}
		</ol>
		<p class="small soft">
			What a model of pigments expects of paints that cover, by their colour alone. Paints differ in strength,
			and most dry darker: mix a little, dry it on a scrap, hold it against the picture.
		</p>
	{/if}
</Dialog>

<style>
	.how {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 18px;
		align-items: center;
		margin-bottom: 8px;
	}
	li {
		display: grid;
		grid-template-columns: 92px 1fr auto auto;
		gap: 6px 14px;
		align-items: center;
		padding: 8px 0;
		border-top: 1px solid var(--rule);
	}
	.wet {
		display: flex;
		gap: 6px;
		align-items: center;
	}
	.wet i {
		width: 22px;
		height: 14px;
		flex: none;
	}
	.pair {
		display: flex;
		height: 48px;
	}
	.pair i {
		flex: 1;
	}
	.apart {
		display: grid;
		justify-items: end;
	}
	@media (max-width: 600px) {
		li {
			grid-template-columns: 64px 1fr auto;
		}
		li > :global(form) {
			grid-column: 2 / -1;
		}
	}
</style>
