import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';
import { BOND_SIDES, HOT_CAR, type Bond, type BondSide, type Load } from '../trade/bond.ts';
import { knownFaultOf, type Catalogue } from '../trade/catalogue.ts';
import type { Glue } from '../trade/glue.ts';
import { surfaceOf, traitsFit } from './stackCheck.ts';

/** What is to be glued. */
export interface Joint {
	a: BondSide;
	b: BondSide;
	loads: readonly Load[];
	/** Of the seam, mm; null where nobody says. */
	seamMm: number | null;
	gapMm: number;
	/** It is glued by faces, mm²; null for a seam. */
	faceMm2: number | null;
}

export interface GlueChoice {
	key: string;
	glue: Glue;
	/** The more, the sooner it is taken. */
	points: number;
	/** Why it stands where it stands: for it, and against it. */
	pros: string[];
	cons: string[];
	/** ml for this joint; null where nobody knows. */
	ml: number | null;
	/** What of the owned or known material that comes to, minor units of its currency; null where nobody knows. */
	cost: { minor: number; material: Material } | null;
}

export interface GlueAdvice {
	/** Its row, and what that goes by in the handbook. */
	bond: Bond;
	key: string;
	choices: GlueChoice[];
	avoid: { glue: Glue; why: string }[];
}

/** The key of the row of a pair, whichever way round; null where nobody knows one. */
export const bondOf = ({ a, b }: Pick<Joint, 'a' | 'b'>, trade: Catalogue): string | null =>
	Object.entries(trade.bond).find(
		([, row]) => (row.a.includes(a) && row.b.includes(b)) || (row.a.includes(b) && row.b.includes(a))
	)?.[0] ?? null;

/** How often glue let go on components of such a surface in these costumes: what is cemented goes by contact cement. */
export function letGo(
	records: readonly CostumeRecord[],
	materials: readonly Material[],
	{ a, b }: Pick<Joint, 'a' | 'b'>,
	trade: Catalogue
): Map<string, number> {
	const counts = new Map<string, number>();
	for (const record of records)
		for (const fault of record.faults) {
			if (knownFaultOf(trade, fault.known)?.blames !== 'glue') continue;
			const component = record.components.find((c) => c.id === fault.componentId);
			const surface = component && surfaceOf(component, record, materials);
			if (surface !== a && surface !== b) continue;
			const cemented = record.steps.some(
				(s) => s.componentId === fault.componentId && s.technique === 'cement'
			);
			if (cemented) counts.set('contactCement', (counts.get('contactCement') ?? 0) + 1);
		}
	return counts;
}

/**
 * Glues for a joint, the one to take first, with what speaks for and against each; null where the handbook has no row for the pair.
 *
 * @param faults how often each glue let go on such a pair
 */
export function glueAdvice(
	joint: Joint,
	trade: Catalogue,
	materials: readonly Material[],
	faults: ReadonlyMap<string, number> = new Map()
): GlueAdvice | null {
	const row = bondOf(joint, trade);
	if (row === null) return null;
	const bond = trade.bond[row]!;
	const avoid = new Map(bond.avoid.map((x) => [x.glue, x.why]));
	const choices = [...new Set([...bond.first, ...bond.also])].flatMap((key) => {
		const glue = trade.glue[key];
		return glue && !avoid.has(key)
			? [choiceOf(key, glue, bond, joint, trade, materials, faults.get(key) ?? 0)]
			: [];
	});
	return {
		bond,
		key: row,
		choices: choices.sort((x, y) => y.points - x.points),
		avoid: [...avoid].flatMap(([key, why]) => (trade.glue[key] ? [{ glue: trade.glue[key], why }] : []))
	};
}

function choiceOf(
	key: string,
	glue: Glue,
	bond: Bond,
	joint: Joint,
	trade: Catalogue,
	materials: readonly Material[],
	faults: number
): GlueChoice {
	const pros: string[] = [];
	const cons: string[] = [];
	let points = 0;
	const traits = traitsOf(key, glue, joint, bond.first.includes(key), faults);
	for (const rule of Object.values(trade.glueRule)) {
		if (rule.under !== 'any' && !joint.loads.includes(rule.under)) continue;
		const its = traitsFit(traits, rule.glues);
		if (its === undefined || traitsFit(traits, rule.unless)) continue;
		points += rule.points * (its.split('+').includes('letGo') ? faults : 1);
		(rule.points < 0 ? cons : pros).push(inWords(rule.why, glue, faults));
	}
	const ml =
		joint.faceMm2 !== null && glue.mlPerM2 !== null
			? (joint.faceMm2 / 1e6) * glue.mlPerM2
			: joint.faceMm2 === null && joint.seamMm !== null && glue.mlPerMetre !== null
				? (joint.seamMm / 1000) * glue.mlPerMetre
				: null;
	return { key, glue, points, pros, cons, ml, cost: costOf(key, ml, trade, materials) };
}

function traitsOf(key: string, glue: Glue, { gapMm }: Joint, usual: boolean, faults: number): Set<string> {
	const quick = glue.openMinutes !== null && glue.openMinutes <= 1;
	return new Set([
		key,
		glue.flexible ? 'flexible' : 'stiff',
		glue.washable ? 'washable' : 'unwashable',
		quick ? 'quick' : 'slow',
		...(glue.strength === null ? [] : [['', 'light', 'middling', 'strong'][glue.strength]!]),
		...(glue.heatLimit !== null && glue.heatLimit < HOT_CAR ? ['softens'] : []),
		...(glue.solvent ? ['solvent'] : []),
		...(usual ? ['usual'] : []),
		...(glue.gapMm !== null && gapMm > glue.gapMm ? ['short'] : []),
		...(faults ? ['letGo'] : [])
	]);
}

const inWords = (why: string, glue: Glue, faults: number): string =>
	why
		.replaceAll('{heat}', String(glue.heatLimit ?? 'so many'))
		.replaceAll('{gap}', String(glue.gapMm ?? 'so many'))
		.replaceAll('{times}', faults === 1 ? 'once' : `${faults} times`);

function costOf(
	key: string,
	ml: number | null,
	trade: Catalogue,
	materials: readonly Material[]
): GlueChoice['cost'] {
	const material = materials.find(
		(m) => m.unit === 'ml' && m.supply !== null && trade.supply[m.supply]?.glue === key
	);
	if (!material || ml === null || material.packPriceMinor === null) return null;
	return { minor: Math.round((ml / material.packSize) * material.packPriceMinor), material };
}

export const isSide = (text: string | null): text is BondSide => BOND_SIDES.some((side) => side === text);
