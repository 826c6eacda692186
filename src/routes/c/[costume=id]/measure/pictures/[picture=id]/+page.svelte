<script lang="ts">
	import Eye from '@lucide/svelte/icons/eye';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Ruler from '@lucide/svelte/icons/ruler';
	import Scaling from '@lucide/svelte/icons/scaling';
	import SquareDashed from '@lucide/svelte/icons/square-dashed';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { page } from '$app/state';
	import { tick } from 'svelte';
	import { inLedgerOrder } from '$core/facts/component.ts';
	import { say } from '$core/units/problem.ts';
	import { latest } from '$core/facts/bodyMeasure.ts';
	import { wearersOf } from '$core/facts/measureRecord.ts';
	import { offPlaneFactor } from '$core/engines/plane/camera.ts';
	import type { Point } from '$core/units/point.ts';
	import { circleOnPicture, LEAST_POINTS, measure } from '$core/engines/plane/pictureMeasure.ts';
	import { MEASURE_KINDS, type MeasureKind } from '$core/facts/picture.ts';
	import { planeOfPicture, readPictures } from '$core/answers/readings.ts';
	import { checkCorners, KNOWN_RECTANGLES } from '$core/engines/plane/reference.ts';
	import { formatLength, parseLength } from '$core/units/measure.ts';
	import { formatNumber } from '$core/units/number.ts';
	import { pictureFigure } from '$core/explain/picture.ts';
	import Act from '$lib/ui/Act.svelte';
	import Drawing from '$lib/ui/Drawing.svelte';
	import EditDialog from '$lib/ui/EditDialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import FlatView from '$lib/ui/FlatView.svelte';
	import Form from '$lib/ui/Form.svelte';
	import FormError from '$lib/ui/FormError.svelte';
	import { KIND_WORDS, plusMinus, sureWords, warningWords } from '$lib/ui/measureWords.ts';
	import PictureView, { type Onto } from '$lib/ui/PictureView.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Working from '$lib/ui/Working.svelte';
	import type { PageData } from './$types';

	/** For instance, mm. */
	const NEARER = 20;
	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);
	const picture = $derived(data.look.pictures.find((p) => p.id === data.pictureId)!);
	const plane = $derived(planeOfPicture(picture));
	const readings = $derived(
		readPictures(
			[picture],
			data.look.measures.filter((m) => m.pictureId === picture.id)
		)
	);
	const title = $derived(picture.title || `Picture, ${picture.angle}`);
	const stature = $derived(
		wearersOf(data.fit).flatMap((w) => latest(w.measures, 'stature', 'none')?.mm ?? [])[0] ?? null
	);

	// svelte-ignore state_referenced_locally
	let tool = $state<'look' | 'scale' | 'measure'>(picture.scale ? 'measure' : 'scale');
	let draft = $state.raw<Point[]>([]);
	let scaleKind = $state<'rectangle' | 'length' | 'height'>('rectangle');
	let known = $state('0');
	let kind = $state<MeasureKind>('length');
	let offPlane = $state('0');
	let editing = $state<number | null>(null);
	let flat = $state(false);
	const edited = $derived(data.look.measures.find((m) => m.id === editing));
	const at = $derived(Number(page.url.searchParams.get('at')) || null);
	// In two steps: data loaded anew renews page.url, and must not undo what was chosen since.
	let chosen = $derived<number | null>(at);

	const SCALE_HOW = {
		rectangle: {
			count: 4,
			how: 'Click the four corners of a known rectangle, going round; begin with a long side. It works at any slant.'
		},
		length: {
			count: 2,
			how: 'Click the ends of one known length. The picture must be taken square on, or only what lies along it is true.'
		},
		height: {
			count: 2,
			how: 'Click the crown and the soles of a figure that stands upright. Give the wearer’s height, and every part comes out at the wearer’s size.'
		}
	};
	const rectangle = $derived(KNOWN_RECTANGLES[Number(known)]);
	const corners = $derived(
		scaleKind === 'rectangle' && draft.length === 4 ? checkCorners(draft) : ({ ok: true } as const)
	);
	const most = $derived(
		tool === 'scale' ? SCALE_HOW[scaleKind].count : kind === 'angle' ? 3 : kind === 'heads' ? 2 : Infinity
	);
	/** What it would be, before it is kept. */
	const preview = $derived.by(() => {
		if (tool !== 'measure' || !plane || draft.length < LEAST_POINTS[kind]) return null;
		const off = parseLength(offPlane || '0', unit);
		return measure(plane, { kind, points: draft, offPlane: off.ok ? off.value : 0 });
	});
	const options = $derived(
		inLedgerOrder(data.record.components).map(({ item }) => ({
			value: item.id,
			label: `${item.code} ${item.name}`
		}))
	);
	function put(point: Point) {
		const inside: Point = [
			Math.min(picture.width, Math.max(0, point[0])),
			Math.min(picture.height, Math.max(0, point[1]))
		];
		// A click beside the picture is no click on it.
		if (Math.hypot(inside[0] - point[0], inside[1] - point[1]) > 2) return;
		draft = draft.length >= most ? [inside] : [...draft, inside];
	}
	function choose(next: typeof tool) {
		tool = next;
		draft = [];
	}
	async function done() {
		draft = [];
		await tick();
		if (tool === 'scale') tool = 'measure';
	}
