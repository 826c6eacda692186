import { STANDARD } from '../../trade/catalogue.ts';
import type { HandbookTable } from '../../facts/handbook.ts';
import type { CostumeFile } from './costumeFile.ts';

type Ids = Set<number>;
type Tuple9 = [Ids, Ids, Ids, Ids, Ids, Ids, Ids, Ids, Ids];

/** Links that lead nowhere, and parts that contain themselves. */
export function findDangling(file: CostumeFile): string | null {
	const ids = (rows: readonly { id: number }[]) => new Set(rows.map((r) => r.id));
	const [components, steps, coats, faults, materials, pictures, wearers, fittings, places] = [
		file.components,
		file.steps,
		file.coats,
		file.faults,
		file.materials,
		file.pictures,
		file.wearers,
		file.fittings,
		file.places
	].map(ids) as Tuple9;
	const lists = { components, steps, pictures, wearers, materials };
	const links: [string, number | null, Set<number>][] = [
		...file.components.map((c): [string, number | null, Set<number>] => [
			'component part of',
			c.parentId,
			components
		]),
		...[...file.coats, ...file.faults, ...file.steps, ...file.needs, ...file.purchases, ...file.photos].map(
			(r): [string, number | null, Set<number>] => ['component', r.componentId, components]
		),
		...file.steps.flatMap((s): [string, number | null, Set<number>][] => [
			['coat', s.coatId, coats],
			['fault', s.faultId, faults],
			['place', s.placeId, places],
			...s.after.map((a): [string, number, Set<number>] => ['step', a, steps])
		]),
		...file.logs.map((l): [string, number | null, Set<number>] => ['step', l.stepId, steps]),
		...file.needs.flatMap((n): [string, number | null, Set<number>][] => [
			['material', n.materialId, materials],
			['step', n.stepId, steps]
		]),
		...file.purchases.map((p): [string, number | null, Set<number>] => ['material', p.materialId, materials]),
		...file.photos.flatMap((p): [string, number | null, Set<number>][] => [
			['step', p.stepId, steps],
			['fault', p.faultId, faults],
			['fitting', p.fittingId, fittings]
		]),
		...(file.found ?? []).map((f): [string, number | null, Set<number>] => ['step', f.step, steps]),
		...file.layouts.flatMap((l): [string, number | null, Set<number>][] => [
			['material', l.materialId, materials],
			...l.plan.pieces.map((p): [string, number, Set<number>] => ['component', p.componentId, components])
		]),
		...lookLinks(file).map(([name, at, list]): [string, number | null, Set<number>] => [
			name,
			at,
			lists[list]
		]),
		...file.faults.map((f): [string, number | null, Set<number>] => ['fault', f.cameBackOf, faults])
	];
	const gone = keyNotKnown(file);
	if (gone) return gone;
	const broken = links.find(([, to, known]) => to !== null && !known.has(to));
	if (broken) return `The file has a link that leads nowhere: ${broken[0]} ${broken[1]}.`;
	const parents = new Map(file.components.map((c) => [c.id, c.parentId]));
	for (const c of file.components) {
		const seen = new Set<number>();
		for (let at: number | null | undefined = c.id; at != null; at = parents.get(at)) {
			if (seen.has(at)) return `The file has a component that is a part of itself: ${c.code}.`;
			seen.add(at);
		}
	}
	const codes = new Set(file.components.map((c) => c.code));
	return codes.size < file.components.length ? 'The file has two components with the same code.' : null;
}

/** A key of the handbook that neither ships nor stands in the file. */
function keyNotKnown(file: CostumeFile): string | null {
	const its = new Set(file.handbook.map((r) => `${r.tableName} ${r.key}`));
	const isKnown = (table: HandbookTable, key: string | null) =>
		key === null || Object.hasOwn(STANDARD[table], key) || its.has(`${table} ${key}`);
	const named: [string, HandbookTable, string | null][] = [
		...file.components.map(
			(c, i) => [`components.${i}.route`, 'route', c.route] as [string, HandbookTable, string | null]
		),
		...file.coats.map(
			(c, i) => [`coats.${i}.product`, 'coatProduct', c.product] as [string, HandbookTable, string]
		),
		...file.steps.map(
			(s, i) => [`steps.${i}.technique`, 'technique', s.technique] as [string, HandbookTable, string]
		),
		...file.faults.map(
			(f, i) => [`faults.${i}.known`, 'knownFault', f.known] as [string, HandbookTable, string | null]
		),
		...file.materials.map(
			(m, i) =>
				[`materials.${i}.coatProduct`, 'coatProduct', m.coatProduct] as [string, HandbookTable, string | null]
		)
	];
	const wrong = named.find(([, table, key]) => !isKnown(table, key));
	return wrong ? `The file has a wrong field: ${wrong[0]} — “${wrong[2]}” is not in the handbook.` : null;
}

/** Links of these parts: what they are called, where they lead, and to which list. */
function lookLinks(
	file: CostumeFile
): [string, number | null, 'components' | 'steps' | 'pictures' | 'wearers' | 'materials'][] {
	return [
		...[...file.callouts, ...file.pictureMeasures].flatMap((c): ReturnType<typeof lookLinks> => [
			['picture', c.pictureId, 'pictures'],
			['component', c.componentId, 'components']
		]),
		...[...file.decisions, ...file.openings, ...file.shapes, ...file.nominals].map(
			(r): ReturnType<typeof lookLinks>[number] => ['component', r.componentId, 'components']
		),
		...file.shapes.map((s): ReturnType<typeof lookLinks>[number] => ['material', s.materialId, 'materials']),
		...file.fittings.flatMap((f): ReturnType<typeof lookLinks> => [
			['wearer', f.wearerId, 'wearers'],
			...f.componentIds.map((c): ReturnType<typeof lookLinks>[number] => ['component', c, 'components']),
			...f.points.flatMap((p): ReturnType<typeof lookLinks> => [
				['component', p.componentId, 'components'],
				['step', p.stepId, 'steps']
			])
		])
	];
}
