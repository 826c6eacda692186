<script lang="ts">
	/** One shape: its values with what comes of them at once, and what it looks like put together. */
	import { goto } from '$app/navigation';
	import Printer from '@lucide/svelte/icons/printer';
	import Download from '@lucide/svelte/icons/download';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import type { Version } from '$core/answers/describeChange.ts';
	import { timeWords } from '$core/units/localTime.ts';
	import type { Component } from '$core/facts/component.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import { areaOfUnit } from '$core/facts/material.ts';
	import { BODY_MEASURES, MEASURE_KEYS, measureWords, type MeasureKey } from '$core/facts/bodyMeasure.ts';
	import { fittedOf, type MeasureRecord } from '$core/facts/measureRecord.ts';
	import { say } from '$core/units/problem.ts';
	import type { Problem } from '$core/units/problem.ts';
	import { dimensionFigure } from '$core/explain/pieces.ts';
	import type { Param, Shaper } from '$core/engines/pattern/shaper.ts';
	import { ORIGINS, shaperOf } from '$core/engines/shapers/shapers.ts';
	import type { ShapeKey } from '$core/facts/shape.ts';
	import { follow, piecesOf, readShapeValue, shapeFor, thicknessOf } from '$core/answers/shapePieces.ts';
	import type { ShapeValue, StoredShape } from '$core/facts/shape.ts';
	import { PAPERS } from '$core/engines/pattern/tile.ts';
	import { formatLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { valueOf } from '$core/explain/figure.ts';
	import { girthFigure } from '$core/explain/fit.ts';
	import { piecesFigure } from '$core/explain/pieces.ts';
	import Act from './Act.svelte';
	import Field from './Field.svelte';
	import Form from './Form.svelte';
	import Pieces from './Pieces.svelte';
	import Sheet from './Sheet.svelte';
	import AsIf from './AsIf.svelte';
	import Solid from './Solid.svelte';
	import Tag from './Tag.svelte';
	import Tick from './Tick.svelte';
	import Working from './Working.svelte';

	interface Props {
		shape?: StoredShape;
		shaperKey: ShapeKey;
		component: Component;
		components: readonly Component[];
		fit: MeasureRecord;
		workshop: Workshop;
		currency: string;
		/** Whether amounts of the component follow its pieces. */
		following: boolean;
		base: string;
		/** How it came to be as it is, newest first. */
		versions?: readonly Version[];
		onDone?: (result: unknown) => void;
	}
	let {
		shape,
		shaperKey,
		component,
		components,
		fit,
		workshop,
		currency,
		following,
		base,
		versions = [],
		onDone
	}: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);
	const shaper: Shaper = $derived(shaperOf(shaperKey));
	const wearers = $derived(fittedOf(fit));
	const length = (mm: number) => `${mm < 0 ? '−' : ''}${formatLength(Math.abs(mm), unit)}`;
	const written = (param: Param, value: ShapeValue) =>
		typeof value === 'number'
			? param.choices
				? String(value)
				: param.unit === 'mm'
					? length(value)
					: formatNumber(value, 3)
			: length(value.plus);

	/** What was typed since; what was not comes from the shape, or from the shaper's example. */
	let typed = $state<Record<string, string>>({});
	let chosen = $state<Record<string, string>>({});
	/** A new shape follows the wearer at once, where the measure is known. */
	const before = (key: string, param: Param): ShapeValue => {
		const kept = shape?.values[key];
		if (kept !== undefined) return kept;
		if (!shape && param.measure && follow(param.measure, { component, components, wearers }))
			return { follows: param.measure, plus: 0 };
		return param.value;
	};
	const params = $derived(
		Object.entries(shaper.params).map(([key, param]) => {
			const value = before(key, param);
			const follows = (chosen[key] ?? (typeof value === 'number' ? '' : value.follows)) as MeasureKey | '';
			const text = typed[key] ?? written(param, value);
			return { key, param, follows, text, read: readShapeValue(param, text, follows || null, unit) };
		})
	);
	const values = $derived(
		Object.fromEntries(params.flatMap((p) => (p.read.ok ? [[p.key, p.read.value]] : [])))
	);
	const unread = $derived(shape?.drawn ? undefined : params.find((p) => !p.read.ok));
	const works = $derived(shape?.works ?? []);
	const drawn = $derived(shape?.drawn ?? null);
	// svelte-ignore state_referenced_locally
	let materialId = $state<number | string>(shape?.materialId ?? '');
	const cutFrom = $derived({
		materialId: Number(materialId) || null,
		layers: shape && Number(materialId) === shape.materialId ? shape.layers : 1
	});
	const fitFor = $derived({ component, components, wearers, materials: workshop.materials });
	/** What the material says instead of what is typed. */
	const thickness = $derived(thicknessOf(cutFrom, workshop.materials));
	const source = $derived({ shaper: shaperKey, values, works, drawn, ...cutFrom });
	const done = $derived(shapeFor(source, fitFor));
	const problem: Problem | null = $derived(
		unread && !unread.read.ok ? { ...unread.read.problem, path: [unread.key] } : done.ok ? null : done.problem
	);
	const problemAt = $derived(problem && typeof problem.path[0] === 'string' ? problem.path[0] : null);
	/** The last whole shape stays in sight while something is being typed. */
	let last = $state.raw<Record<string, ShapeValue> | null>(null);
	$effect(() => {
		if (!problem) last = values;
	});
	const shownValues = $derived(problem ? (last ?? {}) : values);
	const shown = $derived.by(() => {
		const whole = problem ? last && shapeFor({ ...source, values: last }, fitFor) : done;
		return whole?.ok ? whole.value : null;
	});
	/** Numbered among the other shapes of the component. */
	const pieces = $derived.by(() => {
		const own = { ...source, values: shownValues };
		const all = fit.shapes.filter((s) => s.componentId === component.id);
		const shapes = shape ? all.map((s) => (s.id === shape.id ? own : s)) : [...all, own];
		return piecesOf(shapes, fitFor).find((p) => p.shape === own)?.pieces ?? [];
	});
	const sums = $derived(
		(['outline', 'seam', 'bevelled', 'area', 'cutArea'] as const)
			.map((what) => piecesFigure(what, shown?.pieces ?? [], unit))
			.filter((figure) => valueOf(figure) > 0)
	);
	let paper = $state('a4');
	// svelte-ignore state_referenced_locally
	let letFollow = $state(shape ? following : true);
	const material = $derived(workshop.materials.find((m) => m.id === Number(materialId)));
	const changed = $derived(JSON.stringify([values, materialId, letFollow]));
	// svelte-ignore state_referenced_locally
	const begun = changed;
	/** A value of an earlier version, in the maker’s unit. */
	const said = (key: string, value: string) => {
		const param = shaper.params[key];
		if (!param || !Number.isFinite(Number(value))) return value;
		return param.choices?.[Number(value)] ?? (param.unit === 'mm' ? length(Number(value)) : value);
	};
	const measures = MEASURE_KEYS.map((value) => ({ value, label: `follows ${BODY_MEASURES[value].name}` }));
