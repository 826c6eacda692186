<script lang="ts">
	import Circle from '@lucide/svelte/icons/circle-dot';
	import Eye from '@lucide/svelte/icons/eye';
	import Pentagon from '@lucide/svelte/icons/pentagon';
	import SeparatorVertical from '@lucide/svelte/icons/separator-vertical';
	import { page } from '$app/state';
	import { tick } from 'svelte';
	import { inLedgerOrder, type Component } from '$core/facts/component.ts';
	import { referencesOf, type Callout } from '$core/facts/picture.ts';
	import { axisOf, unplaced } from '$core/answers/callouts.ts';
	import type { Point } from '$core/units/point.ts';
	import { lookViews } from '$lib/lookViews.ts';
	import Callouts from '$lib/ui/Callouts.svelte';
	import { shadeOf, type ColourBy } from '$lib/ui/calloutColours.ts';
	import Drawing from '$lib/ui/Drawing.svelte';
	import PictureView, { type Onto } from '$lib/ui/PictureView.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { PageData } from './$types';
	import { DraftPoints } from '$lib/ui/draftPoints.svelte.ts';
	import NewCallout from './NewCallout.svelte';
	import AboutPicture from './AboutPicture.svelte';
	import ChosenCallout from './ChosenCallout.svelte';
	import { run } from '$lib/ui/run.ts';
	import MatTools from '$lib/ui/MatTools.svelte';
	import NotPlaced from './NotPlaced.svelte';
	import CalloutLegend from '$lib/ui/CalloutLegend.svelte';
	import HowShown from './HowShown.svelte';

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
	const draft = new DraftPoints();
	let by = $state<ColourBy>('layer');
	let componentId = $state('');
	let side = $state('none');
	let desk: HTMLElement;
	let beside = $state('');
	const at = $derived(Number(page.url.searchParams.get('at')) || null);
	// In two steps: data loaded anew renews page.url, and must not undo what was chosen since.
	let chosen = $derived<number | null>(at);
	const chosenCallout = $derived(callouts.find((c) => c.id === chosen));
	const other = $derived(others.find((p) => String(p.id) === beside));

	const shade = (component: Component | undefined) =>
		shadeOf(component, by, component && data.stages[component.id]);
	const options = $derived(
		inLedgerOrder(data.record.components).map(({ item, depth }) => ({
			value: item.id,
			label: `${'  '.repeat(depth)}${item.code} ${item.name}${open.components.includes(item) ? ' (on no picture yet)' : ''}`
		}))
	);

	let placing: NewCallout | undefined = $state();

	async function put(point: Point, scale: number) {
		if (tool === 'axis') {
			void run('setAxis', { id: picture.id, axisPx: Math.round(point[0] * 100) / 100 });
			return;
		}
		if (tool === 'outline' && !draft.closes(point, NEAR / scale)) return draft.add(point);
		if (tool === 'point') draft.add(point, 1);
		await tick();
		placing?.place();
	}
	const move = (id: number, points: Point[]) => run('moveCallout', { id, points: JSON.stringify(points) });
	async function pick(component: Component) {
		componentId = String(component.id);
		side = component.side === 'left' || component.side === 'right' ? component.side : 'none';
		if (tool !== 'outline') tool = 'point';
		// Chosen below, placed above: both come into sight.
		await tick();
		desk.scrollIntoView({ block: 'start' });
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
			<NewCallout
				bind:this={placing}
				pictureId={picture.id}
				shape={tool}
				{draft}
				{options}
				bind:componentId
				bind:side
			/>
		</div>
	{/if}
	<div class="views">
		<MatTools
			tools={TOOLS}
			{tool}
			onchoose={(own) => {
				tool = own;
				draft.clear();
			}}
		>
			<HowShown bind:by bind:beside {others} {titleOf} />
		</MatTools>
		<div class="pair">
			<PictureView
				{picture}
				label={titleOf(picture)}
				onpoint={tool === 'look' ? undefined : put}
				onkey={(pressed) => draft.key(pressed)}
			>
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
					<Drawing points={draft.points} {onto} closed={tool === 'outline'} />
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
		<CalloutLegend {callouts} components={data.record.components} {shade} />
	</div>

	<div class="side">
		{#if tool === 'axis'}
			<Sheet title="The body’s middle line" level={3}>
				<p class="small">Click on it. Callouts are mirrored about this line.</p>
			</Sheet>
		{:else if chosenCallout}
			<ChosenCallout
				callout={chosenCallout}
				name={nameOf(chosenCallout)}
				{options}
				ongone={() => (chosen = null)}
			/>
		{/if}
		<AboutPicture
			{picture}
			title={titleOf(picture)}
			{base}
			{callouts}
			components={data.record.components}
			{shade}
			{chosen}
			onchoose={(id) => {
				tool = 'look';
				chosen = chosen === id ? null : id;
			}}
		/>
		{#if open.components.length}
			<NotPlaced components={open.components} onpick={pick} />
		{/if}
	</div>
</div>

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
	.placing {
		grid-area: placing;
	}
	.views {
		grid-area: views;
		min-width: 0;
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
	}
</style>
