import { GIRTH_KEYS, BODY_MEASURES, latest, type MeasureKey, type Wearer } from '../facts/bodyMeasure.ts';
import { copiesOf, type Component } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { fittedOf } from '../facts/measureRecord.ts';
import { inOrder } from '../facts/order.ts';
import type { FastenerKey, Join, Worn } from '../facts/wear.ts';
import type { Workshop } from '../facts/workshop.ts';
import { catalogueOf } from '../trade/catalogue.ts';
import { fastenerOf, workOf } from '../trade/fastener.ts';
import { plainZone } from '../trade/wearSpot.ts';
import { unitCostOf } from './lots.ts';
import { stepMinutes } from './minutes.ts';
import { piecesAt, recutAfter, recutTotals, type PiecesAt, type RecutPiece } from './recut.ts';

/** What is done with a component so that another can wear it, from nothing to all of it. */
export const FITTINGS_FOR = ['asItIs', 'moved', 'takenIn', 'letOut', 'rebuilt', 'unknown'] as const;
export type FittingFor = (typeof FITTINGS_FOR)[number];

/** A join that does not close, or hangs loose, on another body. */
export interface MovedJoin {
	join: Join;
	measure: MeasureKey;
	/** mm that the other's girth there is more; less than nothing where it is less. */
	byMm: number;
}

/** One component, as another would wear it. */
export interface ForOther {
	component: Component;
	how: FittingFor;
	/** Pieces that are another size. */
	pieces: RecutPiece[];
	moved: MovedJoin[];
	/** Usual minutes. */
	minutes: number;
	/** Material, minor units of the costume's currency; null where some price is not known. */
	minor: number | null;
	/** Measures that nobody has taken of the other, which pieces or joins need. */
	missing: MeasureKey[];
}

/** Cloth lets out a seam allowance on both edges of a piece, and has a hem. From memory. */
const LET_OUT = { wide: 20, high: 30 };
/** mm of girth that a fastener takes up by itself, as it was made. From memory. */
const ADJUSTS: Readonly<Record<FastenerKey, number>> = {
	buckle: 80,
	lacing: 60,
	elastic: 60,
	hookAndLoop: 40,
	tape: 40
};
const ADJUSTS_LITTLE = 5;
/** Zones whose girth is taken at another. */
const GIRTH_OF: Readonly<Record<string, string>> = { face: 'head', back: 'chest' };
/** Taking a seam apart takes as long as sewing it. From memory. */
const UNPICKED = 2;

const girthAt = (join: Join): MeasureKey | null => {
	if (!join.zone) return null;
	const zone = plainZone(join.zone);
	return GIRTH_KEYS.find((k) => BODY_MEASURES[k].zone === (GIRTH_OF[zone] ?? zone)) ?? null;
};

/** The larger side: what is made as a pair is made once for both. */
function girthOf({ measures }: Wearer, key: MeasureKey): number | null {
	const sides = BODY_MEASURES[key].sided ? (['left', 'right'] as const) : (['none'] as const);
	const found = sides.flatMap((side) => latest(measures, key, side)?.mm ?? []);
	return found.length ? Math.max(...found) : null;
}

/**
 * What another wearer would need done to each component: pieces that are drawn for the one are drawn for the other and compared, and girths
 * where it is held by the body. Cloth is let out or taken in as far as its seams allow; what is of foam or hard is made anew.
 *
 * @param fit as the costume was built; `other` is one of its wearers or not
 */
export function forOther(
	record: CostumeRecord,
	worn: Pick<Worn, 'joins'>,
	fit: PiecesAt,
	other: Wearer,
	workshop: Workshop
): ForOther[] {
	const [now] = fittedOf(fit);
	const trade = catalogueOf(workshop.handbook);
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const lent: PiecesAt = {
		...fit,
		wearers: fit.wearers.some((w) => w.id === other.id) ? fit.wearers : [...fit.wearers, other],
		worn: [{ id: 0, wearerId: other.id, builtOn: null, fittedAt: 0, version: 1 }]
	};
	// It is made: everything is cut.
	const recut = recutAfter(record, () => 0, fit, lent);
	const isCloth = ({ materialId }: RecutPiece) =>
		workshop.materials.find((m) => m.id === materialId)?.family === 'cloth';
	return record.components.map((component): ForOther => {
		const pieces = recut.filter((r) => r.componentId === component.id);
		const after = piecesAt(record, component, lent);
		const all = after.flatMap((s) => s.pieces);
		const joins = worn.joins.filter((j) => j.componentId === component.id && j.holdsTo !== 'component');
		const wanted = [
			...new Set([
				...joins.flatMap((j) => girthAt(j) ?? []),
				...after.flatMap(({ shape }) =>
					Object.values(shape.values).flatMap((v) => (typeof v === 'object' ? [v.follows] : []))
				)
			])
		];
		const missing = wanted.filter((k) => girthOf(other, k) === null);
		const moved = joins.flatMap((join): MovedJoin[] => {
			const measure = girthAt(join);
			const [was, is] = [now, other].map((w) => (w && measure ? girthOf(w, measure) : null));
			if (!measure || was == null || is == null) return [];
			const byMm = is - was;
			return Math.abs(byMm) > (ADJUSTS[join.fastener] ?? ADJUSTS_LITTLE) ? [{ join, measure, byMm }] : [];
		});
		const grows = ({ was, now }: RecutPiece) =>
			was ? [now[0] - was[0], now[1] - was[1]] : [Infinity, Infinity];
		const resewn =
			pieces.length > 0 &&
			pieces.every((p) => isCloth(p) && grows(p)[0]! <= LET_OUT.wide && grows(p)[1]! <= LET_OUT.high);
		const how: FittingFor = pieces.length
			? !resewn
				? 'rebuilt'
				: pieces.some((p) => grows(p).some((g) => g > 0))
					? 'letOut'
					: 'takenIn'
			: moved.length
				? 'moved'
				: missing.length || (!all.length && !joins.length)
					? 'unknown'
					: 'asItIs';
		const setAgain = moved.reduce((sum, { join }) => {
			const fastener = fastenerOf(trade.fastener, join.fastener);
			const step = {
				technique: fastener.technique,
				amount: workOf(join, fastener),
				perCopy: true,
				setUpMinutes: 0
			};
			return sum + stepMinutes(step, copiesOf(component, byId), workshop)[1];
		}, 0);
		const seams = pieces.reduce((sum, p) => sum + 2 * p.now[1] * p.count, 0);
		const sewing = { technique: 'sewMachine', amount: seams, perCopy: false, setUpMinutes: 0 };
		const made = inOrder(record.steps, component.id)
			.filter((s) => s.faultId === null)
			.reduce((sum, s) => sum + stepMinutes(s, copiesOf(component, byId), workshop)[1], 0);
		const share = all.length ? Math.min(1, pieces.length / all.length) : 0;
		const work =
			how === 'rebuilt'
				? Math.round(made * share)
				: resewn
					? UNPICKED * stepMinutes(sewing, 1, workshop)[1]
					: 0;
		const { materials } = recutTotals(how === 'rebuilt' ? pieces : [], workshop);
		const costs = materials.map(({ material, quantity }) => {
			const each = unitCostOf({ packSize: null, packPriceMinor: null }, material);
			return each === null || quantity === null ? null : Math.round(each * quantity);
		});
		return {
			component,
			how,
			pieces,
			moved,
			minutes: work + setAgain,
			minor: costs.includes(null) ? null : costs.reduce<number>((sum, c) => sum + c!, 0),
			missing
		};
	});
}
