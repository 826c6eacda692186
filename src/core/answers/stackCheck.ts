import type { Component, SurfaceKey } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';
import { inOrder } from '../facts/order.ts';
import type { CoatProductKey } from '../facts/coat.ts';
import { coatProductOf, techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { HOT_CAR } from '../trade/bond.ts';
import { JOINS, OPENINGS } from '../trade/closureJoin.ts';
import type { CoatProduct } from '../trade/coatProduct.ts';
import type { CoatRule, Cure } from '../trade/coatRule.ts';
import { SURFACE_OF, SURFACES } from '../trade/surface.ts';
import { formatWait } from '../units/duration.ts';
import type { LocalMinutes } from '../units/localTime.ts';
import { materialOfCoat } from './coatStack.ts';

/** What is done to a surface, one after the other: coats, and the work between them. */
export type Layer = CoatLayer | StepLayer;
export interface CoatLayer {
	kind: 'coat';
	/** Of the coat; null of one that is only thought of. */
	id: number | null;
	product: CoatProductKey;
	/** What tells its colour from another. */
	colour: string;
	/** Minutes before the next may go on. */
	wait: number;
	/** A coat of it is on. */
	begun: boolean;
	/** When all of it was on; null before. */
	doneAt: LocalMinutes | null;
}
export interface StepLayer {
	kind: 'step';
	id: number | null;
	name: string;
	technique: string;
	begun: boolean;
}

export interface Ground {
	surface: SurfaceKey | null;
	bends: boolean;
}

export interface StackWarning {
	/** Of the rule. */
	rule: string;
	spoils: boolean;
	why: string;
	/** Which layer it is about, and which it would go over; null for the surface. */
	over: number;
	on: number | null;
	/** What can be done at once, and leaves nothing that spoils. */
	cures: Cure[];
}

/** What a component is of on the outside: as was said, else as its sheets are, else cloth of a garment; null where nobody knows. */
export function surfaceOf(
	component: Pick<Component, 'id' | 'kind' | 'surface'>,
	record: Pick<CostumeRecord, 'needs'>,
	materials: readonly Material[]
): SurfaceKey | null {
	if (component.surface) return component.surface;
	const families = new Set(
		record.needs
			.filter((n) => n.componentId === component.id)
			.map((n) => materials.find((m) => m.id === n.materialId)?.family)
	);
	for (const family of ['foam', 'hard', 'cloth'] as const)
		if (families.has(family)) return SURFACE_OF[family]!;
	return component.kind === 'garment' ? 'cloth' : null;
}

/** The coats of a component and the work between them, in the order in which they are done, and what they begin on. */
export function stackOf(
	component: Component,
	record: CostumeRecord,
	materials: readonly Material[]
): { ground: Ground; layers: Layer[] } {
	const layers: Layer[] = [];
	const seen = new Set<number>();
	const steps = inOrder(record.steps, component.id);
	for (const step of steps) {
		const coat = record.coats.find((c) => c.id === step.coatId);
		if (!coat) {
			const { id, name, technique, doneAt } = step;
			layers.push({ kind: 'step', id, name, technique, begun: doneAt !== null });
			continue;
		}
		if (seen.has(coat.id)) continue;
		seen.add(coat.id);
		const its = steps.filter((s) => s.coatId === coat.id);
		layers.push({
			kind: 'coat',
			id: coat.id,
			product: coat.product,
			colour: `${materialOfCoat(coat, materials)?.id ?? coat.product}`,
			wait: coat.handlingMinutes,
			begun: its.some((s) => s.doneAt !== null),
			doneAt: its.every((s) => s.doneAt !== null) ? its.at(-1)!.doneAt : null
		});
	}
	return {
		ground: { surface: surfaceOf(component, record, materials), bends: component.flex === 'stretch' },
		layers
	};
}

const coatTraits = (key: CoatProductKey, p: CoatProduct): string[] => [
	'coat',
	key,
	p.how,
	p.base,
	p.does,
	p.flexible ? 'flexible' : 'brittle',
	...(p.sheen ? [p.sheen] : []),
	...(p.heatLimit !== null && p.heatLimit < HOT_CAR ? ['softens'] : [])
];
/** The first that something has all traits of: `clear+matt`. */
export const traitsFit = (traits: ReadonlySet<string>, any: readonly string[]): string | undefined =>
	any.find((pattern) => pattern.split('+').every((trait) => traits.has(trait)));
const closes = (technique: string) => technique in JOINS || technique in OPENINGS;
/** Work that makes one part of several for good. */
const JOINED_BY = new Set(['cement', 'stack', 'attach', 'sewMachine', 'sewStretch', 'sewHand']);
/** Work that leaves a closed face, as a coat does. */
const SEALS = new Set(['heatSeal', 'stretchOn']);

/** What holds of a part as far as it has come. */
interface Beneath {
	top: number | null;
	topTraits: string[];
	lastCoat: number | null;
	closure: number | null;
	joined: number | null;
	colour: number | null;
	masked: boolean;
}

/** What the rules say of a stack, layer by layer, without cures. */
function found(
	ground: Ground,
	layers: readonly Layer[],
	trade: Catalogue,
	now: LocalMinutes
): StackWarning[] {
	const surface = ground.surface && SURFACES[ground.surface];
	const surfaceTraits: string[] = surface ? [ground.surface!, ...surface.traits] : [];
	const bends = ground.bends || surfaceTraits.includes('bends');
	const at: Beneath = {
		top: null,
		topTraits: surface ? [...surfaceTraits.filter((t) => t !== 'bends'), 'bare'] : [],
		lastCoat: null,
		closure: null,
		joined: null,
		colour: null,
		masked: false
	};
	const warnings: StackWarning[] = [];
	for (const [index, layer] of layers.entries()) {
		const product = layer.kind === 'coat' ? coatProductOf(trade, layer.product) : null;
		const traits = new Set(
			layer.kind === 'coat' ? coatTraits(layer.product, product!) : ['step', layer.technique]
		);
		if (layers.findLastIndex((l) => l.kind === 'coat') === index) traits.add('last');
		const colour = at.colour === null ? null : (layers[at.colour] as CoatLayer);
		const other = layer.kind === 'coat' && colour !== null && colour.colour !== layer.colour;
		const beneath = new Set([
			...at.topTraits,
			'part',
			...(bends ? ['bends'] : []),
			...(at.lastCoat !== null ? ['painted'] : []),
			...(at.closure !== null ? ['closed'] : []),
			...(at.joined !== null ? ['joined'] : []),
			...(at.masked ? ['masked'] : []),
			...(other ? ['otherColour'] : [])
		]);
		for (const [key, rule] of Object.entries(trade.coatRule)) {
			if (!traitsFit(traits, rule.over) || traitsFit(beneath, rule.unless)) continue;
			const pattern = traitsFit(beneath, rule.on);
			if (pattern === undefined) continue;
			const on = whichOf(pattern, at);
			if (rule.untilCured && hasCured(on === null ? null : layers[on]!, trade, now)) continue;
			warnings.push({ rule: key, spoils: rule.spoils, why: rule.why, over: index, on, cures: [] });
			break;
		}
		if (layer.kind === 'coat') {
			at.top = at.lastCoat = index;
			at.topTraits = [...traits];
			if (product!.does === 'colour') at.colour = index;
		} else {
			if (SEALS.has(layer.technique)) [at.top, at.topTraits] = [index, [layer.technique]];
			if (closes(layer.technique)) at.closure = index;
			if (at.colour !== null && JOINED_BY.has(layer.technique)) at.joined = index;
			if (layer.technique === 'mask') at.masked = true;
		}
	}
	return warnings;
}

function whichOf(pattern: string, at: Beneath): number | null {
	const traits = pattern.split('+');
	if (traits.includes('bends')) return null;
	if (traits.includes('closed')) return at.closure;
	if (traits.includes('joined')) return at.joined;
	if (traits.includes('otherColour')) return at.colour;
	return traits.includes('painted') ? at.lastCoat : at.top;
}

/** It is hard before the next goes on, by its wait or because it has been on for so long. */
function hasCured(layer: Layer | null, trade: Catalogue, now: LocalMinutes): boolean {
	if (layer?.kind !== 'coat') return true;
	const { cureMinutes } = coatProductOf(trade, layer.product);
	if (cureMinutes === null) return false;
	return layer.wait >= cureMinutes || (layer.doneAt !== null && layer.doneAt + cureMinutes <= now);
}

/** A coat that is only thought of. */
export function thoughtOf(product: CoatProductKey, trade: Catalogue): CoatLayer {
	const wait = coatProductOf(trade, product).handlingMinutes;
	return { kind: 'coat', id: null, product, colour: product, wait, begun: false, doneAt: null };
}

/** It does the same in a stack: what seals primes too. */
function standsFor(one: CoatProductKey, other: CoatProductKey, trade: Catalogue): boolean {
	const of = (key: CoatProductKey) => {
		const { does } = coatProductOf(trade, key);
		return does === 'prime' ? 'seal' : does;
	};
	return of(one) === of(other);
}

/**
 * The stack as a cure leaves it; null where it is too late for it, or nothing would change.
 */
export function cured(
	layers: readonly Layer[],
	{ over, on }: Pick<StackWarning, 'over' | 'on'>,
	cure: Cure,
	trade: Catalogue
): Layer[] | null {
	const upper = layers[over]!;
	const lower = on === null ? null : layers[on]!;
	if (upper.begun) return null;
	const move = (from: number, to: number) => {
		const rest = layers.toSpliced(from, 1);
		return rest.toSpliced(to > from ? to - 1 : to, 0, layers[from]!);
	};
	switch (cure.does) {
		case 'insert':
		case 'swap': {
			if (upper.kind !== 'coat' || !cure.product || !Object.hasOwn(trade.coatProduct, cure.product))
				return null;
			if (cure.product === upper.product) return null;
			const one = thoughtOf(cure.product, trade);
			if (cure.does === 'swap' && !standsFor(one.product, upper.product, trade)) return null;
			if (cure.does === 'insert') return layers.toSpliced(over, 0, one);
			return layers.with(over, { ...one, id: upper.id });
		}
		case 'cure': {
			if (lower?.kind !== 'coat') return null;
			const wait = coatProductOf(trade, lower.product).cureMinutes;
			return wait === null || wait <= lower.wait ? null : layers.with(on!, { ...lower, wait });
		}
		case 'under': {
			if (lower === null) return null;
			if (upper.kind === 'coat' && lower.kind === 'step')
				return lower.begun ? null : move(on!, layers.findLastIndex((l) => l.kind === 'coat') + 1);
			const to = upper.kind === 'coat' ? on! : layers.findIndex((l) => l.kind === 'coat');
			return layers[to]!.begun ? null : move(over, to);
		}
		case 'mask': {
			const to = upper.kind === 'coat' ? over : layers.findIndex((l) => l.kind === 'coat');
			if (layers[to]!.begun) return null;
			const mask: StepLayer = {
				kind: 'step',
				id: null,
				name: techniqueOf(trade, 'mask').name,
				technique: 'mask',
				begun: false
			};
			return layers.toSpliced(to, 0, mask);
		}
	}
}

/**
 * What may not hold in a stack, from the surface up, each with why and with what cures it. A cure is offered only if it cures this and
 * leaves less that spoils than before, or, of what is to be tried first, no more than before.
 */
export function checkStack(
	ground: Ground,
	layers: readonly Layer[],
	trade: Catalogue,
	now: LocalMinutes
): StackWarning[] {
	const warnings = found(ground, layers, trade, now);
	const weigh = (all: readonly StackWarning[]) => all.reduce((sum, w) => sum + (w.spoils ? 100 : 1), 0);
	const before = weigh(warnings);
	return warnings.map((warning) => ({
		...warning,
		cures: ruleOf(trade, warning.rule).cures.filter((cure) => {
			const after = cured(layers, warning, cure, trade);
			if (!after) return false;
			const left = found(ground, after, trade, now);
			return (
				(warning.spoils ? weigh(left) < before : weigh(left) <= before) &&
				countOf(left, warning.rule) < countOf(warnings, warning.rule)
			);
		})
	}));
}

/** A cure in words, as what is done: `flexible acrylic sealer between`. */
export function cureWords(
	cure: Cure,
	{ over, on }: Pick<StackWarning, 'over' | 'on'>,
	layers: readonly Layer[],
	trade: Catalogue
): string {
	const upper = layers[over]!;
	const lower = on === null ? null : layers[on]!;
	const nameOf = (layer: Layer) =>
		layer.kind === 'coat' ? coatProductOf(trade, layer.product).name : layer.name;
	switch (cure.does) {
		case 'insert':
			return `${coatProductOf(trade, cure.product!).name} between`;
		case 'swap':
			return `${coatProductOf(trade, cure.product!).name} instead`;
		case 'cure':
			return lower?.kind === 'coat'
				? `wait ${formatWait(coatProductOf(trade, lower.product).cureMinutes ?? 0)}, until it is hard`
				: 'wait until it is hard';
		case 'under':
			if (upper.kind === 'coat' && lower?.kind === 'step') return `“${lower.name}” after the coats`;
			return upper.kind === 'coat' ? `before ${nameOf(lower!)}` : 'before the coats';
		case 'mask':
			return 'mask first';
	}
}

const countOf = (warnings: readonly StackWarning[], rule: string) =>
	warnings.filter((w) => w.rule === rule).length;

export const ruleOf = (trade: Catalogue, key: string): CoatRule => trade.coatRule[key]!;
