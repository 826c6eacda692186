import pluralize from 'pluralize';
import { z } from 'zod';
import { cutOutOf } from '$core/answers/lots.ts';
import type { Lot } from '$core/facts/lot.ts';
import type { Material } from '$core/facts/material.ts';
import { dayOf } from '$core/units/localTime.ts';
import { namesWords } from '$core/units/names.ts';
import { formatNumber, parseNumber } from '$core/units/number.ts';
import { GRACE } from '$core/units/packs.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { NO_PICTURE, storePicture } from '../pictures.ts';
import { loadMaterial, loadMaterials } from '../read/workshop.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { price, withCurrency } from './price.ts';

/** More than anyone has of anything. */
const MOST = 1_000_000;

const fields = ({ currency }: Context) => ({
	quantity: f.above0(MOST),
	colour: f.text(80),
	place: f.text(),
	boughtOn: f.dateOrNull(),
	packSize: f.orNull(f.above0(MOST)),
	packPriceMinor: price,
	currency: f.currency(currency),
	bestBefore: f.dateOrNull(),
	openedOn: f.dateOrNull(),
	openMonths: f.orNull(f.whole(1, 120)),
	note: f.note()
});
type Typed = z.infer<z.ZodObject<ReturnType<typeof fields>>>;

/** With the pack that a price is of; days that cannot be are refused. */
function lotOf(v: Typed, material: Pick<Material, 'packSize'>, { now }: Context) {
	if (v.boughtOn !== null && v.boughtOn > dayOf(now))
		throw new Refused('That day is still to come.', 'boughtOn');
	if (v.boughtOn !== null && v.bestBefore !== null && v.bestBefore < v.boughtOn)
		throw new Refused('It was bought later than that.', 'bestBefore');
	if (v.openedOn !== null && v.openedOn > dayOf(now))
		throw new Refused('That day is still to come.', 'openedOn');
	if (v.openedOn !== null && v.boughtOn !== null && v.openedOn < v.boughtOn)
		throw new Refused('It was bought later than that.', 'openedOn');
	const priced = v.packPriceMinor !== null;
	return {
		...v,
		packSize: priced ? (v.packSize ?? material.packSize) : null,
		currency: priced ? v.currency : null
	};
}

/** A lot with its material. */
async function lotIn(tx: Executor, id: number): Promise<{ lot: Lot; material: Material }> {
	for (const material of await loadMaterials(tx))
		for (const lot of material.lots) if (lot.id === id) return { lot, material };
	throw new Absent('lot');
}

const amount = (units: number, { name, unit }: Pick<Material, 'name' | 'unit'>) =>
	`${formatNumber(units)} ${unit} of ${name}`;

/** What is left of a lot; one that is used up is gone. */
async function leave(
	tx: Executor,
	id: number,
	quantity: number,
	more: { countedOn?: number } = {}
): Promise<void> {
	if (quantity <= GRACE) await tx.query('delete from lot where id = $1', [id]);
	else await set(tx, 'lot', id, { quantity, ...more });
}

/**
 * So many units out of the stash, to be cut.
 * @param material as it stands, its lots with it
 * @returns what was taken of which lot; less where there was not so much
 */
export async function takeOut(tx: Executor, material: Material, units: number) {
	const parts = cutOutOf(material, units);
	for (const { lot, units: its } of parts) await leave(tx, lot.id, lot.quantity - its);
	return parts;
}

export const insertLot = (
	tx: Executor,
	lot: Pick<Lot, 'materialId' | 'quantity'> & Partial<Omit<Lot, 'id' | 'version' | 'good' | 'lastDay'>>
): Promise<number> => insert(tx, 'lot', lot);

