import { z } from 'zod';
import { withRecord } from '$core/answers/asIf.ts';
import { listLines } from '$core/answers/purchase.ts';
import { shoppingLines, type ShoppingLine } from '$core/answers/shopping.ts';
import { areaInOther, notHere, standInsFor, type StandIn } from '$core/answers/standIn.ts';
import { workshopFor } from '$core/answers/stash.ts';
import { layPlan } from '$core/facts/layout.ts';
import { areaOfUnit, type Material, type Purchase } from '$core/facts/material.ts';
import { copiesOf } from '$core/facts/component.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import { techniqueOf } from '$core/trade/catalogue.ts';
import { GRACE } from '$core/units/packs.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, Refused } from '../db/rows.ts';
import { insertAll, selectOfCostumes, set } from '../db/tables.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMaterials, loadOffers } from '../read/workshop.ts';
import { coatCommands } from './coat.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { takeOff } from './joint.ts';
import { insertStack, layoutCommands } from './layout.ts';
import { setNeed } from './need.ts';
import { insertPurchase } from './purchase.ts';
import { wayCommands } from './way.ts';

type Of<K extends StandIn['kind']> = Extract<StandIn, { kind: K }>;

/** How a costume stands, and the workshop as it may count on it then. */
async function standsNow(
	tx: Executor,
	{ costumeId, shop }: Context
): Promise<{ record: CostumeRecord; workshop: Workshop; lines: ShoppingLine[] }> {
	const record = await loadRecord(tx, costumeId);
	if (!record) throw new Absent('costume');
	const its = { workshop: { ...shop!.workshop, materials: await loadMaterials(tx) }, atWork: shop!.atWork };
	const workshop = shop!.atWork.some((c) => c.record.costume.id === costumeId)
		? withRecord(record, its)({ record, workshop: its.workshop }).workshop
		: workshopFor(its.workshop, record.costume, new Map());
	return { record, workshop, lines: shoppingLines(record, workshop) };
}

const putOffList = async (tx: Executor, materialId: number, costumeId: number) =>
	takeOff(
		tx,
		(await selectOfCostumes<Purchase>(tx, 'purchase', [costumeId])).filter(
			(p) => p.materialId === materialId && p.state === 'planned'
		)
	);

/** Bought elsewhere: what was only on the list goes, what is ordered may come later and is not waited for. */
async function buyElsewhere(
	tx: Executor,
	{ pack, packs }: Of<'supplier'>,
	{ workshop, record }: { workshop: Workshop; record: CostumeRecord }
): Promise<void> {
	const { id: costumeId, currency } = record.costume;
	const listed = record.purchases.filter((p) => p.materialId === pack.materialId && p.state === 'planned');
	// What was for one component stays for it, and what was written beside it is not lost.
	const [first] = listed;
	const componentId = listed.every((p) => p.componentId === first?.componentId) ? first?.componentId : null;
	const note = listed.flatMap((p) => p.note || []).join('\n');
	await putOffList(tx, pack.materialId, costumeId);
	await insertAll(
		tx,
		'purchase',
		listLines([{ pack, packs }], workshop, currency).map((l) => ({
			costumeId,
			componentId: componentId ?? null,
			materialId: pack.materialId,
			packs: l.packs,
			packSize: pack.packSize,
			packPriceMinor: l.packPriceMinor,
			shippingMinor: l.shippingMinor,
			supplier: pack.supplier,
			leadDays: pack.leadDays,
			leadWorkingDays: pack.leadWorkingDays,
			note
		}))
	);
}

/** Pieces that are cut from it are cut from the other; what was entered by hand becomes as much of the other. */
async function cutFromOther(
	tx: Executor,
	{ otherId, layers, paint }: Of<'cut'>,
	material: Material,
	{ record, workshop }: { record: CostumeRecord; workshop: Workshop },
	context: Context
): Promise<void> {
	const other = workshop.materials.find((m) => m.id === otherId)!;
	const cut = await all<{ componentId: number }>(
		tx,
		`select distinct s.component_id from shape s join component c on c.id = s.component_id
		where c.costume_id = $1
			and (s.material_id = $2 or exists (select 1 from jsonb_each_text(s.roles) r where r.value::integer = $2))`,
		[context.costumeId, material.id]
	);
	if (cut.length)
		await layoutCommands.cutFrom.run(
			tx,
			{ materialId: material.id, otherId, layers, glueId: null, glue: [] },
			context
		);
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const drawn = new Set(cut.map((c) => c.componentId));
	for (const need of record.needs) {
		if (need.materialId !== material.id || drawn.has(need.componentId)) continue;
		const before = record.needs.find((n) => n.componentId === need.componentId && n.materialId === otherId);
		const quantity = areaInOther(need.quantity, material, other, layers)!;
		await setNeed(tx, need.componentId, otherId, quantity + (before?.quantity ?? 0));
		await tx.query('delete from need where id = $1', [need.id]);
		const area = (need.quantity * areaOfUnit(material)!) / copiesOf(byId.get(need.componentId)!, byId);
		if (layers > 1) await insertStack(tx, need.componentId, layers, area * (layers - 1));
	}
	for (const componentId of paint?.componentIds ?? []) {
		const units = record.needs.reduce(
			(sum, n) => sum + (n.materialId === material.id && n.componentId === componentId ? n.quantity : 0),
			0
		);
		await coatCommands.addCoat.run(
			tx,
			{
				componentId,
				product: paint!.product,
				coats: paint!.coats,
				area: (units * areaOfUnit(material)!) / copiesOf(byId.get(componentId)!, byId),
				fromPieces: drawn.has(componentId),
				guessed: false,
				materialId: paint!.paintId,
				recoatMinutes: null,
				handlingMinutes: null
			},
			context
		);
	}
}

