<script lang="ts">
	import Circle from '@lucide/svelte/icons/circle-dot';
	import Eye from '@lucide/svelte/icons/eye';
	import FlipHorizontal2 from '@lucide/svelte/icons/flip-horizontal-2';
	import Pencil from '@lucide/svelte/icons/pencil';
	import Pentagon from '@lucide/svelte/icons/pentagon';
	import SeparatorVertical from '@lucide/svelte/icons/separator-vertical';
	import Trash2 from '@lucide/svelte/icons/trash-2';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { tick } from 'svelte';
	import { inLedgerOrder, type Component } from '$core/facts/component.ts';
	import { ANGLES, CALLOUT_SIDES, referencesOf, type Callout } from '$core/facts/picture.ts';
	import { axisOf, unplaced } from '$core/answers/callouts.ts';
	import type { Point } from '$core/units/point.ts';
	import { lookViews } from '$lib/lookViews.ts';
	import Act from '$lib/ui/Act.svelte';
	import Callouts from '$lib/ui/Callouts.svelte';
	import { COLOUR_BY, shadeOf, UNCLAIMED, type ColourBy } from '$lib/ui/calloutColours.ts';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Drawing from '$lib/ui/Drawing.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Form from '$lib/ui/Form.svelte';
	import PictureView, { type Onto } from '$lib/ui/PictureView.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Tag from '$lib/ui/Tag.svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const picture = $derived(data.look.pictures.find((p) => p.id === data.pictureId)!);
	const others = $derived(referencesOf(data.look.pictures).filter((p) => p.id !== picture.id));
	const callouts = $derived(data.look.callouts.filter((c) => c.pictureId === picture.id));
	const open = $derived(unplaced(data.record.components, data.look.callouts));
	/** As far as a click may miss the first point, in pixels of the view. */
	const NEAR = 12;
	const titleOf = (p: typeof picture) => p.title || `Picture, ${p.angle}`;

	const TOOLS = [
		{ key: 'look', name: 'Look', icon: Eye },
		{ key: 'point', name: 'Point', icon: Circle },
		{ key: 'outline', name: 'Outline', icon: Pentagon },
		{ key: 'axis', name: 'Middle line', icon: SeparatorVertical }
	] as const;
	let tool = $state<(typeof TOOLS)[number]['key']>('look');
	let draft = $state.raw<Point[]>([]);
	let by = $state<ColourBy>('layer');
	let componentId = $state('');
	let side = $state('none');
	let label = $state('');
	let editing = $state(false);
	let desk: HTMLElement;
	let beside = $state('');
	const at = $derived(Number(page.url.searchParams.get('at')) || null);
	// In two steps: data loaded anew renews page.url, and must not undo what was chosen since.
	let chosen = $derived<number | null>(at);
	const chosenCallout = $derived(callouts.find((c) => c.id === chosen));
	const other = $derived(others.find((p) => String(p.id) === beside));

	const shade = (component: Component | undefined) =>
		shadeOf(component, by, component && data.stages[component.id]);
	const legend = $derived(
		[
			...new Map(
				callouts
					.map((c) => shade(data.record.components.find((k) => k.id === c.componentId)))
					.map((s) => [s.key, s])
			).values()
		].sort((a, b) => a.key.localeCompare(b.key, undefined, { numeric: true }))
	);
	const options = $derived(
		inLedgerOrder(data.record.components).map(({ item, depth }) => ({
			value: item.id,
			label: `${'  '.repeat(depth)}${item.code} ${item.name}${open.components.includes(item) ? ' (on no picture yet)' : ''}`
		}))
	);

	let placing: HTMLFormElement | undefined = $state();
	let moving: HTMLFormElement | undefined = $state();
	let lining: HTMLFormElement | undefined = $state();
	let moved = $state({ id: 0, points: '' });
	let axis = $state(0);

	async function put(point: Point, scale: number) {
		if (tool === 'axis') {
			axis = Math.round(point[0] * 100) / 100;
			await tick();
			lining?.requestSubmit();
			return;
		}
		const first = draft[0];
		// A click on the first point closes the outline.
		if (
			tool === 'outline' &&
			draft.length > 2 &&
			Math.hypot(point[0] - first![0], point[1] - first![1]) < NEAR / scale
		)
			return place();
		draft = tool === 'point' ? [point] : [...draft, point];
		if (tool === 'point') await place();
	}
	async function place() {
		await tick();
		placing?.requestSubmit();
	}
	function key(pressed: string) {
		draft = pressed === 'Escape' ? [] : draft.slice(0, -1);
	}
	async function move(id: number, points: Point[]) {
		moved = { id, points: JSON.stringify(points) };
		await tick();
		moving?.requestSubmit();
	}
	const nameOf = (c: Callout) => {
		const component = data.record.components.find((k) => k.id === c.componentId);
		return component ? `${component.code} ${component.name}` : c.label || 'region';
	};
