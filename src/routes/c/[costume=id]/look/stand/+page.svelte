<script lang="ts">
	/** Everything that is shaped, assembled on the wearer: whether it goes together, and how it compares with the pictures. */
	import { page } from '$app/state';
	import { goto } from '$app/navigation';
	import { fittedOf } from '$core/facts/measureRecord.ts';
	import { referencesOf } from '$core/facts/picture.ts';
	import type { Placement } from '$core/facts/placement.ts';
	import { againstPicture, outlinesOf } from '$core/answers/againstPicture.ts';
	import { assembledOf, draggedTo, movedTo, statureOf, type Thing } from '$core/answers/assembled.ts';
	import { sceneOf } from '$core/answers/standScene.ts';
	import { covered } from '$core/engines/assembly/outline.ts';
	import { standSurface } from '$core/engines/stand/surface.ts';
	import type { Point3 } from '$core/units/point.ts';
	import { lookViews } from '$lib/lookViews.ts';
	import AgainstPicture from '$lib/ui/stand/AgainstPicture.svelte';
	import AssembledOutlines from '$lib/ui/stand/AssembledOutlines.svelte';
	import NotOnStand from '$lib/ui/stand/NotOnStand.svelte';
	import PlacedThing from '$lib/ui/stand/PlacedThing.svelte';
	import Rooms from '$lib/ui/stand/Rooms.svelte';
	import StandScene from '$lib/ui/stand/StandScene.svelte';
	import { RoomsFound } from '$lib/ui/stand/roomsFound.svelte.ts';
	import Desk from '$lib/ui/Desk.svelte';
	import Sheet from '$lib/ui/Sheet.svelte';
	import Views from '$lib/ui/Views.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const base = $derived(`/c/${data.record.costume.id}`);
	const unit = $derived(data.workshop.settings.lengthUnit);

	/** What is on its way shows where it is going before it is kept. */
	let moving = $state.raw<{ id: number; placed: Placement } | null>(null);
	const kept = $derived(assembledOf(data.record.components, data.fit, data.workshop.materials));
	const assembled = $derived(moving ? movedTo(kept, moving.id, moving.placed) : kept);
	const wearer = $derived(fittedOf(data.fit)[0]);
	const nameOf = (t: Thing) => `${t.component.code} ${t.name}${t.side ? `, ${t.side}` : ''}`;

	const keyOf = (t: Thing) => `${t.shape.id} ${t.side ?? ''}`;
	let chosenKey = $state<string | null>(null);
	const chosen = $derived(
		assembled.things.find((t) => keyOf(t) === chosenKey) ?? assembled.things.find((t) => t.where) ?? null
	);
	const rooms = new RoomsFound();
	$effect(() => rooms.find(assembled.things));

	const scene = $derived(sceneOf(assembled.stand, null, null));
	const meshes = $derived([
		...scene.meshes,
		...assembled.things.map((t) => ({
			vertices: t.mesh.vertices,
			faces: t.mesh.faces,
			key: keyOf(t),
			// Outer layers are lighter.
			shade: 0.6 + 0.08 * Math.min(t.component.layer, 5),
			look:
				chosenKey !== null && t.shape.id === chosen?.shape.id
					? ('chosen' as const)
					: rooms.into.has(t.shape.id)
						? ('into' as const)
						: ('thing' as const)
		}))
	]);

	let desk = $state<{ move: (to: Placement, now?: boolean) => void; leave: () => void }>();
	/** What was moved before is kept as it stands. */
	function choose(key: string | null) {
		desk?.leave();
		chosenKey = key;
	}
	function dragged(at: Point3, letGo: boolean) {
		if (!chosen?.where) return;
		const to = draggedTo(chosen, at);
		if (letGo) desk?.move(to, true);
		else moving = { id: chosen.shape.id, placed: to };
	}
	const STEPS: Record<string, Partial<Record<keyof Placement, number>>> = {
		ArrowUp: { level: -0.05 },
		ArrowDown: { level: 0.05 },
		ArrowLeft: { turn: -5 },
		ArrowRight: { turn: 5 },
		PageUp: { out: 5 },
		PageDown: { out: -5 }
	};
	function key(event: KeyboardEvent) {
		const step = STEPS[event.key];
		if (!step || !chosen?.where || chosenKey === null) return;
		event.preventDefault();
		const { where } = chosen;
		const [name, by] = Object.entries(step)[0] as ['level' | 'turn' | 'out', number];
		desk?.move({ ...where, [name]: Math.round((where[name] + by) * 100) / 100 });
	}

	const pictures = $derived(referencesOf(data.look.pictures).filter((p) => p.angle !== 'detail'));
	const picture = $derived(
		pictures.find((p) => String(p.id) === page.url.searchParams.get('picture')) ??
			pictures.find((p) => p.scale) ??
			pictures[0]
	);
	/** What is kept against the picture: while something is dragged nothing is outlined anew. */
	const against = $derived(
		picture && againstPicture(picture, data.look.callouts, data.look.measures, kept, statureOf(data.fit))
	);
	const from = $derived(!picture || picture.angle === 'detail' ? 'front' : picture.angle);
