import { definitionOf, latest, MEASURE_KEYS, MEASURE_SIDES, measureWords } from '../facts/bodyMeasure.ts';
import { inLedgerOrder } from '../facts/component.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Material } from '../facts/material.ts';
import { fittedOf, type MeasureRecord } from '../facts/measureRecord.ts';
import type { Piece } from '../facts/piece.ts';
import { edgeLength, edgesOf, flatten, flattenEdge, outlineLength } from '../engines/pattern/outline.ts';
import type { Point } from '../units/point.ts';
import { piecesOf } from './shapePieces.ts';

/** A length that a costume has already: a measure of its wearer, an edge of a piece, or all round that. */
export interface KnownLength {
	/** What it goes by, as long as its component keeps its pieces. */
	key: string;
	/** Of whom, or of which component. */
	of: string;
	name: string;
	mm: number;
	/** It closes. */
	round: boolean;
	/** The piece, and its edge; null of all of them. */
	at: { piece: Piece; edge: number | null } | null;
}

/** Nothing is set along what is shorter, mm. */
const LEAST = 30;
/** A traced outline has so many edges that nobody looks for one among them. */
const MOST_EDGES = 24;

/** Everything of a costume that something may be set along, the wearer first. */
export function knownLengths(
	record: Pick<CostumeRecord, 'components'>,
	fit: MeasureRecord,
	materials: readonly Material[]
): KnownLength[] {
	const wearers = fittedOf(fit);
	const body = wearers.flatMap((wearer) =>
		MEASURE_KEYS.flatMap((measure) =>
			MEASURE_SIDES.flatMap((side): KnownLength[] => {
				const mm = latest(wearer.measures, measure, side)?.mm;
				if (mm === undefined) return [];
				const key = `body-${wearer.id}-${measure}-${side}`;
				const name = measureWords(measure, side);
				return [{ key, of: wearer.name, name, mm, round: definitionOf(measure).girth, at: null }];
			})
		)
	);
	const pieces = inLedgerOrder(record.components).flatMap(({ item: component }) =>
		piecesOf(
			fit.shapes.filter((s) => s.componentId === component.id),
			{ component, components: record.components, wearers, materials }
		).flatMap(({ shape, pieces: its }) =>
			its.flatMap(({ piece }, i) => {
				const of = `${component.code} ${component.name}`;
				const key = `piece-${shape.id}-${i}`;
				const edges = edgesOf(piece.outline);
				const all = { of, key, name: `${piece.name}, all round`, mm: outlineLength(piece.outline) };
				const each = (edges.length > MOST_EDGES ? [] : edges).map(({ from, edge }, k): KnownLength => ({
					of,
					key: `${key}-${k}`,
					name: `${piece.name}, edge ${k + 1}`,
					mm: edgeLength(from, edge),
					round: false,
					at: { piece, edge: k }
				}));
				return [...each.filter(({ mm }) => mm >= LEAST), { ...all, round: true, at: { piece, edge: null } }];
			})
		)
	);
	return [...body, ...pieces];
}

/** A piece and the line on it that a length is of, flat. */
export function lineOf({ piece, edge }: NonNullable<KnownLength['at']>): { outline: Point[]; line: Point[] } {
	const { points } = flatten(piece.outline);
	if (edge === null) return { outline: points, line: [...points, points[0]!] };
	const its = edgesOf(piece.outline)[edge]!;
	return { outline: points, line: [its.from, ...flattenEdge(its.from, its.edge)] };
}
