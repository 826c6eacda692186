import type { HandbookTable } from '$core/facts/handbook.ts';
import type { SurfaceKey } from '$core/facts/component.ts';
import { LOAD_WORDS, type BondSide } from '$core/trade/bond.ts';
import type { BearsBy, Counted } from '$core/trade/fastener.ts';
import type { GlueUnder } from '$core/trade/glueRule.ts';
import { layerWords } from '$core/answers/recipe.ts';
import { SURFACES } from '$core/trade/surface.ts';
import type { Catalogue } from '$core/trade/catalogue.ts';
import { techniqueOf } from '$core/trade/catalogue.ts';
import { formatWait } from '$core/units/duration.ts';
import { formatArea, formatLength, type LengthUnit } from '$core/units/measure.ts';
import { capital } from '$core/units/names.ts';
import { formatNumber } from '$core/units/number.ts';
import { handbook } from './handbook.ts';

/** The tables of the handbook as they are called, and the command that keeps a row of each. */
export const TABLES: Record<HandbookTable, { name: string; one: string; command: string }> = {
	technique: { name: 'Techniques', one: 'technique', command: 'setTechnique' },
	route: { name: 'Routes', one: 'route', command: 'setRoute' },
	coatProduct: { name: 'Coats', one: 'coat', command: 'setCoatProduct' },
	coatRule: { name: 'What goes over what', one: 'rule', command: 'setCoatRule' },
	recipe: { name: 'Recipes', one: 'recipe', command: 'setRecipe' },
	bond: { name: 'Pairs', one: 'pair', command: 'setBond' },
	glue: { name: 'Glues', one: 'glue', command: 'setGlue' },
	glueRule: { name: 'What a glue bears', one: 'rule', command: 'setGlueRule' },
	supply: { name: 'Supplies', one: 'supply', command: 'setSupply' },
	fastener: { name: 'Fasteners', one: 'fastener', command: 'setFastener' },
	knownFault: { name: 'Known faults', one: 'known fault', command: 'setKnownFault' },
	caution: { name: 'Cautions', one: 'caution', command: 'setCaution' },
	thing: { name: 'Words', one: 'word', command: 'setThing' },
	starter: { name: 'As it is sold', one: 'material as it is sold', command: 'setStarter' }
};

/** Choices in words. */
export const WORDS: Record<string, string> = {
	bevelled: 'bevelled edges',
	edge: 'free edges',
	cutArea: 'area as cut',
	pieces: 'pieces, all',
	patterns: 'pieces, different ones',
	seam: 'all seams',
	gathered: 'gathered edges',
	shaped: 'edges cut by a template',
	eyelets: 'eyelets set into them',
	boned: 'boning in them',
	any: 'anything',
	solid: 'foam and boards',
	cloth: 'cloth',
	solidElseCloth: 'foam and boards, else cloth',
	once: 'done once to the whole',
	each: 'done to each layer',
	between: 'done between layers',
	coat: 'a coat',
	fit: 'a fitting',
	glue: 'a glued joint',
	bodyWrap: 'body wrap',
	insert: 'a coat between',
	swap: 'another product instead',
	cure: 'wait until the one beneath is hard',
	under: 'it goes on before',
	mask: 'mask first',
	size: 'size for leaf',
	metal: 'metallic',
	hookAndLoop: 'hook-and-loop',
	strap: 'a strap'
};

/** What rules of coats go by. */
export const TRAIT_WORDS =
	'Traits of a coat: its key in this handbook, water, solvent, enamel, rubber; seal, prime, colour, wash, highlight, size, clear; matt, satin, gloss, metal; flexible, brittle; spray, brush, softens (in a hot car), last, coat. Of work: its technique’s key. Of what is beneath, besides: foam, polystyrene, cloth, leather, plastic, print, wood, metal, clay; bare, drinks, rough, smooth; part, bends, painted, closed, joined, masked, otherColour. A plus asks for both.';

/** What rules of glues go by. */
export const GLUE_TRAIT_WORDS =
	'Traits of a glue: its key in this handbook; flexible or stiff; washable or unwashable; light, middling or strong; softens (in a hot car); quick or slow; solvent. In a joint: usual (for the pair), short (of the gap), letGo (each time that the log says so). In the words {heat} is the °C that it bears, {gap} the mm that it fills, {times} how often it let go.';
export const underWords = (under: GlueUnder): string =>
	under === 'any' ? 'in every joint' : `where it is ${LOAD_WORDS[under]}`;