</script>

<div class="desk">
	<div class="left">
		<Sheet title={shape ? shape.name || shaper.name : `New: ${shaper.name}`}>
			{#snippet tools()}<Tag {component} href="{base}/look/{component.id}" />{/snippet}
			<p class="small soft">{shaper.makes}</p>
			<Form
				command={shape ? 'editShape' : 'addShape'}
				id={shape?.id ?? ''}
				version={shape?.version}
				label={shaper.name}
				hidden={{ shaper: shaperKey, ...(shape ? {} : { componentId: component.id }) }}
				{onDone}
			>
				<div class="fields">
					<Field name="name" label="Name" value={shape?.name ?? ''} hint="else {shaper.name}" wide />
					{#if drawn}
						<p class="small wide">
							{shape && shape.shaper in ORIGINS
								? `${shaper.makes[0]?.toUpperCase()}${shaper.makes.slice(1)}: its pieces follow no measure.`
								: 'Drawn by hand since it was shaped: its pieces follow no measure. Undo brings the shape back.'}
						</p>
						{#each params as { key, text, follows } (key)}
							<input type="hidden" name="value.{key}" value={text} />
							<input type="hidden" name="follow.{key}" value={follows} />
						{/each}
					{:else}
						{#each params as { key, param, follows, text } (key)}
							{@const followed = follows ? follow(follows, { component, components, wearers }) : null}
							<div class="param" class:wrong={problemAt === key}>
								{#if param.choices}
									<Field
										name="value.{key}"
										label={param.name}
										options={param.choices.map((label, value) => ({ value: String(value), label }))}
										value={text}
										onchange={(v) => (typed[key] = v)}
									/>
								{:else}
									<label class="small" for="value-{key}">{param.name}{follows ? ', with ease of' : ''}</label>
									<span class="row"
										><input
											id="value-{key}"
											name="value.{key}"
											inputmode="decimal"
											value={text}
											aria-invalid={problemAt === key ? 'true' : undefined}
											aria-describedby="about-{key}"
											oninput={(e) => (typed[key] = e.currentTarget.value)}
										/>{param.unit === 'deg' ? '°' : param.unit === 'times' ? '×' : ''}
										{#if param.measure}
											<select
												name="follow.{key}"
												aria-label="{param.name}: what it follows"
												value={follows}
												onchange={(e) => {
													chosen[key] = e.currentTarget.value;
													typed[key] = e.currentTarget.value
														? length(0)
														: length(followed?.mm ?? param.value);
												}}
											>
												<option value="">as typed</option>
												{#each measures as m (m.value)}<option value={m.value}>{m.label}</option>{/each}
											</select>
										{/if}</span
									>
								{/if}
								<span class="small" id="about-{key}">
									{#if problem && problemAt === key}<b class="error">{say(problem)}</b>
									{:else if followed}<Working
											figure={girthFigure(
												{
													key: followed.key,
													body: followed.body,
													beneath: followed.beneath,
													mm: followed.mm
												},
												unit,
												followed.side
											)}
										/>
										<span class="soft">{measureWords(followed.key, followed.side)}, {followed.wearer}</span>
									{:else if key === 'thickness' && thickness !== null}<span class="soft"
											>{length(thickness)} of {material?.name} count{cutFrom.layers > 1
												? `, ${cutFrom.layers} layers`
												: ''}</span
										>
									{:else if param.hint}<span class="soft">{param.hint}</span>{/if}
								</span>
							</div>
						{/each}
					{/if}
					<Field
						name="materialId"
						label="Cut from"
						options={workshop.materials.map((m) => ({ value: m.id, label: m.name }))}
						none="not chosen yet"
						bind:value={materialId}
						hint={material && areaOfUnit(material) === null
							? 'its size is not known: say it in Stash'
							: shape && shape.layers > 1 && Number(materialId) === shape.materialId
								? `${shape.layers} layers of it make the thickness; another material begins with one`
								: undefined}
						wide
					/>
					<Field
						name="note"
						label={shape ? 'What changed, and why' : 'Note'}
						type="area"
						value={shape?.note ?? ''}
						wide
					/>
				</div>
				<Tick
					name="follow"
					label="Steps and materials of {component.code} follow its pieces"
					bind:checked={letFollow}
				/>
				{#if problem && !problemAt}<p class="error" role="alert">{say(problem)}</p>{/if}
				{#if !shape || changed !== begun}<AsIf
						action={shape ? 'tryEditShape' : 'tryAddShape'}
						of={changed}
						blocked={problem !== null}
						{currency}
						{unit}
						follows={letFollow}
					/>{/if}
				<p class="row end">
					<button class="button main">{shape ? 'Save the shape' : 'Keep this shape'}</button>
				</p>
			</Form>
			{#if shape}
				<Act
					command="removeShape"
					id={shape.id}
					look="quiet"
					at="{base}/pattern"
					onDone={() => goto(`${base}/pattern`, { invalidateAll: true })}><Trash2 size={14} /> Remove</Act
				>
			{/if}
		</Sheet>
	</div>
	<div class="right">
		{#if shown}
			<Sheet title="Pieces, to scale">
				{#snippet tools()}
					{#if shape}
						<select bind:value={paper} aria-label="Paper">
							{#each Object.entries(PAPERS) as [value, p] (value)}<option {value}>{p.name}</option>{/each}
						</select>
						<a class="button small" href="{base}/pattern/out/pdf?shape={shape.id}&paper={paper}" download
							><Printer size={14} /> 1:1 PDF</a
						>
						<a class="button small" href="{base}/pattern/out/svg?shape={shape.id}" download
							><Download size={14} /> SVG</a
						>
					{:else}<span class="small soft">Keep it to print it at 1:1.</span>{/if}
				{/snippet}
				<div class:stale={problem !== null}><Pieces {pieces} label="Pieces of {shaper.name}" /></div>
				{#each shown.warnings as w (w.code)}<p class="warn small">{say(w)}</p>{/each}
				<table>
					<tbody>
						{#each pieces as p, i (p.code)}
							<tr
								><td class="figure">{p.code}</td><td
									>{#if shape}<a href="{base}/pattern/{shape.id}/{i + 1}">{p.piece.name}</a>{:else}{p.piece
											.name}{/if}{p.piece.mirrored ? ', half of them mirrored' : ''}</td
								><td class="number">{p.count} ×</td></tr
							>
						{/each}
					</tbody>
				</table>
			</Sheet>
			<div class="two">
				<Sheet title="Worked out" level={3}>
					<dl>
						{#each shown.dimensions as d, i (i)}
							<div>
								<dt>{d.title}</dt>
								<dd><Working figure={dimensionFigure(d, unit)} /></dd>
							</div>
						{/each}
						{#each sums as figure (figure.title)}
							<div>
								<dt>{figure.title}</dt>
								<dd><Working {figure} /></dd>
							</div>
						{/each}
					</dl>
				</Sheet>
				{#if shown.solid.length}
					<Sheet title="Put together" level={3}
						><Solid lines={shown.solid} label="{shaper.name}, put together" /></Sheet
					>
				{/if}
			</div>
			{#if versions.length}
				<Sheet title="Versions" level={3}>
					<ol class="versions" reversed>
						{#each versions as v (v.actionId)}
							<li>
								<span class="figure small">{timeWords(v.at)}</span>
								{#if v.fields.length}
									<span class="small"
										>{#each v.fields as f, i (f.name)}{i ? '; ' : ''}<b
												>{shaper.params[f.name]?.name ?? f.name}</b
											>
											{said(f.name, f.before)} → {said(f.name, f.after)}{/each}</span
									>
								{:else}<span class="small">{v.words}</span>{/if}
							</li>
						{/each}
					</ol>
				</Sheet>
			{/if}
		{:else if problem}
			<Sheet><p class="error">{say(problem)}</p></Sheet>
		{/if}
	</div>
</div>

<style>
	.desk {
		display: grid;
		grid-template-columns: minmax(280px, 5fr) 7fr;
		gap: 16px;
		align-items: start;
	}
	.right,
	.left {
		display: grid;
		gap: 16px;
		min-width: 0;
	}
	.fields {
		margin-top: 12px;
	}
	.param {
		display: grid;
		gap: 4px;
		align-content: start;
		min-width: 0;
	}
	.param label {
		font-weight: 600;
	}
	.param input {
		width: 100%;
		min-width: 64px;
		flex: 1;
	}
	.param select {
		min-width: 0;
		max-width: 130px;
	}
	.param .row {
		flex-wrap: nowrap;
		gap: 6px;
	}
	.right :global(header select) {
		width: auto;
	}
	.error {
		color: var(--red-ink);
	}
	.stale {
		opacity: 0.45;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
		margin: 8px 0;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 16px;
	}
	dl {
		margin: 0;
	}
	dl div {
		display: flex;
		justify-content: space-between;
		gap: 12px;
		border-bottom: 1px solid var(--rule);
		padding: 5px 0;
	}
	dd {
		margin: 0;
		text-align: right;
	}
	table {
		margin-top: 8px;
	}
	.versions {
		margin: 0;
		padding-left: 24px;
	}
	.end {
		justify-content: flex-end;
		margin-top: 12px;
	}
	@media (max-width: 900px) {
		.desk,
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