</script>

<svelte:head><title>{title} · Measure · Dapper Ledger</title></svelte:head>

<div class="desk">
	<div>
		<div class="bar on-mat" role="toolbar" aria-label="What a click does">
			{#each [['look', 'Look', Eye], ['scale', 'Scale', Scaling], ['measure', 'Measure', Ruler]] as const as [key, name, Icon] (key)}
				<button class="tool" aria-pressed={tool === key} onclick={() => choose(key)}
					><Icon size={16} /> {name}</button
				>
			{/each}
			{#if plane}
				<button class="tool" onclick={() => (flat = true)}><SquareDashed size={16} /> Lay it flat</button>
			{/if}
			<a href="{base}/look/pictures/{picture.id}">Callouts of this picture</a>
		</div>
		<PictureView
			{picture}
			label={title}
			onpoint={tool === 'look' ? undefined : put}
			onkey={(key) => (draft = key === 'Escape' ? [] : draft.slice(0, -1))}
		>
			{#snippet over(onto: Onto)}
				{#if plane}
					<Drawing
						points={plane.reference.points}
						{onto}
						closed={plane.reference.kind === 'rectangle'}
						colour="#f2d16a"
					/>
				{/if}
				{#each readings as r (r.stored.id)}
					{@const on = r.stored.id === chosen}
					<g opacity={chosen === null || on ? 1 : 0.45}>
						<Drawing
							points={r.plane && r.stored.kind === 'circle' && r.found.ok
								? circleOnPicture(r.plane, r.stored.points)
								: r.stored.points}
							bare={r.stored.kind === 'circle'}
							{onto}
							closed={r.stored.kind === 'area' || r.stored.kind === 'circle'}
							colour={on ? '#ffffff' : '#9fcbee'}
						/>
					</g>
				{/each}
				<Drawing
					points={draft}
					{onto}
					closed={draft.length > 2 && (kind === 'area' || tool === 'scale')}
					numbers
				/>
			{/snippet}
		</PictureView>
		<p class="small on-mat note">
			{#if plane}
				Yellow is the scale.
				{#if plane.reference.kind === 'rectangle'}
					Seen {formatNumber(plane.camera.tilt, 0)}° off square on, from about {formatLength(
						Number(plane.camera.distance.toPrecision(2)),
						unit
					)}.
				{/if}
				Only what lies in the same plane is true: a thing {formatLength(NEARER, unit)} nearer the camera reads {formatNumber(
					100 / offPlaneFactor(plane.camera, NEARER) - 100,
					1
				)} % too large{plane.camera.assumed ? ' (with an ordinary lens)' : ''}.
			{:else}No scale yet: it measures nothing.{/if}
		</p>
	</div>

	<div class="side">
		{#if tool === 'scale'}
			<Sheet title="Scale" level={3}>
				<Form
					command="setScale"
					id={picture.id}
					label="Scale"
					hidden={{ points: JSON.stringify(draft) }}
					onDone={done}
				>
					<div class="stack">
						<Field
							name="kind"
							label="By"
							options={[
								{ value: 'rectangle', label: 'four corners of a known rectangle' },
								{ value: 'length', label: 'one known length' },
								{ value: 'height', label: 'the height of a standing figure' }
							]}
							bind:value={scaleKind}
							onchange={() => (draft = [])}
						/>
						<p class="small">{SCALE_HOW[scaleKind].how}</p>
						{#if scaleKind === 'rectangle'}
							<label class="small known"
								>Which
								<select bind:value={known}>
									{#each KNOWN_RECTANGLES as r, i (r.name)}<option value={String(i)}>{r.name}</option>{/each}
									<option value="own">another</option>
								</select></label
							>
							{#key known}
								<div class="fields">
									<Field
										name="width"
										label="First side"
										value={rectangle ? formatLength(rectangle.width, unit) : ''}
										inputmode="decimal"
									/>
									<Field
										name="height"
										label="Next side"
										value={rectangle ? formatLength(rectangle.height, unit) : ''}
										inputmode="decimal"
									/>
								</div>
							{/key}
						{:else}
							{#key scaleKind}
								<Field
									name="mm"
									label={scaleKind === 'height' ? 'Height, crown to soles' : 'Known length'}
									value={scaleKind === 'height' && stature ? formatLength(stature, unit) : ''}
									inputmode="decimal"
									hint={scaleKind === 'height' && stature ? 'the wearer’s stature' : undefined}
								/>
							{/key}
						{/if}
						<div class="fields">
							<Field
								name="clickPx"
								label="A click is true to"
								options={[
									{ value: '1', label: '1 px: sharp edges' },
									{ value: '2', label: '2 px: usual' },
									{ value: '5', label: '5 px: soft edges' }
								]}
								value={String(picture.clickPx)}
							/>
							<Field
								name="scaleSigmaMm"
								label="The known to ±"
								value={formatLength(picture.scaleSigmaMm, unit)}
								inputmode="decimal"
								hint="one σ"
							/>
						</div>
					</div>
					{#if !corners.ok}<p class="bad" role="alert">{say(corners.problem)}</p>{/if}
					<FormError name="points" />
					<div class="row end">
						<button
							class="button main small"
							disabled={draft.length < SCALE_HOW[scaleKind].count || !corners.ok}
							>Set the scale ({draft.length} of {SCALE_HOW[scaleKind].count} points)</button
						>
						{#if draft.length}<button type="button" class="button quiet small" onclick={() => (draft = [])}
								>Clear</button
							>{/if}
					</div>
				</Form>
				{#if picture.scale}<Act command="clearScale" id={picture.id} look="quiet"
						><Trash2 size={14} /> Take the scale away</Act
					>{/if}
			</Sheet>
		{:else if tool === 'measure'}
			<Sheet title="Measure" level={3}>
				{#if !plane}<p>
						Give the picture a scale first. <button class="button small" onclick={() => choose('scale')}
							>Scale</button
						>
					</p>
				{:else}
					<Form
						command="addPictureMeasure"
						label="New measure"
						hidden={{ pictureId: picture.id, points: JSON.stringify(draft) }}
						onDone={done}
					>
						<div class="stack">
							<Field
								name="kind"
								label="What"
								options={MEASURE_KINDS.filter((k) => k !== 'heads' || plane.reference.kind === 'height').map(
									(k) => ({
										value: k,
										label: KIND_WORDS[k].name
									})
								)}
								bind:value={kind}
								onchange={() => (draft = [])}
							/>
							<p class="small">{KIND_WORDS[kind].how} Backspace takes a point back.</p>
							<p class="answer" aria-live="polite">
								{#if preview?.ok}{sureWords(kind, preview.value.value, preview.value.sigma, unit)}
									<span class="small">{plusMinus(kind, preview.value.sigma, unit)}</span>
								{:else if preview}<span class="bad small">{say(preview.problem)}</span>
								{:else}<span class="small soft">{draft.length} of {LEAST_POINTS[kind]} points</span>{/if}
							</p>
							{#if preview?.ok}{#each preview.value.warnings as w (w.code)}<p class="small warning">
										{warningWords(w)}
									</p>{/each}{/if}
							<Field name="label" label="Name" value="" hint="the same name on two pictures is one thing" />
							<div class="fields">
								<Field name="componentId" label="Of" {options} none="no component" value="" />
								<Field
									name="offPlaneMm"
									label="Off the plane by"
									bind:value={offPlane}
									inputmode="decimal"
									hint="towards the camera"
								/>
							</div>
						</div>
						<FormError name="points" />
						<div class="row end">
							<button class="button main small" disabled={!preview?.ok}>Keep this measure</button>
							{#if draft.length}<button type="button" class="button quiet small" onclick={() => (draft = [])}
									>Clear</button
								>{/if}
						</div>
					</Form>
				{/if}
			</Sheet>
		{/if}
		<Sheet title="Measured here" level={3}>
			{#if readings.length}
				<ul class="list">
					{#each readings as r (r.stored.id)}
						{@const component = data.record.components.find((c) => c.id === r.stored.componentId)}
						<li class:chosen={chosen === r.stored.id}>
							<div class="line">
								<button class="name" onclick={() => (chosen = chosen === r.stored.id ? null : r.stored.id)}
									>{r.stored.label}</button
								>
								{#if component}<Tag {component} short />{/if}
								<button
									class="button quiet small"
									aria-label="Edit {r.stored.label}"
									onclick={() => (editing = r.stored.id)}><Pencil size={14} /></button
								>
							</div>
							{#if r.found.ok && r.plane}
								<p>
									<b
										><Working
											figure={pictureFigure(r.plane, r.stored, r.found.value, unit)}
											text={sureWords(r.stored.kind, r.found.value.value, r.found.value.sigma, unit)}
										/></b
									>
									<span class="small">{plusMinus(r.stored.kind, r.found.value.sigma, unit)}</span>
								</p>
								{#each r.found.value.warnings as w (w.code)}<p class="small warning">
										{warningWords(w)}
									</p>{/each}
							{:else if !r.found.ok}<p class="small bad">{say(r.found.problem)}</p>{/if}
						</li>
					{/each}
				</ul>
				<p class="small soft">± holds 95 of 100 times, from the clicks and the scale.</p>
			{:else}<p class="soft">Nothing yet.</p>{/if}
		</Sheet>
	</div>
</div>

{#if plane}<FlatView bind:open={flat} {picture} {plane} {unit} />{/if}
<EditDialog bind:id={editing} title="Measure on the picture">
	{#if edited}
		<Form
			command="editPictureMeasure"
			id={edited.id}
			version={edited.version}
			onDone={() => (editing = null)}
		>
			<div class="fields">
				<Field name="label" label="Name" value={edited.label} />
				<Field name="componentId" label="Of" {options} none="no component" value={edited.componentId ?? ''} />
				<Field name="offPlaneMm" label="Off the plane by" value={formatLength(edited.offPlaneMm, unit)} />
			</div>
			<p class="end"><button class="button main">Save</button></p>
		</Form>
		<Act command="removePictureMeasure" id={edited.id} look="quiet" onDone={() => (editing = null)}
			><Trash2 size={14} /> Remove</Act
		>
	{/if}
</EditDialog>

<style>
	.desk {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 320px;
		gap: 16px;
		align-items: start;
	}
	.side {
		display: grid;
		gap: 12px;
	}
	.bar {
		display: flex;
		gap: 4px 8px;
		flex-wrap: wrap;
		align-items: center;
		margin-bottom: 8px;
		color: var(--on-mat);
	}
	.bar a {
		margin-left: auto;
		font-size: var(--s13);
	}
	.tool {
		display: inline-flex;
		gap: 6px;
		align-items: center;
		min-height: 36px;
		padding: 4px 10px;
		border: 1px solid var(--on-mat-soft);
		background: none;
		color: var(--on-mat);
		cursor: pointer;
	}
	.tool[aria-pressed='true'] {
		background: var(--pink);
		border-color: var(--pink);
		color: #2a0d18;
		font-weight: 600;
	}
	.note {
		margin-top: 8px;
		color: var(--on-mat-soft);
		max-width: 80ch;
	}
	.stack {
		display: grid;
		gap: 8px;
	}
	.known select {
		margin-top: 2px;
	}
	.answer {
		font: 600 var(--s24) / 1.2 var(--head);
		min-height: 1.2em;
	}
	.warning {
		padding: 4px 8px;
		background: var(--yellow-wash);
		border-left: 4px solid var(--yellow-ink);
	}
	.bad {
		color: var(--red-ink);
	}
	.list {
		list-style: none;
		margin: 0 0 8px;
		padding: 0;
	}
	.list li {
		padding: 6px 4px;
		border-bottom: 1px solid var(--rule);
	}
	.list li.chosen {
		background: var(--sheet-shade);
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
	}
	.name {
		border: 0;
		padding: 0;
		background: none;
		text-align: left;
		font-weight: 600;
		cursor: pointer;
		flex: 1;
	}
	.end {
		margin: 8px 0;
	}
	@media (max-width: 1000px) {
		.desk {
			grid-template-columns: minmax(0, 1fr);
		}
	}
	@media (max-width: 700px) {
		.tool,
		.name {
			min-height: 44px;
		}
	}
</style>