/** What of a fastener bears so much. */
export const BEARS_WORDS: Record<BearsBy, string> = {
	each: 'each',
	cm2: 'a cm²',
	cmWidth: 'a cm of its width'
};
/** What of it its work counts, and its weight is of. */
export const COUNTED_WORDS: Record<Counted, string> = {
	each: 'each one',
	length: 'a metre of it',
	decimetre: 'ten centimetres of it',
	join: 'all of a join at once'
};

/** A side of a pair. */
export const sideWords = (side: BondSide): string =>
	side in SURFACES ? SURFACES[side as SurfaceKey].name : (WORDS[side] ?? side);

const perUnit = { length: 'a metre', area: 'a m²', count: 'each' };
const known = (minutes: number | null) => (minutes === null ? 'not known' : formatWait(minutes));

const glueName = (key: string) => handbook().glue[key]?.name ?? key;

/** `a metre of sew by machine`. */
export function useWords(technique: string): string {
	const row = techniqueOf(handbook(), technique);
	return `${{ length: 'a metre', area: 'a m²', count: 'each' }[row.driver]}, ${row.name}`;
}

/** What stands of a row in the list, besides its name and source. */
export const SHOWN: {
	[T in HandbookTable]: (row: Catalogue[T][string], unit: LengthUnit) => string;
} = {
	technique: (t) => `${formatNumber(t.minutes, 2)} min ${perUnit[t.driver]}, ${t.of}`,
	route: (r, unit) => `${r.kinds.join(', ')}; ${r.steps.length} steps, ${formatArea(r.area, unit)}`,
	coatProduct: (p) =>
		`${p.how}, ${p.base}, ${WORDS[p.does] ?? p.does}, ${p.coats[0]}–${p.coats[1]} coats, next after ${formatWait(p.recoatMinutes)}, handled after ${formatWait(p.handlingMinutes)}`,
	coatRule: (r) =>
		`${r.over.join(', ')} on ${r.on.join(', ')}: ${r.spoils ? 'spoils' : 'try it first'}. ${r.why}`,
	recipe: (r) =>
		`${r.surface ? SURFACES[r.surface].name : 'anything'}: ${r.layers.map((l) => layerWords(l, handbook())).join(', ')}`,
	bond: (b) =>
		[
			b.rather,
			b.first.length && `first ${b.first.map(glueName).join(', ')}`,
			b.also.length && `also ${b.also.map(glueName).join(', ')}`,
			b.avoid.length && `never ${b.avoid.map((x) => glueName(x.glue)).join(', ')}`
		]
			.filter(Boolean)
			.join('; '),
	glue: (g) => `full strength after: ${known(g.fullMinutes)}`,
	glueRule: (r) =>
		`${r.glues.join(', ')} ${underWords(r.under)}: ${r.points > 0 ? '+' : ''}${formatNumber(r.points, 1)}. ${capital(r.why)}`,
	supply: (s) =>
		s.glue === null
			? s.uses.map((u) => `${formatNumber(u.amount, 2)} ${s.unit} ${useWords(u.technique)}`).join('; ') ||
				'nothing uses it up'
			: 'a seam and layers of foam, as the row of its glue says',
	fastener: (f) =>
		`${formatNumber(f.shear, 1)} N along its face ${BEARS_WORDS[f.shearBy]}, ${formatNumber(f.pull, 1)} N straight off ${BEARS_WORDS[f.pullBy]}`,
	knownFault: (k) => `${k.cause} → ${k.cure}`,
	caution: (c) => c.wear,
	thing: (t) =>
		[
			t.words.slice(1).join(', '),
			`${t.kind}${t.paired ? ', a pair' : ''}`,
			t.places.join(', '),
			`layer ${t.layer}`,
			t.route ? (handbook().route[t.route]?.name ?? t.route) : 'no route'
		]
			.filter(Boolean)
			.join('; '),
	starter: (s, unit) =>
		[
			`${s.family}, ${formatNumber(s.packSize)} ${s.unit} a pack`,
			[s.widthMm, s.lengthMm].flatMap((mm) => (mm === null ? [] : [formatLength(mm, unit)])).join(' × '),
			s.thicknessMm === null ? '' : `${formatLength(s.thicknessMm, unit)} thick`,
			s.leadDays === null ? '' : `${s.leadDays} working days`
		]
			.filter(Boolean)
			.join(', ')
};
