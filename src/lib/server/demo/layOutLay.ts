import { layOut } from '$core/engines/layout/engine.ts';
import { layGroups, stockOfMaterial } from '$core/answers/layPieces.ts';
import { rectangle } from '$core/engines/layout/offcut.ts';
import { PLAIN_LAY } from '$core/facts/layout.ts';
import { fittedOf } from '$core/facts/measureRecord.ts';
import type { Point } from '$core/units/point.ts';
import { contextOf } from '../commands/command.ts';
import { layoutCommands } from '../commands/layout.ts';
import { insertOffcut } from '../commands/offcut.ts';
import type { Executor } from '../db/open.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMeasure } from '../read/measure.ts';
import { loadMaterials } from '../read/workshop.ts';

/** Offcuts of the demo's stash: what earlier costumes left. All our own invention. */
const OFFCUTS: { of: string; outline: Point[]; flaws: Point[][]; note: string }[] = [
	{
		of: 'High-density foam 6 mm',
		outline: [
			[0, 0],
			[470, 0],
			[470, 230],
			[240, 230],
			[240, 420],
			[0, 420]
		],
		flaws: [rectangle(45, 30).map(([x, y]): Point => [x + 8, y + 380])],
		note: 'shelf by the door, dent at the end'
	},
	{
		of: 'Waxed linen, slate',
		outline: [
			[0, 0],
			[620, 0],
			[580, 410],
			[0, 450]
		],
		flaws: [],
		note: 'blue folder'
	}
];
/** A layout is improved by so many rounds: not by the clock, so that the demo is the same everywhere. */
const ROUNDS = 30;

export async function layOutOffcuts(tx: Executor): Promise<void> {
	const materials = await loadMaterials(tx);
	for (const [i, { of, outline, flaws, note }] of OFFCUTS.entries())
		await insertOffcut(tx, {
			materialId: materials.find((m) => m.name === of)!.id,
			name: `Offcut ${i + 1}`,
			outline,
			flaws,
			note
		});
}

/** One layout of a costume, kept to be cut by. */
export async function layOutKept(
	tx: Executor,
	folder: string,
	costumeId: number,
	of: string,
	now: number
): Promise<void> {
	const record = (await loadRecord(tx, costumeId))!;
	const fit = await loadMeasure(tx, costumeId);
	const { groups } = layGroups(
		record.components,
		fit.shapes,
		fittedOf(fit),
		await loadMaterials(tx),
		PLAIN_LAY
	);
	const { material, pieces } = groups.find((g) => g.material.name === of)!;
	const stock = stockOfMaterial(material, [], PLAIN_LAY)!;
	const { work, soFar } = layOut({ ...PLAIN_LAY, stock: [stock], pieces, seed: 1 }, () => false);
	for (let round = 0; round < ROUNDS && !work.next().done;) round++;
	const context = { ...(await contextOf(tx, folder, { costume: String(costumeId) })), now };
	const plan = { settings: PLAIN_LAY, stock, pieces, placements: soFar().placements };
	await layoutCommands.keepLayout.run(tx, { materialId: material.id, name: '', plan }, context);
}
