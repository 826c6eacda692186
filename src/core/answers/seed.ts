import { copiesOf, type Component } from '../facts/component.ts';
import { techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { starterOf } from '../trade/starter.ts';
import type { StandardRoute } from '../trade/route.ts';
import { BASE_PER_UNIT, type StandardTechnique } from '../trade/technique.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import { number, type FigureOf, type Input } from '../units/figure.ts';
import { plainValue, type PlainFormula } from '../units/formula.ts';
import { enoughOf } from '../units/packs.ts';
import { capital } from '../units/names.ts';
import { parseLength } from '../units/measure.ts';
import { areaOfUnit, type Family, type Material, type SupplyKey } from '../facts/material.ts';
import type { Settings } from '../facts/workshop.ts';
import { workFigure, workUses } from './workUse.ts';

/**
 * The shopping seed: a first list of materials for a component, worked out from its steps, coats and form,
 * which the maker confirms line by line: what is cut or bought for it, and what its work uses up. Shares and rates are
 * starting values, from memory.
 */
export interface SeedLine {
	name: string;
	family: Family;
	unit: string;
	/** How much one pack holds as a rule, in units. */
	packSize: number;
	/** For all copies. */
	quantity: number;
	figure: FigureOf<PlainFormula>;
	/** One already known that fits. */
	material: Material | null;
	/** What the work uses up: once a material stands for it, every step that uses it up asks for it. */
	supply: SupplyKey | null;
	/** Two components take two of it: a coat and a skirt are not of one cloth, nor two wigs one wig. */
	apart: boolean;
}

interface Facts {
	copies: number;
	/** A pair is bought and altered as one thing. */
	sets: number;
	pair: boolean;
	/** m², one copy. */
	area: number;
	/** Metres or counts over the steps of these techniques, one copy. */
	amount: (...techniques: StandardTechnique[]) => number;
	thickness: string;
	/** What its form calls the cloth; nothing where it names none. */
	cloth: string;
	/** How materials are sold as a rule. */
	library: Catalogue['starter'];
}

/** m² of a foam or plastic sheet, and the width of cloth in metres, where the library has none of the name; common practice. */
const SHEET_M2 = 0.5;
const CLOTH_WIDTH = 1.5;
/** m² of one unit as it is sold as a rule: a sheet, a metre of the roll. */
const soldM2 = (name: string, otherwise: number, { library }: Facts): number => {
	const its = starterOf(name, library);
	const area = its && areaOfUnit(its);
	return area ? area / 1e6 : otherwise;
};
const WASTE = 1.3;
const START = 'starting value, edit';

type Worked = Omit<SeedLine, 'quantity' | 'material' | 'packSize' | 'supply' | 'apart'> & { apart?: boolean };
type Rule = (facts: Facts) => Worked[];

const line = (
	name: string,
	family: Family,
	unit: string,
	formula: PlainFormula,
	inputs: Input[]
): Worked => ({
	name,
	family,
	unit,
	figure: { title: `${name}: how much`, formula, inputs, as: { kind: 'number', unit } }
});

const sheets = (name: string, family: Family, f: Facts, times = 1) =>
	line(name, family, 'sheet', 'seedSheets', [
		number('outside area of one', f.area * times, 'its coats, else the route', 'm²'),
		number('copies', f.copies, 'pair and count'),
		number('for waste', WASTE, START),
		number('one sheet', soldM2(name, SHEET_M2, f), START, 'm²')
	]);
const cloth = (name: string, f: Facts, times = 1) =>
	line(name, 'cloth', 'm', 'seedSheets', [
		number('area of one', f.area * times, 'its coats, else the route', 'm²'),
		number('copies', f.copies, 'pair and count'),
		number('for waste', WASTE, START),
		number('width of the cloth', soldM2(name, CLOTH_WIDTH, f), START, 'm')
	]);
/** The cloth that is seen: what its form calls it. */
const seen = (name: string, f: Facts, times = 1): Worked =>
	f.cloth ? cloth(f.cloth, f, times) : { ...cloth(name, f, times), apart: true };
const each = (name: string, family: Family, unit: string, f: Facts, count: number, of = 'for one') =>
	line(name, family, unit, 'product', [
		number(of, count, START),
		number('copies', f.copies, 'pair and count')
	]);
/** Bought whole: a pair of boots is one thing. */
const whole = (name: string, family: Family, f: Facts): Worked => ({
	apart: true,
	...line(name, family, f.pair ? 'pair' : 'piece', 'product', [
		number('for one', 1, START),
		number(f.pair ? 'pairs' : 'copies', f.sets, f.pair ? 'its count; a pair is one thing' : 'its count')
	])
});
const foam = (f: Facts) => sheets(`High-density foam ${f.thickness}`, 'foam', f);
const detail = (f: Facts) => sheets('High-density foam 2 mm', 'foam', f, 0.4);
const RULES: Readonly<Record<StandardRoute, Rule>> = {
	foamPlate: (f) => [foam(f), detail(f)],
	thermoplasticOverFoam: (f) => [foam(f), sheets('Thermoplastic sheet 1 mm', 'hard', f, 2)],
	clothWrappedFoam: (f) => [foam(f), seen('Covering cloth', f, 1.2)],
	sculpted: (f) => [
		line('Foam clay', 'foam', 'g', 'product', [
			number('area', f.area, 'its coats, else the route', 'm²'),
			number('g a m², 4 mm thick', 1600, START),
			number('copies', f.copies, 'pair and count')
		])
	],
	printedPart: (f) => [
		line('Print filament', 'hard', 'g', 'product', [
			number('area', f.area, 'its coats, else the route', 'm²'),
			number('g a m², walls and infill', 2500, START),
			number('copies', f.copies, 'pair and count')
		])
	],
	castPart: (f) => [
		line('Casting resin', 'hard', 'g', 'product', [
			number('area', f.area, 'its coats, else the route', 'm²'),
			number('g a m², 6 mm thick', 6600, START),
			number('copies', f.copies, 'pair and count')
		]),
		line('Mould rubber', 'other', 'g', 'product', [
			number('area', f.area, 'its coats, else the route', 'm²'),
			number('g a m², 10 mm round it', 12000, START),
			number('moulds', 1, 'one serves all copies')
		])
	],
	foundObject: (f) => [whole('The found object', 'other', f)],
	wovenGarment: (f) => [seen('Outer cloth', f), cloth('Lining cloth', f, 0.8)],
	stretchGarment: (f) => [seen('Stretch cloth', f)],
	layeredSkirt: (f) => [
		line('Net', 'cloth', 'm', 'seedSheets', [
			number('strips cut', f.amount('gather'), 'its steps', 'm'),
			number('copies', f.copies, 'pair and count'),
			number('strip width', 0.3, START, 'm'),
			number('width of the net', soldM2('Net', CLOTH_WIDTH, f), START, 'm')
		]),
		seen('Basque cloth', f, 0.25)
	],
	alteredGarment: (f) => [whole('The garment to alter', 'cloth', f)],
	applique: (f) => [seen('Ground cloth', f)],
	wig: (f) => [{ ...each('Base wig', 'hair', 'piece', f, 1), apart: true }],
	light: (f) => [each('LED strand', 'light', 'piece', f, 1), each('Switch', 'light', 'piece', f, 1)]
};

/** How it is sold as a rule: in units of a pack. Common practice; from memory. */
const PACKS: readonly [family: Family, unit: string, name: RegExp, size: number][] = [
	['hard', 'g', /filament|resin/i, 1000],
	['foam', 'g', /./, 300],
	['other', 'g', /rubber/i, 1000]
];
const packOf = ({ name, family, unit }: Pick<SeedLine, 'name' | 'family' | 'unit'>): number =>
	PACKS.find(([f, u, words]) => f === family && u === unit && words.test(name))?.[3] ?? 1;

/** The cloth that a form names, as it is told there: `wool, dark green` is of wool, `dark green` of nobody knows what. */
function clothOf({ form }: Pick<Component, 'form'>, trade: Catalogue): string {
	const words = new Set(form.toLowerCase().split(/[\s,;:()]+/));
	const isNamed = Object.values(trade.madeOf).some((m) => m.tells && m.words.some((w) => words.has(w)));
	return isNamed ? capital(form.slice(0, MOST_NAME)) : '';
}
const MOST_NAME = 80;

/** Words that say only the family: two of them are not the same for it. */
const OF_THE_FAMILY = new Set(['cloth', 'fabric', 'foam', 'sheet', 'piece', 'the', 'and']);

/** The material whose name shares the most words that tell it from others, and every number. */
function bestMatch(
	name: string,
	family: Family,
	unit: string,
	materials: readonly Material[]
): Material | null {
	const words = (text: string) =>
		new Set((text.toLowerCase().match(/[a-zäöüß]{3,}|\d+/g) ?? []).filter((w) => !OF_THE_FAMILY.has(w)));
	const wanted = words(name);
	// Another thickness is another material.
	const sizes = (of: Set<string>) => [...of].filter((w) => /^\d/.test(w)).join();
	const scored = materials
		.filter((m) => m.family === family && m.unit === unit && sizes(words(m.name)) === sizes(wanted))
		.map((m) => ({ m, score: [...words(m.name)].filter((w) => wanted.has(w)).length / wanted.size }));
	const best = scored.reduce<(typeof scored)[number] | null>(
		(a, b) => (!a || b.score > a.score ? b : a),
		null
	);
	return best && best.score >= 0.5 ? best.m : null;
}

/** Nothing for a component without a route, or that is bought. What it needs already is left out. */
export function shoppingSeed(
	component: Component,
	record: CostumeRecord,
	materials: readonly Material[],
	trade: Catalogue,
	settings: Pick<Settings, 'margins'>
): SeedLine[] {
	if (component.route === null || component.source === 'buy' || component.source === 'have') return [];
	const routes = [...new Set([component.route, ...component.furtherRoutes])];
	const rules = routes.flatMap((r) => (RULES as Readonly<Record<string, Rule>>)[r] ?? []);
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const steps = record.steps.filter((s) => s.componentId === component.id && s.faultId === null);
	const coats = record.coats.filter((c) => c.componentId === component.id);
	const thickness = /(\d+(?:[.,]\d+)?\s*(?:mm|"))/.exec(component.form)?.[1] ?? '';
	const typed = parseLength(thickness, 'mm');
	const known = typed.ok ? typed.value : component.thicknessMm;
	const copies = copiesOf(component, byId);
	const pair = component.side === 'pair';
	const facts: Facts = {
		copies,
		sets: pair ? copies / 2 : copies,
		pair,
		area: Math.max(0, ...coats.map((c) => c.area)) / 1e6 || (trade.route[component.route]?.area ?? 0) / 1e6,
		amount: (...techniques) =>
			steps
				.filter((s) => (techniques as string[]).includes(s.technique))
				.reduce((sum, s) => sum + s.amount / BASE_PER_UNIT[techniqueOf(trade, s.technique).driver], 0),
		thickness: `${Math.round(known ?? 5)} mm`,
		cloth: clothOf(component, trade),
		library: trade.starter
	};
	const had = new Set(record.needs.filter((n) => n.componentId === component.id).map((n) => n.materialId));
	// What two routes take of the same is taken once: both count all steps of the component.
	const lines = new Map(rules.flatMap((rule) => rule(facts)).map((l) => [l.name, l]));
	const drawn = [...lines.values()].map((l): SeedLine => ({
		...l,
		apart: l.apart ?? false,
		packSize: packOf(l),
		quantity: enoughOf(plainValue(l.figure), l.unit),
		material: bestMatch(l.name, l.family, l.unit, materials),
		supply: null
	}));
	// Where a material stands for a supply, the work asks for it by itself.
	const used = workUses({ ...record, steps }, materials, trade, settings).filter((u) => u.material === null);
	const supplies = used.map((use): SeedLine => {
		const { name, family, unit, pack } = trade.supply[use.supply]!;
		return {
			name: capital(name),
			family,
			unit,
			packSize: pack,
			quantity: enoughOf(use.quantity, unit),
			figure: workFigure(use, name, unit, trade),
			material: bestMatch(
				name,
				family,
				unit,
				materials.filter((m) => m.supply === null)
			),
			supply: use.supply,
			apart: false
		};
	});
	return [...drawn, ...supplies].filter((l) => l.quantity > 0 && !(l.material && had.has(l.material.id)));
}
