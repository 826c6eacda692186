import { PLAIN_MATERIAL, type Family, type Material } from '../facts/material.ts';

/** A material as it is sold as a rule, before anybody has bought one: no maker, no price. */
export type Starter = { source: string } & Pick<
	Material,
	| 'name'
	| 'family'
	| 'unit'
	| 'packSize'
	| 'thicknessMm'
	| 'widthMm'
	| 'lengthMm'
	| 'gramsPerM2'
	| 'stretchAcross'
	| 'stretchAlong'
	| 'leadDays'
>;

/** Working days until it is there, by family. Starting values, from memory. */
export const LEAD_DAYS: Readonly<Record<Family, number>> = {
	foam: 4,
	cloth: 3,
	hair: 10,
	hard: 5,
	closure: 3,
	light: 5,
	paint: 2,
	glue: 2,
	tool: 2,
	other: 3
};

/** One whose size nobody knows. */
export const PLAIN_STARTER = {
	packSize: 1,
	thicknessMm: PLAIN_MATERIAL.thicknessMm,
	widthMm: PLAIN_MATERIAL.widthMm,
	lengthMm: PLAIN_MATERIAL.lengthMm,
	gramsPerM2: PLAIN_MATERIAL.gramsPerM2,
	stretchAcross: PLAIN_MATERIAL.stretchAcross,
	stretchAlong: PLAIN_MATERIAL.stretchAlong
};

type More = Partial<Omit<Starter, 'name' | 'family' | 'unit' | 'source'>>;
const starter = (family: Family, name: string, unit: string, more: More = {}): Starter => ({
	...PLAIN_STARTER,
	name,
	family,
	unit,
	leadDays: LEAD_DAYS[family],
	source: 'common practice',
	...more
});

const SHEET = { widthMm: 1000, lengthMm: 500 };
/** g/m² of a sheet. @param kgM3 its density */
const sheet = (kgM3: number, thicknessMm: number): More => ({
	thicknessMm,
	gramsPerM2: kgM3 * thicknessMm
});
const HIGH_DENSITY = 100;
const foam = (mm: number): Starter =>
	starter('foam', `High-density foam ${mm} mm`, 'sheet', { ...SHEET, ...sheet(HIGH_DENSITY, mm) });
/** The usual width of cloth, mm: 60 inches. Common practice. */
const CLOTH = 1500;
const cloth = (name: string, gramsPerM2: number, more: More = {}): Starter =>
	starter('cloth', name, 'm', { widthMm: CLOTH, gramsPerM2, ...more });
const hard = (name: string, kgM3: number, mm: number, more: More = SHEET): Starter =>
	starter('hard', name, 'sheet', { ...more, ...sheet(kgM3, mm) });

/**
 * Usual forms, sizes and packs by family: common practice. Densities are starting values, from memory: high-density foam 100 kg/m³, floor
 * mats 80, craft foam 70, upholstery foam 25, thermoplastic 1150, acrylic sheet 1190.
 */
