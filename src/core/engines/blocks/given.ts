import type { MeasureKey } from '../../facts/bodyMeasure.ts';
import { count, type Dimension, mm, type Param } from '../pattern/shaper.ts';
import { STRETCH_ACROSS, STRETCH_ALONG, STRETCH_USED } from '../pattern/stretch.ts';
import { relaxed } from '../body/girth.ts';

/** What blocks are told. Starting values are a plain middle size of our own; every measure follows the wearer where it is known. */
const of = (
	name: string,
	value: number,
	least: number,
	most: number,
	measure?: MeasureKey,
	hint?: string
): Param & { unit: 'mm' } => ({
	name,
	unit: 'mm',
	value,
	least,
	most,
	...(measure ? { measure } : {}),
	...(hint ? { hint } : {})
});
export const lengthParam = of;
/** A measure whose ease is a value of its own. */
export const easedParam = (...its: Parameters<typeof of>): ReturnType<typeof of> & { eased: true } => ({
	...of(...its),
	eased: true
});
/** The same values, that count only where a choice is one of these. */
export const onlyWhere = <P extends Readonly<Record<string, Param>>>(
	choice: string,
	is: readonly number[],
	params: P
): P =>
	Object.fromEntries(
		Object.entries(params).map(([key, p]) => [key, { ...p, only: { of: choice, is } }])
	) as P;

const ease = (what: string, value: number, hint?: string) =>
	of(`ease at the ${what}`, value, -300, 600, undefined, hint);
export const easeParam = ease;

/** Neck, shoulders and armholes: of everything that hangs from the shoulders. */
export const SHOULDER_PARAMS = {
	neck: easedParam('neck girth', 370, 180, 700, 'neckGirth'),
	neckEase: ease('neck', 30, 'how much lower and wider the neckline lies'),
	shoulder: of('shoulder length', 125, 40, 280, 'shoulderLength'),
	slope: {
		name: 'slope of the shoulder',
		unit: 'deg',
		value: 20,
		least: 0,
		most: 40,
		hint: 'below level; 18 to 23 on most'
	},
	acrossBack: of('across back width', 360, 160, 700, 'acrossBack'),
	acrossLess: of('across the front narrower by', 20, -100, 150),
	backWaist: of('back neck point to waist', 410, 160, 700, 'backWaistLength'),
	armscye: easedParam('armscye girth', 400, 160, 950, 'armscyeGirth')
} as const satisfies Record<string, Param>;

export const SLEEVES = {
	name: 'sleeves',
	unit: 'count',
	value: 0,
	least: 0,
	most: 1,
	choices: ['none', 'straight']
} as const satisfies Param;
export const SLEEVE_PARAMS = {
	arm: easedParam('upper-arm girth', 290, 100, 850, 'upperArmGirth'),
	armEase: ease('upper arm', 60),
	sleeveLength: of('length of the sleeve', 590, 30, 1000, 'armLength'),
	sleeveHem: of('girth at the hem of the sleeve', 250, 60, 2000),
	capEase: {
		name: 'ease of the sleeve’s cap',
		unit: 'percent',
		value: 4,
		least: 0,
		most: 60,
		hint: '2 to 6 eased in; 30 and more gathered'
	}
} as const satisfies Record<string, Param>;

/** Of a hood, besides the head that goes in. */
export const HOOD_REST = {
	headEase: ease('head', 60),
	face: of('left open for the face', 150, 40, 400),
	headLength: of('head length, crown to chin', 230, 130, 450, 'headLength'),
	headRoom: of('from the neckline to the chin, and over the crown', 110, 0, 500)
} as const satisfies Record<string, Param>;

export const HOOD_PARAMS = {
	head: easedParam(
		'head girth',
		570,
		350,
		900,
		'headGirth',
		'over wig or horns, where they are worn beneath it'
	),
	...HOOD_REST
} as const satisfies Record<string, Param>;

export const CLOTH_PARAMS = {
	stretchAcross: STRETCH_ACROSS,
	stretchAlong: STRETCH_ALONG,
	stretchUsed: STRETCH_USED,
	seam: { name: 'seam allowance', unit: 'mm', value: 13, least: 0, most: 60 },
	hem: { name: 'hem allowance', unit: 'mm', value: 25, least: 0, most: 120 },
	cloth: { name: 'cloth width', unit: 'mm', value: 1500, least: 200, most: 4000 }
} as const satisfies Record<string, Param>;

/** What of the cloth's stretch is worn, taken off lengths: across the cloth, along it, and round an opening by the mean of both. */
export function asCut(its: { stretchAcross: number; stretchAlong: number; stretchUsed: number }) {
	const across = (mm: number) => relaxed(mm, its.stretchAcross, its.stretchUsed);
	const along = (mm: number) => relaxed(mm, its.stretchAlong, its.stretchUsed);
	return { across, along, round: (mm: number) => (across(mm) + along(mm)) / 2 };
}

/** A round as it is cut: what of the stretch across is worn, taken off. */
export const asCutDimension = (
	title: string,
	what: string,
	value: number,
	its: { stretchAcross: number; stretchUsed: number }
): Dimension => ({
	title,
	of: 'length',
	formula: 'relaxed',
	inputs: [
		mm(what, value),
		count('stretch across, percent', its.stretchAcross),
		count('share worn', its.stretchUsed)
	]
});

export const necklineDimension = (
	its: Readonly<Record<'neck' | 'neckEase' | 'stretchAcross' | 'stretchAlong' | 'stretchUsed', number>>
): Dimension => ({
	title: 'Neckline, as cut',
	of: 'length',
	formula: 'relaxedBothWays',
	inputs: [
		mm('neck and its ease', its.neck + its.neckEase),
		count('stretch across, percent', its.stretchAcross),
		count('stretch along, percent', its.stretchAlong),
		count('share worn', its.stretchUsed)
	]
});
