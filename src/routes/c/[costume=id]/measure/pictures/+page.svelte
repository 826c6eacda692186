<script lang="ts">
	import { goto } from '$app/navigation';
	import { headsWords } from '$core/engines/body/bodyScale.ts';
	import { latest } from '$core/facts/bodyMeasure.ts';
	import { wearersOf } from '$core/facts/measureRecord.ts';
	import { DISAGREES } from '$core/engines/plane/combine.ts';
	import { readPictures, thingsOf, type Thing } from '$core/answers/readings.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { write } from '$core/units/write.ts';
	import { combinedFigure, pictureFigure } from '$core/explain/picture.ts';
	import { scaledFigure } from '$core/explain/fit.ts';
	import AddPicture from '$lib/ui/AddPicture.svelte';
	import { asOf, KIND_WORDS, plusMinus, sureWords } from '$lib/ui/measureWords.ts';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';
	import Table from '$lib/ui/Table.svelte';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}/measure/pictures`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const wearers = $derived(wearersOf(data.fit));
	const stature = $derived(wearers[0] ? (latest(wearers[0].measures, 'stature', 'none')?.mm ?? null) : null);
	const things = $derived(thingsOf(readPictures(data.look.pictures, data.look.measures)));
	const titleOf = (p: { title: string; angle: string }) => p.title || `Picture, ${p.angle}`;

	/** Measured on a standing figure of another height than the wearer: what it becomes for the wearer. */
	const scaled = (thing: Thing) => {
		const figure = thing.readings.find((r) => r.picture.scale?.kind === 'height')?.picture.scale;
		if (!thing.combined || !stature || !figure || figure.kind !== 'height') return null;
		if (figure.mm === stature || (thing.kind !== 'length' && thing.kind !== 'circle')) return null;
		return scaledFigure(thing.label, thing.combined.value, figure.mm, stature, unit);
	};
	const figureOf = (thing: Thing) => {
		const told = thing.readings.filter((r) => r.found.ok);
		if (thing.perPicture.length > 1)
			return combinedFigure(thing.label, thing.perPicture, asOf(thing.kind, unit));
		if (told.length > 1)
			return combinedFigure(
				thing.label,
				told.flatMap((r) => (r.found.ok ? r.found.value : [])),
				asOf(thing.kind, unit)
			);
		const [one] = told;
		return one?.plane && one.found.ok ? pictureFigure(one.plane, one.stored, one.found.value, unit) : null;
	};
</script>

<svelte:head><title>Measure from pictures · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Sheet title="Measured on pictures">
	{#if things.length}
		<Table>
			{#snippet heads()}<th>What</th><th class="number">Measure</th><th class="number">95 of 100</th><th
					>For {wearers[0]?.name ?? 'the wearer'}</th
				><th>From</th>{/snippet}
			{#each things as thing (`${thing.kind} ${thing.label}`)}
				{@const figure = figureOf(thing)}
				{@const other = scaled(thing)}
				{@const component = data.record.components.find(
					(c) => c.id === thing.readings.find((r) => r.stored.componentId)?.stored.componentId
				)}
				<tr>
					<td
						><span class="row"
							>{thing.label}
							{#if component}<Tag {component} short />{/if}</span
						>
						<span class="small soft">{KIND_WORDS[thing.kind].name}</span></td
					>
					<td class="number big"
						>{#if figure && thing.combined}<Working
								{figure}
								text={sureWords(thing.kind, thing.combined.value, thing.combined.sigma, unit)}
							/>{:else}<span class="soft">no scale</span>{/if}</td
					>
					<td class="number">{thing.combined ? plusMinus(thing.kind, thing.combined.sigma, unit) : ''}</td>
					<td class="small">
						{#if other && thing.combined}<Working
								figure={other}
								text={sureWords(thing.kind, valueOf(other), thing.combined.sigma, unit)}
							/>{/if}
						{#if thing.kind === 'heads' && thing.combined}{headsWords(thing.combined.value)}{/if}
					</td>
					<td class="small">
						{#each thing.readings as r (r.stored.id)}
							<a href="{base}/{r.picture.id}?at={r.stored.id}">{titleOf(r.picture)}</a
							>{#if thing.readings.length > 1 && r.found.ok}
								<span class="soft">{write(r.found.value.value, asOf(thing.kind, unit))}</span>{/if}<br />
						{/each}
						{#if thing.combined && thing.combined.strays > DISAGREES}
							<b class="apart"
								>They disagree: {thing.combined.strays.toFixed(1)} times what their clicks allow. One is off its
								plane, or another thing.</b
							>
						{/if}
					</td>
				</tr>
			{/each}
		</Table>
		<p class="small soft note">
			Measures with the same name on several pictures count as one thing: their mean is weighted by how sure
			each is.
		</p>
	{:else}
		<p>
			Choose a picture, give it a scale (a sheet of paper lying in it, one known length, or the height of a
			standing figure), then click what you want to know. Every measure says how sure it is.
		</p>
	{/if}
</Sheet>
<Sheet title="Choose a picture">
	{#snippet tools()}
		<AddPicture onDone={(result) => goto(`${base}/${(result as { id: number }).id}`)} />
	{/snippet}
	{#if data.look.pictures.length}
		<ul class="prints">
			{#each data.look.pictures as picture (picture.id)}
				<li>
					<a href="{base}/{picture.id}">
						<img src="/picture/{picture.hash}?side=256" alt={titleOf(picture)} loading="lazy" />
						<span class="name">{titleOf(picture)}</span>
						<span class="small soft"
							>{#if !picture.scale}no scale yet
							{:else if picture.scale.kind === 'rectangle'}scale: {formatLength(picture.scale.width, unit)} × {formatLength(
									picture.scale.height,
									unit
								)}
							{:else}scale: {picture.scale.kind === 'height' ? 'height' : 'length'}
								{formatLength(picture.scale.mm, unit)}{/if}</span
						>
					</a>
				</li>
			{/each}
		</ul>
	{:else}<p class="soft">No picture yet: drop one here, paste it, or take one.</p>{/if}
</Sheet>

<style>
	.big {
		font-size: var(--s18);
		font-weight: 600;
	}
	.apart {
		color: var(--red-ink);
	}
	.note {
		margin-top: 8px;
	}
	.prints {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
		gap: 16px;
	}
	.prints a {
		display: grid;
		text-decoration: none;
	}
	.prints img {
		width: 100%;
		aspect-ratio: 1;
		object-fit: contain;
		background: var(--sheet-shade);
		border: 1px solid var(--rule);
	}
	.name {
		font-weight: 600;
	}
	.prints a:hover .name {
		text-decoration: underline;
	}
</style>
