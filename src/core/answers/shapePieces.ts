import { PLAIN_LAY } from '../facts/layout.ts';
import { definitionOf, type MeasureKey, type MeasureSide } from '../facts/bodyMeasure.ts';
import { copiesOf } from '../facts/component.ts';
import type { FitFor } from './fitFor.ts';
import { measureBeneath } from './goesOn.ts';
import type { ShapeValue, StoredShape } from '../facts/shape.ts';
import { bad, good, type Parsed } from '../units/problem.ts';
import { panelKey, panelPieces } from './panelShape.ts';
import { type Param, runShaper, type Shaped, valuesWithin } from '../engines/pattern/shaper.ts';
import { applyOperations } from '../engines/pattern/operations.ts';
import { checkPiece } from '../engines/pattern/piece.ts';
import { panelShaper } from '../engines/shapers/panelShaper.ts';
import { shaperOf } from '../engines/shapers/shapers.ts';
import { type LengthUnit, parseLength, parseSignedLength } from '../units/measure.ts';
import { parseNumber } from '../units/number.ts';
import type { NumberedPiece } from '../engines/pattern/numbered.ts';

export type { FitFor } from './fitFor.ts';

/** How a followed measure came to its value. */
export interface Followed {
	key: MeasureKey;
	side: MeasureSide;
	wearer: string;
	body: number;
	beneath: number;
	/** Over what is worn beneath, mm. */
	mm: number;
}

/** The largest over all wearers, and over both sides of what is made as a pair. */
export function follow(
	key: MeasureKey,
	{ component, components, wearers }: Omit<FitFor, 'materials'>
): Followed | null {
	const sides: MeasureSide[] = !definitionOf(key).sided
		? ['none']
		: component.side === 'left' || component.side === 'right'
			? [component.side]
			: ['left', 'right'];
	const found = wearers.flatMap((wearer) =>
		sides.flatMap((side): Followed[] => {
			const over = measureBeneath(wearer, key, side, component, components);
			return over ? [{ key, side, wearer: wearer.name, ...over }] : [];
		})
	);
	return found.reduce<Followed | null>((a, b) => (a === null || b.mm > a.mm ? b : a), null);
}

/** Every value as a number. A measure that nobody has taken yet is a problem of its value. */
export function valuesOf(
	values: Readonly<Record<string, ShapeValue>>,
	fit: FitFor
): Parsed<Record<string, number>> {
	const numbers: Record<string, number> = {};
	for (const [key, value] of Object.entries(values)) {
		if (typeof value === 'number') numbers[key] = value;
		else {
			const followed = follow(value.follows, fit);
			if (!followed) return bad('notMeasured', { measure: definitionOf(value.follows).name }, [key]);
			numbers[key] = followed.mm + value.plus;
		}
	}
	return good(numbers);
}

/** What the pieces of a shape are made of: a shaper's values and works, or pieces drawn by hand. */
export type ShapeSource = Pick<StoredShape, 'shaper' | 'values'> &
	Partial<Pick<StoredShape, 'works' | 'drawn' | 'panels' | 'materialId' | 'layers' | 'roles'>>;

/** What a stored shape gave last, and for which values. */
const kept = new WeakMap<ShapeSource, { key: string; done: Parsed<Shaped> }>();

/**
 * Shapes the pieces and works on them. What is wrong with a value leads to its name, else to its work. The same shape with the
 * same values is shaped once: nobody writes to a shape or to its pieces.
 */
export function shapeFor(shape: ShapeSource, fit: FitFor): Parsed<Shaped> {
	// What is being drawn has no version yet, and may be written to.
	if (!('version' in shape)) return shapeAnew(shape, fit);
	const values = valuesOf(shape.values, fit);
	const key = shape.panels
		? panelKey(fit, values, shape.materialId, shape.panels, givenByMaterial(shape, fit.materials))
		: JSON.stringify([values, givenByMaterial(shape, fit.materials)]);
	const known = kept.get(shape);
	if (known?.key === key) return known.done;
	const done = shapeAnew(shape, fit);
	kept.set(shape, { key, done });
	return done;
}

function shapeAnew(shape: ShapeSource, fit: FitFor): Parsed<Shaped> {
	const shaped = baseFor(shape, fit);
	if (!shaped.ok || !shape.works?.length) return shaped;
	const worked = applyOperations(shaped.value.pieces, shape.works);
	return worked.ok ? good({ ...shaped.value, pieces: worked.value }) : worked;
}

/** Of what it is cut from, all layers of it, mm; null where nobody has said what that is, or how thick. What is typed counts then. */
function thicknessOf(
	{ materialId = null, layers = 1 }: Pick<ShapeSource, 'materialId' | 'layers'>,
	materials: FitFor['materials']
): number | null {
	const mm = materials.find((m) => m.id === materialId)?.thicknessMm ?? null;
	return mm === null ? null : mm * layers;
}

