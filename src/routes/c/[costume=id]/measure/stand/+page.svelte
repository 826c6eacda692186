<script lang="ts">
	/** The wearer as a form in three dimensions: what it is measured at, what is guessed, what to measure next. */
	import Download from '@lucide/svelte/icons/download';
	import Ruler from '@lucide/svelte/icons/ruler';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { definitionOf } from '$core/facts/bodyMeasure.ts';
	import { fittedOf, wearersOf } from '$core/facts/measureRecord.ts';
	import { levelsOf, measuredOver, shapesOf, worthMeasuring } from '$core/answers/stand.ts';
	import { standOf } from '$core/engines/stand/form.ts';
	import { layersWorn } from '$core/answers/standLayers.ts';
	import { sceneOf } from '$core/answers/standScene.ts';
	import { formatLength } from '$core/units/measure.ts';
	import Desk from '$lib/ui/Desk.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import Submit from '$lib/ui/Submit.svelte';
	import { formatNumber } from '$core/units/number.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import StandScene from '$lib/ui/stand/StandScene.svelte';
	import StandOutlines from '$lib/ui/stand/StandOutlines.svelte';
	import StandSection from '$lib/ui/stand/StandSection.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/measure`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);
	const asked = $derived(page.url.searchParams);
	const wearers = $derived(
		[...wearersOf(data.fit), ...data.fit.wearers].filter((w, i, all) => all.indexOf(w) === i)
	);
	const wearer = $derived(
		wearers.find((w) => String(w.id) === asked.get('wearer')) ?? fittedOf(data.fit)[0] ?? wearers[0]
	);
	const beside = $derived(wearers.find((w) => String(w.id) === asked.get('beside') && w !== wearer));
	const layers = $derived(layersWorn(data.record.components));
	const upTo = $derived(layers.find((l) => String(l.layer) === asked.get('over'))?.layer ?? 0);

	const measured = $derived(wearer ? measuredOver(wearer, data.record.components, upTo) : () => null);
	const stand = $derived(standOf(measured, shapesOf(wearer)));
	const other = $derived(
		beside ? standOf(measuredOver(beside, data.record.components, upTo), shapesOf(beside)) : null
	);
	const levels = $derived(levelsOf(stand));
	let chosen = $state('');
	const level = $derived(
		levels.find((l) => l.key === chosen) ?? levels.find((l) => l.measure === 'chestGirth') ?? levels[0]!
	);
	const saidRatio = $derived(wearer?.sections[`${level.name} ${level.side}`]);
	const scene = $derived(sceneOf(stand, other, level));
	const worth = $derived(worthMeasuring(measured, shapesOf(wearer)).slice(0, 6));
	const guessed = $derived(levels.filter((l) => l.measure !== null && l.guessed).length);
	const counted = $derived(levels.filter((l) => l.measure !== null).length);
	const besideLevel = $derived(other && levelsOf(other).find((l) => l.key === level.key));

	/** What is asked stands in the address. */
	function ask(name: string, value: string) {
		const query = new URLSearchParams(asked);
		if (value) query.set(name, value);
		else query.delete(name);
		void goto(`?${query}`, { replaceState: true, noScroll: true, keepFocus: true });
	}
	const sideWords = { none: '', left: ', left', right: ', right' };
</script>

