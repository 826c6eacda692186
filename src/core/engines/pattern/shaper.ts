import type { MeasureKey } from '../../facts/bodyMeasure.ts';
import type { AssembledForm } from './form.ts';
import type { ShapeFormula } from './formulas.ts';
import type { Piece } from '../../facts/piece.ts';
import type { Point3 } from '../../units/point.ts';
import { bad, good, type Parsed, type Problem } from '../../units/problem.ts';
import { checkPiece } from './piece.ts';

/** What a shaper is told. Lengths are mm, angles degrees, shares 1 = all. */
export interface Param {
	name: string;
	unit: 'mm' | 'deg' | 'count' | 'times' | 'percent';
	/** Where it starts, as an example. */
	value: number;
	least: number;
	most: number;
	hint?: string;
	/** The girth or length of the wearer that it usually follows. */
	measure?: MeasureKey;
	/** The measure counts as it is taken: its ease is a value of its own. */
	eased?: boolean;
	/** For a choice: the words for 0, 1, 2 … */
	choices?: readonly string[];
	/** Counts only where another value, a choice, is one of these. */
	only?: { of: string; is: readonly number[] };
}

/** A number worked out on the way, which can show its working. */
export interface Dimension {
	title: string;
	of: 'length' | 'angle' | 'count' | 'area';
	formula: ShapeFormula;
	inputs: readonly { name: string; value: number; of: 'length' | 'angle' | 'count' }[];
}

export interface Shaped {
	pieces: Piece[];
	dimensions: Dimension[];
	/** What the maker must know, without stopping. */
	warnings: Problem[];
	/** Where it closes round the body: by the value that says how far round, and whether it opens along its whole length. */
	rounds: readonly { value: string; closed: number; split: boolean }[];
	/** Lines of the assembled thing, to draw it. */
	solid: readonly (readonly Point3[])[];
	/** Its surface as it is worn; null where that is not known. */
	form: AssembledForm | null;
}

export interface Shaper {
	name: string;
	/** What makers make with it. */
	makes: string;
	params: Readonly<Record<string, Param>>;
	shape: (values: Readonly<Record<string, number>>) => Parsed<Shaped>;
}

/** Whether a value counts beside the others. */
export const counts = ({ only }: Param, values: Readonly<Record<string, unknown>>): boolean =>
	!only || only.is.includes(Number(values[only.of]));

/** Gives a shaper's names of parameters to its function, checked by the compiler. */
export const shaper = <K extends string>(its: {
	name: string;
	makes: string;
	params: Readonly<Record<K, Param>>;
	shape: (values: Readonly<Record<K, number>>) => Parsed<Shaped>;
}): Shaper => its as unknown as Shaper;

/** Every value of a shaper, as given or as it starts; the path of a problem leads to the parameter. */
export function valuesWithin(
	shaper: Shaper,
	given: Readonly<Record<string, number>>
): Parsed<Record<string, number>> {
	const values: Record<string, number> = {};
	for (const [key, param] of Object.entries(shaper.params)) {
		const value = given[key] ?? param.value;
		if (!Number.isFinite(value)) return bad('notFinite', { name: param.name }, [key]);
		if (value < param.least) return bad('tooSmall', { least: param.least }, [key]);
		if (value > param.most) return bad('tooLarge', { most: param.most }, [key]);
		if ((param.unit === 'count' || param.choices) && !Number.isInteger(value))
			return bad('notWhole', { name: param.name }, [key]);
		values[key] = value;
	}
	return good(values);
}

/** Checks every value, shapes, and checks what came out. The path of a problem leads to the parameter. */
export function runShaper(shaper: Shaper, given: Readonly<Record<string, number>>): Parsed<Shaped> {
	const values = valuesWithin(shaper, given);
	if (!values.ok) return values;
	const shaped = shaper.shape(values.value);
	if (!shaped.ok) return shaped;
	for (const [i, piece] of shaped.value.pieces.entries()) {
		const problem = checkPiece(piece);
		if (problem) return { ok: false, problem: { ...problem, path: ['pieces', i, ...problem.path] } };
	}
	return shaped;
}

export const shaped = (pieces: Piece[], more: Partial<Omit<Shaped, 'pieces'>> = {}): Parsed<Shaped> =>
	good({ pieces, dimensions: [], warnings: [], rounds: [], solid: [], form: null, ...more });

/** mm as an input of a dimension. */
export const mm = (name: string, value: number) => ({ name, value, of: 'length' as const });
export const count = (name: string, value: number) => ({ name, value, of: 'count' as const });