</script>

<svelte:head><title>On the stand · {data.record.costume.name} · Dapper Ledger</title></svelte:head>

<Views label="Look" views={lookViews(base)} />
{#if !assembled.things.length}
	<Sheet title="On the stand">
		<p>
			Nothing to stand on {wearer?.name ?? 'the wearer'} yet:
			<a href="{base}/pattern/new">shape a band, a cone or a dome</a>,
			<a href="{base}/pattern/stand">draw panels on the form</a>, or
			<a href="{base}/pattern/bring">unfold a mesh</a>, and it is put together here.
		</p>
	</Sheet>
{:else}
	<Desk sides="minmax(320px, 7fr) 5fr">
		<div class="stack stays">
			<StandScene
				{meshes}
				lines={scene.lines}
				label="{data.record.costume.name} on {wearer?.name ?? 'somebody of middle build'}"
				keys={chosenKey === null ? '' : ' With Shift, arrows and page keys move what is chosen.'}
				onpoint={(_, pressed) => choose(pressed)}
				drags={chosen?.where ? chosenKey : null}
				ondrag={dragged}
				onkey={key}
			>
				{#snippet outlines()}<AssembledOutlines {base} mat />{/snippet}
			</StandScene>
			<p class="onmat small">
				Press a part to choose it, drag it to move it. Red: runs into something. Chalk strokes: nobody
				measured there.
			</p>
		</div>
		<div class="stack">
			<Rooms {rooms} {unit} {nameOf} onchoose={(t) => choose(keyOf(t))} />
			<Sheet title={chosen ? nameOf(chosen) : 'Where it stands'}>
				<label class="which"
					>Part
					<select value={chosen ? keyOf(chosen) : ''} onchange={(e) => choose(e.currentTarget.value)}>
						{#each assembled.things.filter((t) => t.side !== 'right' || t.component.side === 'right' || t === chosen) as t (keyOf(t))}
							<option value={keyOf(t)}>{nameOf(t)}</option>
						{/each}
					</select></label
				>
				{#if chosen?.where}
					{#key chosen.shape.id}
						<PlacedThing
							bind:this={desk}
							thing={chosen}
							{unit}
							onmove={(placed) => (moving = { id: chosen.shape.id, placed })}
							onkept={(id) => moving?.id === id && (moving = null)}
						/>
					{/key}
				{:else if chosen}
					<p class="small">
						Its seams were drawn on the form: <a href="{base}/pattern/stand?shape={chosen.shape.id}"
							>move them there</a
						>.
					</p>
				{/if}
			</Sheet>
			{#if kept.notShown.length}<NotOnStand {base} notShown={kept.notShown} />{/if}
		</div>
	</Desk>
	{#if picture}
		<Sheet title="Against the picture">
			{#snippet tools()}
				{#if pictures.length > 1}
					<label
						>Picture
						<select
							value={String(picture.id)}
							onchange={(e) =>
								goto(`?picture=${e.currentTarget.value}`, {
									noScroll: true,
									replaceState: true,
									keepFocus: true
								})}
						>
							{#each pictures as p (p.id)}<option value={String(p.id)}
									>{p.title || `from the ${p.angle}`}</option
								>{/each}
						</select></label
					>
				{/if}
			{/snippet}
			{#if against}
				<AgainstPicture
					{picture}
					behind={against.behind}
					found={against.found}
					body={covered([standSurface(kept.stand, 2)], from)}
					things={outlinesOf(kept.things, from).flatMap((t) => (t.hidden ? [] : t.outlines))}
				/>
			{:else}
				<p>
					This picture has no scale: <a href="{base}/measure/pictures/{picture.id}"
						>say how high its figure stands</a
					>, and what is made is laid over it.
				</p>
			{/if}
		</Sheet>
	{/if}
{/if}

<style>
	@media (min-width: 901px) {
		.stays {
			position: sticky;
			top: 12px;
		}
	}
	.onmat {
		color: var(--on-mat);
		margin: 0;
	}
	.which {
		display: flex;
		gap: 10px;
		align-items: center;
		margin-bottom: 8px;
	}
	.which select {
		flex: 1;
		min-width: 0;
	}
</style>