<svelte:head><title>Stand · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Desk sides="minmax(320px, 7fr) 5fr">
	<div class="stack">
		<StandScene
			meshes={scene.meshes}
			lines={scene.lines}
			label="The form of {wearer?.name ?? 'somebody of middle build'}{beside ? ` beside ${beside.name}` : ''}"
		>
			{#snippet outlines()}<StandOutlines {stand} />{/snippet}
		</StandScene>
		<p class="onmat small">
			<span class="swatch" aria-hidden="true"></span> Chalk strokes: in proportion to what was measured. {counted -
				guessed} of {counted} girths are measured.
		</p>
	</div>
	<div class="stack">
		<Sheet title="{level.name}{sideWords[level.side]}">
			<StandSection {level} beside={besideLevel ?? null} {length} />
			<label class="levels"
				>Level
				<select value={level.key} onchange={(event) => (chosen = event.currentTarget.value)}>
					{#each levels as l (l.key)}<option value={l.key}
							>{l.name}{sideWords[l.side]}: {length(l.girth)}{l.guessed ? ', guessed' : ''}</option
						>{/each}
				</select></label
			>
			{#if wearer}
				{#key level.key}
					<Form
						command="shapeSection"
						label="Form of the section"
						hidden={{ wearerId: wearer.id, section: `${level.name} ${level.side}` }}
					>
						<div class="ratio">
							<Field
								name="breadthToDepth"
								label="Times as wide as deep"
								value={saidRatio === undefined ? '' : formatNumber(saidRatio, 2)}
								inputmode="decimal"
								hint={saidRatio === undefined
									? `as usual: ${formatNumber(level.wide / level.deep, 2)}`
									: 'empty: as usual'}
							/>
							<Submit>Keep the form</Submit>
						</div>
					</Form>
				{/key}
			{/if}
		</Sheet>
		{#if stand.contradictions.length}
			<Sheet title="These do not go together">
				{#each stand.contradictions as c (c.measure)}
					<p class="warn small">
						{definitionOf(c.measure).name}: with the others the form can only have it as {length(c.taken)}.
						Measure it again.
					</p>
				{/each}
			</Sheet>
		{/if}
		<Sheet title="Worth measuring next">
			{#if worth.length}
				<ol class="plain worth">
					{#each worth as w (w.measure)}
						<li>
							<a href="{base}/take?wearer={wearer?.id ?? ''}">{definitionOf(w.measure).name}</a>
							<span class="soft small">now {length(w.taken)}</span>
							<b class="by">± {length(w.moves)}</b>
						</li>
					{/each}
				</ol>
				<p class="small soft">How far the form moves where people of one build differ as they usually do.</p>
			{:else}<p class="soft">Everything that the form goes by is measured.</p>{/if}
			{#if wearer}<p class="row end">
					<a class="button small" href="{base}/take?wearer={wearer.id}"><Ruler size={16} /> Take measures</a>
				</p>{/if}
		</Sheet>
		<Sheet title="Shown">
			<div class="fields">
				{#if wearers.length > 1}
					<Field
						name="wearer"
						label="Wearer"
						options={wearers.map((w) => ({ value: w.id, label: w.name }))}
						bind:value={() => wearer?.id ?? '', (v) => ask('wearer', String(v))}
					/>
					<Field
						name="beside"
						label="Beside"
						none="nobody"
						options={wearers.filter((w) => w !== wearer).map((w) => ({ value: w.id, label: w.name }))}
						bind:value={() => beside?.id ?? '', (v) => ask('beside', String(v))}
					/>
				{/if}
				<Field
					name="over"
					label="Over"
					none="the body alone"
					options={layers.map((l) => ({ value: l.layer, label: l.words }))}
					bind:value={() => upTo || '', (v) => ask('over', String(v))}
				/>
			</div>
			<p class="row files">
				{#if wearer}<a class="button small" href="{base}/stand/scan?wearer={wearer.id}">From a scan</a>{/if}
				{#each ['stl', 'obj'] as format (format)}
					<a class="button small" href="{base}/stand/{format}?wearer={wearer?.id ?? ''}&over={upTo}" download
						><Download size={16} /> {format.toUpperCase()}, mm</a
					>
				{/each}
			</p>
		</Sheet>
	</div>
</Desk>

<style>
	.onmat {
		color: var(--on-mat);
		margin: 0;
	}
	.swatch {
		display: inline-block;
		width: 22px;
		height: 12px;
		margin-right: 4px;
		background: repeating-linear-gradient(-45deg, var(--on-mat) 0 2px, transparent 2px 6px);
	}
	.levels {
		display: flex;
		gap: 10px;
		align-items: center;
		margin-top: 10px;
	}
	.levels select {
		flex: 1;
		min-width: 0;
	}
	.ratio {
		display: flex;
		gap: 12px;
		align-items: start;
		margin-top: 10px;
	}
	.ratio :global(button) {
		margin-top: 22px;
	}
	.files {
		margin-top: 12px;
	}
	.worth li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 10px;
		align-items: baseline;
		border-bottom: 1px solid var(--rule);
		padding: 5px 0;
	}
	.worth .by {
		margin-left: auto;
		font-family: var(--mono);
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
		margin: 0 0 8px;
	}
</style>