</script>

<svelte:head><title>{titleOf(picture)} · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Views label="Look" views={lookViews(base)} />
<div class="desk" class:two={other} bind:this={desk}>
	{#if tool === 'point' || tool === 'outline'}
		<div class="placing">
			<Sheet title={tool === 'point' ? 'Point at a component' : 'Outline a component'} level={3}>
				<Form
					command="addCallout"
					label="New callout"
					hidden={{ pictureId: picture.id, shape: tool, points: JSON.stringify(draft) }}
					onDone={() => (draft = [])}
				>
					<div class="across">
						<Field
							name="componentId"
							label="Component"
							{options}
							none="not known yet: a region to claim"
							bind:value={componentId}
						/>
						<Field name="side" label="Side" options={CALLOUT_SIDES} bind:value={side} />
						{#if componentId === ''}<Field name="label" label="What is it?" bind:value={label} />
						{:else}<input type="hidden" name="label" value="" />{/if}
					</div>
					<p class="small soft how">
						{#if tool === 'point'}Click where it is. By keyboard: move the picture under the cross, then
							Enter.
						{:else}Click round it; click the first point again, or Finish. Backspace takes a point back.{/if}
					</p>
					<div class="row">
						<button
							class="button main small"
							disabled={draft.length < (tool === 'outline' ? 3 : 1)}
							{@attach (node) => void (placing = node.closest('form') ?? undefined)}
							>{tool === 'outline' ? `Finish outline (${draft.length} points)` : 'Place'}</button
						>
						{#if draft.length}<button type="button" class="button quiet small" onclick={() => (draft = [])}
								>Clear</button
							>{/if}
					</div>
				</Form>
			</Sheet>
		</div>
	{/if}
	<div class="views">
		<div class="bar on-mat" role="toolbar" aria-label="What a click does">
			{#each TOOLS as t (t.key)}
				<button
					class="tool"
					aria-pressed={tool === t.key}
					onclick={() => {
						tool = t.key;
						draft = [];
					}}><t.icon size={16} /> {t.name}</button
				>
			{/each}
			<label class="by"
				>Colours by
				<select bind:value={by}>
					{#each COLOUR_BY as c (c.value)}<option value={c.value}>{c.label}</option>{/each}
				</select></label
			>
			{#if others.length}
				<label class="by"
					>Beside it
					<select bind:value={beside}>
						<option value="">nothing</option>
						{#each others as p (p.id)}<option value={String(p.id)}>{titleOf(p)}</option>{/each}
					</select></label
				>
			{/if}
		</div>
		<div class="pair">
			<PictureView {picture} label={titleOf(picture)} onpoint={tool === 'look' ? undefined : put} onkey={key}>
				{#snippet over(onto: Onto)}
					{#if tool === 'axis'}
						<Drawing
							points={[
								[axisOf(picture), 0],
								[axisOf(picture), picture.height]
							]}
							{onto}
							colour="#9fcbee"
						/>
					{/if}
					<Callouts
						{callouts}
						components={data.record.components}
						{onto}
						{shade}
						{chosen}
						onchoose={tool === 'look' ? (id) => (chosen = id) : undefined}
						onmove={tool === 'look' ? move : undefined}
					/>
					<Drawing points={draft} {onto} closed={tool === 'outline'} />
				{/snippet}
			</PictureView>
			{#if other}
				<PictureView picture={other} label={titleOf(other)}>
					{#snippet over(onto: Onto)}
						<Callouts
							callouts={data.look.callouts.filter((c) => c.pictureId === other.id)}
							components={data.record.components}
							{onto}
							{shade}
						/>
					{/snippet}
				</PictureView>
			{/if}
		</div>
		<ul class="legend on-mat small" aria-label="Legend">
			{#each legend as s (s.key)}
				<li>
					<span class="swatch" style:background={s.colour} class:dashed={s === UNCLAIMED}></span>{s.words}
				</li>
			{:else}<li>No callout yet: choose Point or Outline.</li>{/each}
		</ul>
	</div>

	<div class="side">
		{#if tool === 'axis'}
			<Sheet title="The body’s middle line" level={3}>
				<p class="small">Click on it. Callouts are mirrored about this line.</p>
			</Sheet>
		{:else if chosenCallout}
			<Sheet title={nameOf(chosenCallout)} level={3}>
				{#key `${chosenCallout.id} ${chosenCallout.version}`}
					<Form command="editCallout" id={chosenCallout.id} version={chosenCallout.version} label="Callout">
						<div class="stack">
							<Field
								name="componentId"
								label="Component"
								{options}
								none="not known yet: a region to claim"
								value={chosenCallout.componentId ?? ''}
							/>
							<Field name="side" label="Side" options={CALLOUT_SIDES} value={chosenCallout.side} />
							<Field name="label" label="Words" value={chosenCallout.label} />
						</div>
						<p class="row how"><button class="button main small">Save</button></p>
					</Form>
				{/key}
				<div class="row">
					<Act command="mirrorCallout" id={chosenCallout.id}><FlipHorizontal2 size={14} /> Mirror</Act>
					<Act command="removeCallout" id={chosenCallout.id} look="quiet" onDone={() => (chosen = null)}
						><Trash2 size={14} /> Remove</Act
					>
				</div>
				<p class="small soft how">Drag it, or its corners.</p>
			</Sheet>
		{/if}
		<Sheet title={titleOf(picture)} level={3}>
			{#snippet tools()}
				<button class="button quiet small" onclick={() => (editing = true)}><Pencil size={14} /> Edit</button>
			{/snippet}
			<p class="small">
				{picture.angle} · {picture.design === 'own' ? 'own design' : 'faithful'} ·
				<span class="figure">{picture.width} × {picture.height}</span> px
				{#if picture.sourceNote}· {picture.sourceNote}{/if}
			</p>
			<p class="small">
				<a href="{base}/measure/pictures/{picture.id}"
					>{picture.scale ? 'Measure on it' : 'Give it a scale and measure'}</a
				>
			</p>
			{#if callouts.length}
				<ul class="list">
					{#each callouts as callout (callout.id)}
						{@const component = data.record.components.find((c) => c.id === callout.componentId)}
						<li>
							<button
								class="entry"
								aria-pressed={chosen === callout.id}
								onclick={() => {
									tool = 'look';
									chosen = chosen === callout.id ? null : callout.id;
								}}
							>
								<span class="swatch" style:background={shade(component).colour} class:dashed={!component}
								></span>
								{#if component}<Tag {component} short />{component.name}{:else}<b
										>{callout.label || 'region'}</b
									>
									<span class="small soft">not claimed</span>{/if}
								{#if callout.side !== 'none'}<span class="small soft">{callout.side}</span>{/if}
							</button>
						</li>
					{/each}
				</ul>
			{/if}
		</Sheet>
		{#if open.components.length}
			<Sheet title="On no picture yet" level={3}>
				<p class="row">
					{#each open.components as component (component.id)}
						<button
							class="pick"
							title="Place {component.code} on this picture"
							onclick={async () => {
								componentId = String(component.id);
								side = component.side === 'left' || component.side === 'right' ? component.side : 'none';
								if (tool !== 'outline') tool = 'point';
								// Chosen below, placed above: both come into sight.
								await tick();
								desk.scrollIntoView({ block: 'start' });
							}}><Tag {component} /></button
						>
					{/each}
				</p>
			</Sheet>
		{/if}
	</div>
</div>

<div hidden>
	<Form command="moveCallout" id={moved.id} hidden={{ points: moved.points }}>
		<button {@attach (node) => void (moving = node.closest('form') ?? undefined)}>Move</button>
	</Form>
	<Form command="setAxis" id={picture.id} hidden={{ axisPx: axis }}>
		<button {@attach (node) => void (lining = node.closest('form') ?? undefined)}>Set</button>
	</Form>
</div>

<Dialog bind:open={editing} title="Reference picture">
	<Form command="editReference" id={picture.id} version={picture.version} onDone={() => (editing = false)}>
		<div class="fields">
			<Field name="title" label="Title" value={picture.title} />
			<Field name="angle" label="Seen from" options={ANGLES} value={picture.angle} />
			<Field
				name="design"
				label="Design"
				options={[
					{ value: 'faithful', label: 'followed faithfully' },
					{ value: 'own', label: 'a start for an own design' }
				]}
				value={picture.design}
			/>
			<Field name="sourceNote" label="Source" value={picture.sourceNote} />
			<Field
				name="purpose"
				label="Is for"
				options={[
					{ value: 'look', label: 'the breakdown' },
					{ value: 'trace', label: 'tracing pieces' }
				]}
				value={picture.purpose}
			/>
		</div>
		<p class="row how"><button class="button main">Save</button></p>
	</Form>
	<div class="how">
		<Act
			command="removeReference"
			id={picture.id}
			look="quiet"
			at="{base}/look/pictures"
			onDone={() => goto(`${base}/look/pictures`)}><Trash2 size={14} /> Remove this picture</Act
		>
	</div>
</Dialog>

<style>
	.desk {
		display: grid;
		grid-template:
			'views placing' auto
			'views side' 1fr / minmax(0, 1fr) 300px;
		gap: 12px 16px;
		align-items: start;
	}
	.side {
		grid-area: side;
		display: grid;
		gap: 12px;
	}
	.pair {
		display: grid;
		gap: 8px;
	}
	.two .pair {
		grid-template-columns: 1fr 1fr;
	}
	.bar {
		display: flex;
		gap: 4px 8px;
		flex-wrap: wrap;
		align-items: center;
		margin-bottom: 8px;
		color: var(--on-mat);
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
	.by {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		font-size: var(--s13);
		margin-left: 8px;
	}
	.by select {
		width: auto;
		max-width: 132px;
		color: var(--ink);
	}
	.legend {
		list-style: none;
		margin: 8px 0 0;
		padding: 0;
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		color: var(--on-mat);
	}
	.legend li {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	.swatch {
		width: 14px;
		height: 14px;
		border: 1px solid #10241f;
		flex: none;
	}
	.swatch.dashed {
		border-style: dashed;
	}
	.placing {
		grid-area: placing;
	}
	.views {
		grid-area: views;
		min-width: 0;
	}
	.across {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
		gap: 8px 12px;
	}
	.stack {
		display: grid;
		gap: 8px;
	}
	.how {
		margin: 8px 0;
	}
	.list {
		list-style: none;
		margin: 8px 0 0;
		padding: 0;
	}
	.entry {
		display: flex;
		gap: 8px;
		align-items: center;
		width: 100%;
		min-height: 34px;
		padding: 2px 4px;
		border: 0;
		border-bottom: 1px solid var(--rule);
		background: none;
		text-align: left;
		cursor: pointer;
	}
	.entry:hover {
		background: var(--sheet-shade);
	}
	.entry[aria-pressed='true'] {
		background: var(--pink-wash);
	}
	.pick {
		border: 0;
		padding: 0;
		background: none;
		cursor: pointer;
		max-width: 100%;
	}
	/* The component stands above the picture that it is placed on. */
	@media (max-width: 1000px) {
		.desk {
			grid-template:
				'placing' auto
				'views' auto
				'side' auto / minmax(0, 1fr);
		}
	}
	@media (max-width: 700px) {
		.two .pair {
			grid-template-columns: 1fr;
		}
		.tool,
		.entry {
			min-height: 44px;
		}
		.by {
			margin-left: 0;
		}
	}
</style>
