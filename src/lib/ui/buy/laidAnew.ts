import { preloadData } from '$app/navigation';
import { layGroups, stockOfMaterial, withMoved } from '$core/answers/layPieces.ts';
import type { Component } from '$core/facts/component.ts';
import type { LayPlan } from '$core/facts/layout.ts';
import { fittedOf } from '$core/facts/measureRecord.ts';
import type { Material } from '$core/facts/material.ts';
import { usualSettings } from '$lib/ui/lay/laySettings.svelte.ts';
import { run } from '../../../workers/run.ts';

/** A layout that nobody looks at: it is good enough soon. */
const SECONDS = 1;

/** What Lay shows of a costume. */
interface Lay {
	record: { components: readonly Component[] };
	workshop: { materials: readonly Material[] };
	layouts: readonly { materialId: number; cutAt: number | null }[];
	fit: Parameters<typeof fittedOf>[0] & { shapes: Parameters<typeof layGroups>[1] };
}

/**
 * The pieces that are cut from a material, laid out on what stands in for it, in so many layers, with what is cut from that anyway; null
 * where none are drawn, where its size is not known, where some of it is cut, and where they do not all fit.
 */
export async function laidAnew(
	costumeId: number,
	materialId: number,
	{ otherId, layers }: { otherId: number; layers: number },
	signal: AbortSignal
): Promise<LayPlan | null> {
	const found = await preloadData(`/c/${costumeId}/lay`);
	if (found.type !== 'loaded' || found.status !== 200) return null;
	const { record, workshop, fit, layouts } = found.data as Lay;
	const other = workshop.materials.find((m) => m.id === otherId);
	const settings = other && usualSettings(other);
	const stock = other && stockOfMaterial(other, [], settings!);
	if (!stock || !settings) return null;
	const { groups } = layGroups(record.components, fit.shapes, fittedOf(fit), workshop.materials, settings);
	// Of what is cut already nobody lays the rest together with it.
	const begun = layouts.some((l) => l.materialId === otherId && l.cutAt !== null);
	const pieces = begun ? null : withMoved(groups, materialId, stock, layers);
	if (!pieces) return null;
	const done = await run<'layout'>(
		() => new Worker(new URL('../../../workers/layout.worker.ts', import.meta.url), { type: 'module' }),
		{
			kind: 'layout',
			task: { stock: [stock], pieces, gap: settings.gap, edge: settings.edge, seed: 1 },
			seconds: SECONDS
		},
		() => {},
		signal
	);
	return done.ok && done.value.layout.unplaced.length === 0
		? { settings, stock, pieces, placements: done.value.layout.placements }
		: null;
}