const ALL: readonly Starter[] = [
	...[2, 4, 5, 6, 8, 10, 12].map(foam),
	starter('foam', 'Floor-mat foam 12 mm', 'sheet', { widthMm: 600, lengthMm: 600, ...sheet(80, 12) }),
	starter('foam', 'Craft foam 2 mm', 'sheet', { widthMm: 450, lengthMm: 300, ...sheet(70, 2) }),
	starter('foam', 'Upholstery foam 50 mm', 'sheet', { ...SHEET, ...sheet(25, 50) }),
	starter('foam', 'Foam half-round 20 mm', 'm'),
	starter('foam', 'Foam clay', 'g', { packSize: 300 }),
	cloth('Woven cloth', 200),
	cloth('Lining cloth', 80, { widthMm: 1140 }),
	cloth('Canvas', 300),
	cloth('Stretch cloth', 220, { stretchAcross: 40, stretchAlong: 25 }),
	cloth('Faux leather', 450, { widthMm: 1400 }),
	cloth('Faux suede', 250),
	cloth('Net', 30),
	cloth('Soft net', 15),
	cloth('Felt', 250, { widthMm: 900 }),
	cloth('Fleece', 250),
	cloth('Faux fur', 600),
	cloth('Batting', 200),
	cloth('Interfacing', 60, { widthMm: 900 }),
	starter('hair', 'Base wig', 'piece'),
	starter('hair', 'Wefts', 'm', { packSize: 2 }),
	starter('hair', 'Crepe hair', 'm'),
	hard('Thermoplastic sheet 1 mm', 1150, 1),
	hard('Thermoplastic sheet 2 mm', 1150, 2),
	hard('Acrylic sheet 3 mm', 1190, 3, { widthMm: 500, lengthMm: 250 }),
	hard('Card 1 mm', 700, 1, { widthMm: 1000, lengthMm: 700 }),
	starter('hard', 'Print filament', 'g', { packSize: 1000 }),
	starter('hard', 'Casting resin', 'g', { packSize: 1000 }),
	starter('hard', 'Plastic pipe 20 mm', 'm', { packSize: 2 }),
	starter('hard', 'Wooden rod 20 mm', 'm'),
	starter('other', 'Mould rubber', 'g', { packSize: 1000 }),
	starter('light', 'LED strand', 'piece'),
	starter('light', 'Switch', 'piece')
];

/** The same by a key made of the name. */
export const STARTERS: Readonly<Record<string, Starter>> = Object.fromEntries(
	ALL.map((its) => [keyOfName(its.name), its])
);
function keyOfName(name: string): string {
	return name
		.split(/[^A-Za-z0-9]+/)
		.filter(Boolean)
		.map((word, i) => (i ? word[0]!.toUpperCase() : word[0]!.toLowerCase()) + word.slice(1))
		.join('');
}

/** What a family is counted in, the usual first. */
export const UNITS: Readonly<Record<Family, readonly string[]>> = {
	foam: ['sheet', 'm', 'g', 'piece'],
	cloth: ['m', 'yd', 'cm', 'piece', 'pair'],
	hair: ['piece', 'm', 'g'],
	hard: ['sheet', 'm', 'g', 'ml', 'piece'],
	closure: ['m', 'piece', 'pair', 'pack'],
	light: ['piece', 'm', 'pack'],
	paint: ['can', 'ml', 'g', 'piece', 'pack'],
	glue: ['ml', 'g', 'can', 'piece', 'pack'],
	tool: ['piece', 'pair', 'pack', 'sheet', 'm', 'g', 'ml'],
	other: ['piece', 'm', 'sheet', 'g', 'ml', 'pair', 'pack']
};

/** Words of a name, without its numbers. */
const plain = (name: string): string =>
	name
		.toLowerCase()
		.replace(/[\d.,]+\s*mm/, '')
		.trim();

/**
 * How a material of such a name is sold as a rule; one of another thickness as its like, thicker or thinner. Null where nothing of the
 * library is called so.
 * @param library as the catalogue has it, the maker's own rows among them
 */
export function starterOf(name: string, library: Readonly<Record<string, Starter>>): Starter | null {
	const all = Object.values(library);
	const called = (words: string) => all.find((s) => s.name.toLowerCase() === words.toLowerCase());
	// Faux leather, red.
	const its = called(name) ?? called(name.split(',')[0]!.trim());
	if (its) return its;
	const mm = Number(/(\d+(?:\.\d+)?)\s*mm/.exec(name)?.[1]);
	const like = all.find((s) => s.thicknessMm !== null && plain(s.name) === plain(name));
	if (!like || !(mm > 0)) return null;
	return {
		...like,
		name,
		thicknessMm: mm,
		gramsPerM2: like.gramsPerM2 === null ? null : (like.gramsPerM2 / like.thicknessMm!) * mm
	};
}

/** Why a material of a family is not counted in a unit; null where it may be. One's own units may be anything. */
export function unitProblem(family: Family, unit: string): string | null {
	const isKnown = Object.values(UNITS).some((units) => units.includes(unit));
	return isKnown && !UNITS[family].includes(unit)
		? `What is ${family} is counted in ${UNITS[family].join(', ')}.`
		: null;
}