/**
 * How wide the cloth is that a shape is cut from, without the border that a layout keeps on both sides, mm; null for what comes in
 * sheets, or where nobody has said how wide it is. Strips are as long as can be laid across it.
 */
function widthToLay(
	{ materialId = null, roles = {} }: Pick<ShapeSource, 'materialId' | 'roles'>,
	materials: FitFor['materials']
): number | null {
	const ids = new Set([materialId, ...Object.values(roles)]);
	const widths = materials.flatMap((m) =>
		ids.has(m.id) && m.widthMm != null && m.lengthMm == null ? [m.widthMm] : []
	);
	// Strips of every kind are as long: the narrowest cloth says how long.
	return widths.length ? Math.max(1, Math.min(...widths) - 2 * PLAIN_LAY.edge) : null;
}

/**
 * What a shape is cut from says these values instead of what is typed, by their names: mm, and percent of stretch. Null where nobody
 * has said; then what is typed counts.
 */
export function givenByMaterial(
	shape: Pick<ShapeSource, 'materialId' | 'layers' | 'roles'>,
	materials: FitFor['materials']
): Readonly<Record<string, number | null>> {
	const its = materials.find((m) => m.id === (shape.materialId ?? null));
	return {
		thickness: thicknessOf(shape, materials),
		cloth: widthToLay(shape, materials),
		stretchAcross: its?.stretchAcross ?? null,
		stretchAlong: its?.stretchAlong ?? null
	};
}

/** Before anything is done to the pieces. */
export function baseFor(shape: ShapeSource, fit: FitFor): Parsed<Shaped> {
	if (shape.drawn) {
		const problem = shape.drawn.map(checkPiece).find((p) => p !== null);
		if (problem) return { ok: false, problem: { ...problem, path: ['drawn', ...problem.path] } };
		return good({ pieces: shape.drawn, dimensions: [], warnings: [], rounds: [], solid: [], form: null });
	}
	const values = valuesOf(shape.values, fit);
	if (!values.ok) return values;
	const shaper = shape.panels ? panelShaper : shaperOf(shape.shaper);
	const given = Object.entries(givenByMaterial(shape, fit.materials)).flatMap(([key, value]) => {
		const param = shaper.params[key];
		return param && value !== null
			? [[key, Math.min(Math.max(value, param.least), param.most)] as const]
			: [];
	});
	const all = { ...values.value, ...Object.fromEntries(given) };
	if (!shape.panels) return runShaper(shaper, all);
	const checked = valuesWithin(shaper, all);
	return checked.ok
		? panelPieces(
				shape.panels,
				{
					ease: checked.value['ease']!,
					thickness: checked.value['thickness']!,
					gives: checked.value['gives']!
				},
				fit,
				shape.materialId ?? null
			)
		: checked;
}

/** Reads one value as it was typed. With a measure to follow, what is typed is the ease, and may be less than nothing. */
export function readShapeValue(
	param: Param,
	text: string,
	follows: MeasureKey | null,
	unit: LengthUnit
): Parsed<ShapeValue> {
	if (param.choices) {
		const chosen = Number(text);
		return param.choices[chosen] === undefined ? bad('notAChoice') : good(chosen);
	}
	if (param.unit !== 'mm') return parseNumber(text);
	if (!follows) return parseLength(text, unit);
	const read = parseSignedLength(text, unit);
	return read.ok ? good({ follows, plus: read.value }) : read;
}

export interface ShapePieces<S> {
	shape: S;
	done: Parsed<Shaped>;
	pieces: NumberedPiece[];
}

/** The pieces of a component's shapes, numbered through: what gives no pieces gets no numbers. */
export function piecesOf<S extends ShapeSource>(shapes: readonly S[], fit: FitFor): ShapePieces<S>[] {
	const { component, components } = fit;
	const copies = copiesOf(component, new Map(components.map((c) => [c.id, c])));
	const side = { left: ' L', right: ' R', pair: ' L+R', none: '' }[component.side];
	const all = shapes.map((shape) => ({ shape, done: shapeFor(shape, fit) }));
	const total = all.reduce((sum, { done }) => sum + (done.ok ? done.value.pieces.length : 0), 0);
	let number = 0;
	return all.map(({ shape, done }, index) => ({
		shape,
		done,
		pieces: (done.ok ? done.value.pieces : []).map((piece) => ({
			piece,
			code: `${component.code}${side} ${++number}/${total}`,
			count: piece.quantity * copies,
			shape: index
		}))
	}));
}
