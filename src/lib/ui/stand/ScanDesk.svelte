<script lang="ts">
	/** A scan stood up, pressed where the tape would lie: each girth against what was measured, and how wide by deep it is. */
	import type { Wearer } from '$core/facts/bodyMeasure.ts';
	import { latest, measureWords } from '$core/facts/bodyMeasure.ts';
	import type { Workshop } from '$core/facts/workshop.ts';
	import {
		mayStand,
		SCAN_DIFFERS,
		SCAN_LEVELS,
		type ScanTaken,
		stoodUp,
		takenAt
	} from '$core/answers/scanned.ts';
	import { figuresOfMesh, pointOf, triangleCount, type Mesh } from '$core/engines/mesh/mesh.ts';
	import { tapedAt } from '$core/engines/stand/scan.ts';
	import { formatDate, dayOf } from '$core/units/localTime.ts';
	import { formatLength, MM_PER } from '$core/units/measure.ts';
	import { formatNumber, formatPercent } from '$core/units/number.ts';
	import type { Point3 } from '$core/units/point.ts';
	import { page } from '$app/state';
	import Desk from '../Desk.svelte';
	import Field from '../Field.svelte';
	import Form from '../Form.svelte';
	import Sheet from '../Sheet.svelte';
	import Submit from '../Submit.svelte';
	import StandScene from './StandScene.svelte';

	interface Props {
		mesh: Mesh;
		wearer: Wearer;
		workshop: Workshop;
		onDone: () => void;
	}
	let { mesh, wearer, workshop, onDone }: Props = $props();
	const unit = $derived(workshop.settings.lengthUnit);
	const length = (mm: number) => formatLength(mm, unit);

	let fileUnit = $state<keyof typeof MM_PER>('mm');
	let up = $state<'y' | 'z'>('y');
	let quarters = $state('0');
	const scan = $derived(stoodUp(mesh, { mm: MM_PER[fileUnit], up, quarters: Number(quarters) }));
	const tall = $derived(figuresOfMesh(scan).high[1]);
	const stature = $derived(latest(wearer.measures, 'stature', 'none')?.mm ?? null);
	const likely = $derived(mayStand(tall));

	let levelKey = $state('chestGirth none');
	const level = $derived(SCAN_LEVELS.find((l) => l.key === levelKey)!);
	/** On another size, another way up, nothing that was pressed is there any more. */
	let pressed = $state.raw<{ on: Mesh; all: ScanTaken[] } | null>(null);
	const taken = $derived(pressed?.on === scan ? pressed.all : []);
	const keep = (all: ScanTaken[]) => (pressed = { on: scan, all });
	let missed = $state(false);
	function press(at: Point3) {
		const cut = tapedAt(scan, at, level.tape);
		missed = cut === null;
		if (!cut) return;
		keep([...taken.filter((t) => t.key !== level.key), takenAt(level, cut, wearer)]);
		// On to the next that nobody pressed yet.
		const next = SCAN_LEVELS.find(
			(l, i) => i > SCAN_LEVELS.indexOf(level) && !taken.some((t) => t.key === l.key)
		);
		if (next) levelKey = next.key;
	}
	const shown = $derived({
		vertices: Array.from({ length: scan.points.length / 3 }, (_, i) => [...pointOf(scan, i)] as Point3),
		faces: Array.from({ length: triangleCount(scan) }, (_, t): [number, number, number] => [
			scan.triangles[3 * t]!,
			scan.triangles[3 * t + 1]!,
			scan.triangles[3 * t + 2]!
		]),
		look: 'cloth' as const
	});
	const name = (t: Pick<ScanTaken, 'measure' | 'side'>) => measureWords(t.measure, t.side);
	const off = (t: ScanTaken) => (t.measured === null ? 0 : t.girth / t.measured - 1);
</script>