export const lotCommands = {
	addLot: command(
		(context) => withCurrency(z.object({ materialId: f.id(), ...fields(context) }), context),
		async (tx, v, context) => {
			const material = await loadMaterial(tx, v.materialId);
			const id = await insertLot(tx, { materialId: v.materialId, ...lotOf(v, material, context) });
			return { words: `Put ${amount(v.quantity, material)} in the stash`, result: { id } };
		}
	),

	editLot: command(
		(context) => withCurrency(z.object({ id: f.id(), version: f.version(), ...fields(context) }), context),
		async (tx, v, context) => {
			const { material } = await lotIn(tx, v.id);
			await update(tx, 'lot', v, lotOf(v, material, context));
			return { words: `Changed a lot of ${material.name}` };
		}
	),

	/** Counting one lot: the most frequent change, so it has a field of its own. */
	countLot: command(
		() => z.object({ id: f.id(), version: f.version(), quantity: f.decimal(0, MOST) }),
		async (tx, v, { now }) => {
			const { material } = await lotIn(tx, v.id);
			await update(tx, 'lot', v, { countedOn: dayOf(now) });
			await leave(tx, v.id, v.quantity);
			return {
				words:
					v.quantity <= GRACE
						? `A lot of ${material.name} is used up`
						: `Counted ${amount(v.quantity, material)}`
			};
		}
	),

	removeLot: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const { lot, material } = await lotIn(tx, id);
			await leave(tx, id, 0);
			return { words: `Took ${amount(lot.quantity, material)} out of the stash` };
		}
	),

	/** A photo of it, so that it is found on the shelf and beside the shopping list. */
	photographLot: command(
		() => z.object({ id: f.id(), photo: z.instanceof(File, { error: 'Choose a picture.' }) }),
		async (tx, { id, photo }, { folder }) => {
			const { material } = await lotIn(tx, id);
			const picture = await storePicture(folder, new Uint8Array(await photo.arrayBuffer()));
			await set(tx, 'lot', id, { ...picture });
			return { words: `Photographed a lot of ${material.name}` };
		}
	),

	removeLotPhoto: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const { material } = await lotIn(tx, id);
			await set(tx, 'lot', id, NO_PICTURE);
			return { words: `Removed the photo of a lot of ${material.name}` };
		}
	),

	/**
	 * A stock-take: `lot12` is what there is of lot 12, which was shown as `was12`; `seen` are those that are as they should be, `gone`
	 * the offcuts that are not there any more.
	 */
	takeStock: command(
		() => z.looseObject({ seen: f.ids(), gone: f.ids() }),
		async (tx, { seen, gone, ...counts }, { now }) => {
			const today = dayOf(now);
			const materials = await loadMaterials(tx);
			const changed: string[] = [];
			let counted = 0;
			for (const material of materials)
				for (const lot of material.lots) {
					const field = `lot${lot.id}`;
					const quantity = f.typedBeside(counts, field, parseNumber);
					if (quantity === null && !seen.includes(lot.id)) continue;
					if (quantity !== null && (quantity < 0 || quantity > MOST))
						throw new Refused(`Between 0 and ${MOST}.`, field);
					counted++;
					const was = Number(counts[`was${lot.id}`]);
					if (Number.isFinite(was) && Math.abs(was - lot.quantity) > GRACE)
						throw new Refused(
							`There were ${formatNumber(was)} ${material.unit} of ${material.name} when you counted, and there are ${formatNumber(lot.quantity)} now. Count it again.`,
							field
						);
					await leave(tx, lot.id, quantity ?? lot.quantity, { countedOn: today });
					if (quantity !== null && Math.abs(quantity - lot.quantity) > GRACE)
						changed.push(
							`${material.name} ${formatNumber(quantity)} instead of ${formatNumber(lot.quantity)}`
						);
				}
			const away = gone.length
				? await all<{ name: string }>(tx, 'delete from offcut where id = any($1) returning name', [gone])
				: [];
			if (counted + away.length === 0) throw new Refused('Count something first.');
			const parts = [
				counted > 0 && `Counted ${pluralize('lot', counted, true)}`,
				changed.length > 0 && namesWords(changed),
				away.length > 0 && `${namesWords(away.map((o) => o.name))} ${away.length === 1 ? 'is' : 'are'} gone`
			];
			return { words: parts.filter(Boolean).join(': ') };
		}
	)
};
