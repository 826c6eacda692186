import { z } from 'zod';
import { typedColour } from '$core/engines/colour/typed.ts';
import type { CoatProductKey } from '$core/facts/coat.ts';
import { FAMILIES, PLAIN_MATERIAL, type Material } from '$core/facts/material.ts';
import { capital } from '$core/units/names.ts';
import { areaOfUnit } from '$core/facts/material.ts';
import { standsForSupply } from '$core/answers/workUse.ts';
import { unitProblem } from '$core/trade/starter.ts';
import { USUAL_WASTE } from '$core/trade/driver.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused } from '../db/rows.ts';
import { insert, update } from '../db/tables.ts';
import { loadMaterial } from '../read/workshop.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';
import { insertLot } from './lot.ts';
import { price, withCurrency } from './price.ts';

const shape = ({ currency, settings, trade }: Context) => ({
	name: f.name(),
	colour: f.text(60),
	family: f.choice(FAMILIES),
	unit: f.name(20),
	packSize: f.above0(1_000_000),
	packPriceMinor: price,
	currency: f.currency(currency),
	supplier: f.text(),
	leadDays: f.orNull(f.whole(0, 400)),
	leadWorkingDays: f.ticked(),
	stashNote: f.text(),
	coatProduct: f.keyOrNull(trade.coatProduct),
	supply: f.keyOrNull(trade.supply),
	thicknessMm: f.lengthOrNull(settings.lengthUnit, 0.05, 200),
	widthMm: f.lengthOrNull(settings.lengthUnit, 5, 10_000),
	lengthMm: f.lengthOrNull(settings.lengthUnit, 5, 100_000),
	gramsPerM2: f.orNull(f.above0(1_000_000)),
	stretchAcross: f.orNull(f.decimal(0, 200)),
	stretchAlong: f.orNull(f.decimal(0, 200)),
	coversMm2: f.orNull(f.area(settings.lengthUnit)),
	lab: f.orNull(typedColour)
});

/** What nobody told is not known; what of it is there is in its lots. */
const { stash: _stash, lots: _lots, ...UNTOLD } = PLAIN_MATERIAL;
type MaterialInput = Pick<Material, 'name' | 'family' | 'unit' | 'packSize' | 'currency'> &
	Partial<Pick<Material, keyof typeof UNTOLD>> & {
		/** What of it is there already: its first lot. */
		stash?: number;
	};

/**
 * Coats that go on with the only material there is of their product keep it when another colour of it comes: else they would turn to
 * whichever is first by its name.
 */
const nameTheOnly = (tx: Executor, product: CoatProductKey | null) =>
	tx.query(
		`update coat set material_id = one.id
		from (select min(id) as id from material where coat_product = $1 having count(*) = 1) one
		where coat.product = $1 and coat.material_id is null`,
		[product]
	);

export async function insertMaterial(tx: Executor, { stash = 0, ...v }: MaterialInput): Promise<number> {
	if (v.coatProduct) await nameTheOnly(tx, v.coatProduct);
	const id = await insert(tx, 'material', { ...UNTOLD, ...v });
	if (stash > 0) await insertLot(tx, { materialId: id, quantity: stash });
	return id;
}

/** A paint is not counted in sheets. Units that nobody has heard of are the maker's own. */
function refuseUnit({ family, unit }: Pick<Material, 'family' | 'unit'>): void {
	const problem = unitProblem(family, unit);
	if (problem) throw new Refused(problem, 'unit');
}

/** What is counted by the metre cannot be used up by the piece. */
function refuseOtherUnit(material: Pick<Material, 'supply' | 'unit'>, { trade }: Context): void {
	if (material.supply === null || standsForSupply(material, trade)) return;
	const { name, unit } = trade.supply[material.supply]!;
	throw new Refused(
		`Work uses up ${name} by the ${unit}: count it so, and say how much one pack holds.`,
		'unit'
	);
}

async function nameOf(tx: Executor, id: number): Promise<string> {
	const row = await one<{ name: string }>(tx, 'select name from material where id = $1', [id]);
	if (!row) throw new Absent('material');
	return row.name;
}

/**
 * Once it is known how large a material comes, what is cut from it is a need: of each component whose amounts
 * follow its pieces, and for which nobody has said what it takes.
 */
async function takeFromPieces(tx: Executor, id: number): Promise<void> {
	if (areaOfUnit(await loadMaterial(tx, id)) === null) return;
	await tx.query(
		`insert into need (component_id, material_id, quantity, waste)
		select distinct s.component_id, $1::integer, 1, $2::double precision from shape s
		where (s.material_id = $1 or exists (select 1 from jsonb_each_text(s.roles) r where r.value::integer = $1))
			and not exists (select 1 from need n where n.component_id = s.component_id and n.material_id = $1)
			and (exists (select 1 from step t where t.component_id = s.component_id and t.from_pieces)
				or exists (select 1 from coat k where k.component_id = s.component_id and k.from_pieces)
				or not exists (select 1 from step t where t.component_id = s.component_id))`,
		[id, USUAL_WASTE]
	);
}

export const materialCommands = {
	addMaterial: command(
		(context) =>
			withCurrency(z.object({ ...shape(context), stash: f.decimal(0, 1_000_000).default(0) }), context),
		async (tx, v, context) => {
			refuseUnit(v);
			refuseOtherUnit(v, context);
			return { words: `Added material ${v.name}`, result: { id: await insertMaterial(tx, v) } };
		}
	),

	editMaterial: command(
		(context) => withCurrency(z.object({ id: f.id(), version: f.version(), ...shape(context) }), context),
		async (tx, v, context) => {
			refuseUnit(v);
			refuseOtherUnit(v, context);
			if (v.coatProduct) await nameTheOnly(tx, v.coatProduct);
			await update(tx, 'material', v, v);
			await takeFromPieces(tx, v.id);
			return { words: `Changed material ${v.name}` };
		}
	),

	/** A material for each of these supplies, as the handbook has it; how it is sold and what of it is there is said later. */
	addSupplies: command(
		({ trade }) =>
			z.object({
				supplies: f.severalKeys(trade.supply).refine((keys) => keys.length > 0, 'Choose what to add.')
			}),
		async (tx, v, { trade, currency }) => {
			for (const key of v.supplies) {
				const { name, family, unit, pack } = trade.supply[key]!;
				await insertMaterial(tx, {
					name: capital(name),
					family,
					unit,
					packSize: pack,
					currency,
					supply: key
				});
			}
			return { words: `Added ${v.supplies.map((key) => trade.supply[key]!.name).join(', ')}` };
		}
	),

	removeMaterial: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }) => {
			const name = await nameOf(tx, id);
			const users = await all<{ name: string }>(
				tx,
				`select distinct k.name from costume k left join component c on c.costume_id = k.id
				left join need n on n.component_id = c.id left join purchase p on p.costume_id = k.id
				left join shape s on s.component_id = c.id left join layout l on l.costume_id = k.id
				where $1 in (n.material_id, p.material_id, s.material_id, l.material_id) order by k.name`,
				[id]
			);
			if (users.length > 0)
				throw new Refused(
					`${name} is in use in ${users.map((u) => u.name).join(', ')}. Take it out there first.`
				);
			await tx.query('delete from material where id = $1', [id]);
			return { words: `Removed material ${name}` };
		}
	)
};