/** These steps become others. What was entered by hand of the closure goes: the work asks for what it takes now. */
async function closeOtherwise(
	tx: Executor,
	{ technique, steps }: Of<'closure'>,
	material: Material,
	{ record }: { record: CostumeRecord },
	{ trade }: Context
): Promise<void> {
	const { name } = techniqueOf(trade, technique);
	const changed = new Set<number>();
	for (const { id, amount } of steps) {
		const { guessed, componentId } = record.steps.find((s) => s.id === id)!;
		// What was a guess stays one.
		const guess = guessed ? amount : null;
		await set(tx, 'step', id, { technique, name, amount, guess, fromPieces: false, takes: null });
		changed.add(componentId);
	}
	await tx.query('delete from need where material_id = $1 and component_id = any($2) and taken = 0', [
		material.id,
		[...changed]
	]);
}

export const standInCommands = {
	/**
	 * What cannot come in time is replaced: the stand-in takes its place in the work, what was only on the list of it goes where
	 * nothing needs it any more, and what is short because of that is put on the list.
	 */
	takeStandIn: command(
		() =>
			z.object({
				materialId: f.id(),
				key: f.text(60),
				/** What is cut from it, laid out on what stands in. */
				laid: f.json(layPlan.nullable(), 'The layout cannot be read.', 20_000_000).optional()
			}),
		async (tx, v, context) => {
			const now = await standsNow(tx, context);
			const line = now.lines.find((l) => l.material.id === v.materialId);
			if (!line) throw new Absent('material');
			const offers = await loadOffers(tx, [v.materialId]);
			const standIn = standInsFor(line, { ...now, offers, now: context.now }).find((s) => s.key === v.key);
			if (!standIn) throw new Refused('That cannot be done any more: the costume has changed. Look again.');
			const { material } = line;
			if (standIn.kind === 'supplier') await buyElsewhere(tx, standIn, now);
			if (standIn.kind === 'cut') {
				await cutFromOther(tx, standIn, material, now, context);
				if (v.laid)
					await layoutCommands.keepLayout.run(
						tx,
						{ materialId: standIn.otherId, name: '', plan: v.laid },
						context
					);
			}
			if (standIn.kind === 'closure') await closeOtherwise(tx, standIn, material, now, context);
			if (standIn.kind === 'colour')
				for (const id of standIn.coatIds) await set(tx, 'coat', id, { materialId: standIn.otherId });
			if (standIn.kind === 'make') {
				await wayCommands.chooseWay.run(
					tx,
					{
						id: standIn.componentId,
						source: 'make',
						reason: `${material.name} cannot come in time`,
						layOut: true,
						buyPriceMinor: 0,
						buyLeadDays: 0,
						alterPriceMinor: 0,
						alterLeadDays: 0
					},
					context
				);
				await dropBought(tx, standIn.componentId, material.id);
			}
			await settleList(tx, material, now.lines, context);
			return { words: `${material.name}: ${standIn.words}` };
		},
		{ shop: true }
	)
};

/** What is made here is not bought as well. */
const dropBought = (tx: Executor, componentId: number, materialId: number) =>
	tx.query('delete from need where component_id = $1 and material_id = $2 and taken = 0', [
		componentId,
		materialId
	]);

/** Off the list what nothing needs any more; on it what has become short. */
async function settleList(
	tx: Executor,
	material: Material,
	before: readonly ShoppingLine[],
	context: Context
): Promise<void> {
	const { record, lines } = await standsNow(tx, context);
	const its = lines.find((l) => l.material.id === material.id);
	if (its && notHere(its, record) <= GRACE) await putOffList(tx, material.id, context.costumeId);
	const shortBefore = new Map(before.map((l) => [l.material.id, l.packsShort]));
	for (const { material: m, packsShort } of lines) {
		const more = packsShort - (shortBefore.get(m.id) ?? 0);
		if (more > 0) await insertPurchase(tx, context.costumeId, m, more, null);
	}
}
