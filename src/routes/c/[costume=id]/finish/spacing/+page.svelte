<script lang="ts">
	/** Rivets, studs, stencils, trims: repeated along an edge or round a girth so that they come out even. */
	import FileDown from '@lucide/svelte/icons/file-down';
	import Printer from '@lucide/svelte/icons/printer';
	import { page } from '$app/state';
	import { MARKS, paperRow, stripParts, type Mark } from '$core/engines/spacing/stencil.ts';
	import { apartFigure } from '$core/explain/spacing.ts';
	import { formatLength } from '$core/units/measure.ts';
	import AskField from '$lib/ui/AskField.svelte';
	import Fact from '$lib/ui/Fact.svelte';
	import Facts from '$lib/ui/Facts.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Working from '$lib/ui/Working.svelte';
	import { askAnew } from '$lib/ui/askAnew.ts';
	import type { PageData } from './$types';
	import OnPiece from './OnPiece.svelte';
	import Strip from './Strip.svelte';

	let { data }: { data: PageData } = $props();
	const unit = $derived(data.workshop.settings.lengthUnit);
	const base = $derived(`/c/${data.record.costume.id}/finish/spacing`);
	const groups = $derived(
		[...new Set(data.known.map(({ of }) => of))].map(
			(of) => [of, data.known.filter((l) => l.of === of)] as const
		)
	);
	const row = $derived(data.found ? paperRow(data.found.strip) : 0);
	const parts = $derived(data.found ? stripParts(data.found.strip, row) : []);
	let form: HTMLFormElement;
	const NAMES: Record<Mark, string> = {
		rivet: 'round: rivet, stud',
		square: 'square',
		diamond: 'diamond',
		line: 'line across'
	};
</script>

<svelte:head><title>Spacing · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<div class="no-print">
	<Sheet title="Evenly spaced">
		<form bind:this={form} method="get" aria-label="What is repeated" onchange={() => askAnew(form)}>
			<label class="from"
				>Along
				<select name="from" aria-invalid={data.errors['from'] ? 'true' : undefined}>
					<option value="">a length that is typed</option>
					{#each groups as [of, lengths] (of)}<optgroup label={of}
							>{#each lengths as { key, name, mm } (key)}<option
									value={key}
									selected={data.typed['from'] === key}>{name}: {formatLength(mm, unit)}</option
								>{/each}</optgroup
						>{/each}
				</select>
				{#if data.errors['from']}<span class="error" role="alert">{data.errors['from']}</span>{/if}</label
			>
			{#if !data.from}<AskField name="length" label="Edge, or all round" hint="56 cm" asked={data} />{/if}
			<AskField name="apart" label="About so far apart, middle to middle" hint="4 cm" asked={data} />
			<AskField name="count" label="… or exactly so many" hint="as many as fit" asked={data} />
			<AskField name="inset" label="First and last from the ends" hint="half a distance" asked={data} />
			<label
				>Mark
				<select name="mark"
					>{#each MARKS as mark (mark)}<option value={mark} selected={data.typed['mark'] === mark}
							>{NAMES[mark]}</option
						>{/each}</select
				></label
			>
			<AskField name="wide" label="Wide, along the edge" hint="8 mm" asked={data} />
			<AskField name="high" label="High, across it" hint="8 mm" asked={data} />
			{#if !data.from}<label class="tick"
					><input
						type="checkbox"
						name="round"
						defaultChecked={data.found?.ask.round ?? 'round' in data.typed}
					/> It goes all round</label
				>{/if}
			<button class="button">Space them</button>
		</form>
	</Sheet>
</div>

{#if data.found}
	{@const { ask, spacing, strip } = data.found}
	<Sheet title="{spacing.count} {spacing.count === 1 ? 'mark' : 'marks'}">
		{#snippet tools()}
			<button class="button small" onclick={() => window.print()}><Printer size={14} /> Print at 1:1</button>
			<a class="button small" href="{base}/out/svg{page.url.search}" download><FileDown size={14} /> SVG</a>
			<a class="button small" href="{base}/out/dxf{page.url.search}" download><FileDown size={14} /> DXF</a>
		{/snippet}
		<Facts>
			{#if spacing.apart !== null}
				<Fact name="middle to middle" figure={false}
					><Working
						figure={apartFigure(ask, spacing.count, unit, data.from?.name)}
						text={formatLength(spacing.apart, unit)}
					/></Fact
				>
				<Fact name="between them">{formatLength(spacing.gap!, unit)}</Fact>
			{/if}
			<Fact name="first, from the beginning">{formatLength(spacing.first, unit)}</Fact>
		</Facts>
		<p class="small soft lead">
			Measure every mark from the beginning, not from the one before: what is off by a hair does not add up.
		</p>
		{#if data.from?.drawn}<figure class="no-print">
				<OnPiece drawn={data.from.drawn} wide={ask.wide} name={data.from.name} />
				<figcaption class="small soft">{data.from.of}, {data.from.name}. The first is red.</figcaption>
			</figure>{/if}
		<div class="strips">
			{#each parts as part (part.from)}<Strip {part} {strip} {unit} {row} />{/each}
		</div>
		<p class="check small">
			<svg width="100mm" height="5mm" viewBox="0 0 100 5" role="img" aria-label="A line of 100 mm"
				><path d="M0 0v5M100 0v5M0 2.5h100" stroke="currentColor" stroke-width="0.3" fill="none" /></svg
			>
			100 mm: measure it on paper before anything is marked by it.
		</p>
	</Sheet>
{/if}

<style>
	form {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
		gap: 10px 14px;
		align-items: end;
	}
	label {
		display: grid;
		gap: 2px;
		font-size: var(--s13);
	}
	.tick {
		display: flex;
		gap: 6px;
		align-items: center;
		min-height: 36px;
	}
	.error {
		color: var(--red-ink);
		font-weight: 600;
	}
	.lead {
		margin: 8px 0;
	}
	.strips {
		display: grid;
		gap: 14px;
		overflow-x: auto;
	}
	figure {
		margin: 0 0 14px;
		text-align: center;
	}
	.check {
		margin-top: 14px;
	}
	.check svg {
		display: block;
		max-width: 100%;
	}
	@media print {
		.check svg {
			max-width: none;
		}
	}
</style>