<Desk sides="minmax(320px, 6fr) 6fr">
	<div class="stack">
		<StandScene
			meshes={[shown]}
			lines={taken.map((t) => ({ points: t.line, strong: t.key === taken.at(-1)?.key }))}
			label="Scan of {wearer.name}"
			onpoint={press}
		>
			{#snippet outlines()}<p class="onmat">
					A scan cannot be pressed here: this browser has no WebGL.
				</p>{/snippet}
		</StandScene>
	</div>
	<div class="stack">
		<Sheet title="How it lies">
			<div class="fields">
				<Field name="unit" label="The file is in" options={Object.keys(MM_PER)} bind:value={fileUnit} />
				<Field
					name="up"
					label="Up in the file"
					options={[
						{ value: 'y', label: 'y' },
						{ value: 'z', label: 'z' }
					]}
					bind:value={up}
				/>
				<Field
					name="quarters"
					label="Turned by"
					options={[0, 1, 2, 3].map((q) => ({ value: String(q), label: `${90 * q}°` }))}
					hint="until it looks out at you from the front"
					bind:value={quarters}
				/>
			</div>
			<p class:warn={!likely}>
				{length(tall)} high{#if stature !== null}; measured {length(stature)}{/if}.
				{#if !likely}Nobody is: is it in another unit, or does another side lie up?{/if}
			</p>
		</Sheet>
		<Sheet title="Girths on it">
			<label class="levels"
				>Press on it at
				<select bind:value={levelKey}>
					{#each SCAN_LEVELS as l (l.key)}<option value={l.key}>{name(l)}</option>{/each}
				</select></label
			>
			{#if missed}<p class="warn small" role="alert">Nothing is cut there: press on the body.</p>{/if}
			<ul class="plain" aria-label="Girths found">
				{#each taken as t (t.key)}
					<li class:off={Math.abs(off(t)) > SCAN_DIFFERS || !t.closed}>
						<b>{name(t)}</b>
						<span class="figure">{length(t.girth)}</span>
						<span class="small soft">
							{#if t.measured === null}not measured yet{:else if Math.abs(off(t)) < 0.0005}as measured{:else}{formatPercent(
									Math.abs(off(t)),
									1
								)}
								{off(t) > 0 ? 'more' : 'less'} than the tape{/if}{#if t.breadthToDepth !== null}; {formatNumber(
									t.breadthToDepth,
									2
								)} times as wide as deep{/if}{#if !t.closed}; the scan has a gap here{/if}
						</span>
						<button
							class="button small quiet"
							type="button"
							onclick={() => keep(taken.filter((o) => o !== t))}
							>leave out<span class="visually-hidden"> {name(t)}</span></button
						>
					</li>
				{:else}<li class="soft">
						Nothing pressed yet. A level is cut through where you press, and the tape goes over hollows.
					</li>{/each}
			</ul>
			<p class="small soft">
				More than {formatPercent(SCAN_DIFFERS)} apart: breath, clothes, or another level. Measure there again before
				you take it.
			</p>
			<Form
				command="takeScan"
				label="Take the measures"
				hidden={{
					wearerId: wearer.id,
					taken: JSON.stringify(
						taken.map((t) => ({
							key: t.key,
							mm: Math.round(t.girth * 10) / 10,
							breadthToDepth: t.breadthToDepth
						}))
					)
				}}
				{onDone}
			>
				<Field name="takenOn" label="Scanned on" type="date" value={formatDate(dayOf(page.data.now))} />
				<p class="row end"><Submit>Take these measures and forms</Submit></p>
			</Form>
		</Sheet>
	</div>
</Desk>

<style>
	.levels {
		display: flex;
		gap: 10px;
		align-items: center;
		margin-bottom: 8px;
	}
	.levels select {
		flex: 1;
		min-width: 0;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
		align-items: baseline;
		border-bottom: 1px solid var(--rule);
		border-left: 4px solid transparent;
		padding: 5px 0 5px 8px;
	}
	li.off {
		border-left-color: var(--brass);
	}
	li .button {
		margin-left: auto;
	}
	.warn {
		border-left: 4px solid var(--brass);
		padding: 6px 10px;
	}
	.onmat {
		color: var(--on-mat);
	}
</style>
