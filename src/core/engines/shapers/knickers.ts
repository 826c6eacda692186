import type { Edge, EdgeMarks, Piece } from '../../facts/piece.ts';
import { distance, type Point } from '../../units/point.ts';
import { bad, type Problem } from '../../units/problem.ts';
import { endOf, line, runBack } from '../blocks/drawing.ts';
import { asCut, CLOTH_PARAMS, easedParam, easeParam, lengthParam, onlyWhere } from '../blocks/given.ts';
import { type HalfOfSeat, legsOf } from '../blocks/legs.ts';
import { halfPiece, notchesAt, outlineOf } from '../blocks/pieces.ts';
import {
	middleUp,
	riseWarnings,
	SEAT_PARAMS,
	seatAsCut,
	seatDimensions,
	sideUp,
	waistOf
} from '../blocks/seat.ts';
import { seatSolid } from '../blocks/solid.ts';
import { onCloth } from '../pattern/onCloth.ts';
import { mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';
import { bandOf, foldedStrip } from '../pattern/strips.ts';

const DRAWN_ON = 0;
const AT_BACK = 1;
const IN_FRONT = 2;
/** Below the fork, where the thigh is measured, mm. Common practice. */
const THIGH = 50;

/**
 * Knickers, breeches or trousers of two fronts and two backs with darts at the waist. Our own construction from plain geometry: waist
 * and hips come out as measured with their ease, the crotch seam is as long as measured, sides and inside seams pair.
 */
export const knickers = shaper({
	name: 'knickers or trousers',
	makes: 'knickers, breeches, pantaloons or straight trousers of cloth',
	params: {
		opening: {
			name: 'opening',
			unit: 'count',
			value: AT_BACK,
			least: 0,
			most: 2,
			choices: [
				'none: drawn on, gathered by elastic',
				'zip at the middle of the back',
				'lapped placket in front'
			]
		},
		legBand: {
			name: 'end of the leg',
			unit: 'count',
			value: 0,
			least: 0,
			most: 1,
			choices: ['hemmed', 'gathered into a band']
		},
		...onlyWhere('opening', [AT_BACK, IN_FRONT], {
			openingLength: lengthParam('length of the opening', 150, 20, 600),
			underlap: lengthParam('underlap of band and placket', 30, 5, 100)
		}),
		...onlyWhere('opening', [DRAWN_ON], { casing: lengthParam('casing for elastic', 35, 10, 120) }),
		...SEAT_PARAMS,
		thigh: easedParam('thigh girth', 580, 200, 1400, 'thighGirth'),
		thighEase: easeParam('thigh', 90),
		leg: lengthParam('length of the leg from the fork', 420, 30, 1250),
		hemGirth: lengthParam('girth at the hem of a leg', 560, 100, 2500),
		...onlyWhere('legBand', [1], { bandGirth: lengthParam('girth of the band', 380, 80, 1200, 'kneeGirth') }),
		band: lengthParam('height of the bands', 35, 10, 200),
		...CLOTH_PARAMS
	},
	shape(its) {
		const cut = asCut(its);
		const seat = seatAsCut(its);
		if (its.leg > its.inside) return bad('legTooLong', { most: Math.floor(its.inside) }, ['leg']);
		const thigh = Math.min(THIGH, its.leg * 0.4);
		const loose = its.opening === DRAWN_ON;
		const drawn = legsOf({
			...seat,
			levels: [
				{ below: cut.along(thigh), girth: cut.across(its.thigh + its.thighEase) },
				{ below: cut.along(its.leg), girth: cut.across(its.hemGirth) }
			],
			onePiece: false,
			loose
		});
		if (!drawn.ok) {
			const { problem: its } = drawn;
			const path = its.path[0] === 'levels' ? [its.path[1] ? 'hemGirth' : 'thigh'] : its.path;
			return { ok: false, problem: { ...its, path } };
		}
		const legs = drawn.value;
		const sewn: EdgeMarks = its.seam ? { allowance: its.seam } : {};
		const gathered = its.legBand === 1;
		const bandRound = cut.across(its.bandGirth);
		if (gathered && bandRound > cut.across(its.hemGirth)) return bad('bandLongerThanHem', {}, ['bandGirth']);
		const hem: EdgeMarks = gathered
			? { seam: 'leg band', fullness: cut.across(its.hemGirth) / bandRound, ...sewn }
			: its.hem
				? { allowance: its.hem }
				: {};
		const waistMarks: EdgeMarks = loose ? { allowance: its.casing } : { seam: 'waist', ...sewn };
		const straight = (half: HalfOfSeat) => distance(half.top, half.crotch.edges[0]!.to);
		const most = Math.floor(straight(its.opening === AT_BACK ? legs.back : legs.front) - 1);
		if (!loose && its.openingLength > most) return bad('openingBelowHip', { most }, ['openingLength']);
		const openAt = (which: 'front' | 'back') =>
			which === 'back' && its.opening === AT_BACK
				? { long: its.openingLength, marks: { seam: 'zip', onto: true, ...sewn } }
				: which === 'front' && its.opening === IN_FRONT
					? { long: its.openingLength, marks: { seam: 'opening', ...sewn } }
					: null;
		const half = (which: 'front' | 'back', deep: number): Piece => {
			const of = legs[which];
			const down = middleUp(of, which, sewn, openAt(which));
			const side = sideUp(of, legs, { seam: 'side', ...sewn });
			const corner: Point = endOf(side);
			const dart: EdgeMarks = { seam: `dart, ${which}`, ...sewn };
			// From the hem at the side, along it, up the inside seam and the middle, over the waist and down the side.
			const edges: Edge[] = [...down.edges, ...waistOf(endOf(down), corner, of.dart, deep, waistMarks, dart)];
			const outline = outlineOf(side.from, line(down.from, hem), ...edges, runBack(side));
			return halfPiece(which, outline, false, notchesAt(outline, [[[0, legs.hipLevel], 'hip, at the side']]));
		};
		const upper = legs.rise - legs.hipLevel;
		const deep = { front: upper * 0.5, back: upper * 0.7 };
		const pieces: Piece[] = [half('front', deep.front), half('back', deep.back)];
		if (!loose) pieces.push(bandOf('waistband', 'waist', seat.waist, its.underlap, its.band, sewn));
		if (its.opening === IN_FRONT)
			pieces.push(foldedStrip('placket strip', its.openingLength, its.underlap, 'opening', sewn, 2));
		if (gathered) pieces.push(foldedStrip('leg band', bandRound, its.band, 'leg band', sewn, 2));

		const laid = onCloth(pieces, its.cloth, { seam: its.seam, joins: false });
		const warnings: Problem[] = [...laid.warnings, ...riseWarnings(legs)];
		return shaped(laid.pieces, {
			warnings,
			dimensions: [
				...seatDimensions(its, legs, loose),
				{
					title: 'Fork to waist',
					of: 'length',
					formula: 'riseLength',
					inputs: [
						mm('outside leg', its.outside),
						mm('inside leg', its.inside),
						mm('ease at the fork', its.riseEase)
					]
				},
				...(['front', 'back'] as const).flatMap((which): Dimension[] =>
					legs[which].dart
						? [
								{
									title: `Angle of the dart, ${which}`,
									of: 'angle',
									formula: 'dartAngle',
									inputs: [mm('taken in', legs[which].dart), mm('its length', deep[which])]
								}
							]
						: []
				)
			],
			solid: seatSolid(its.waist, its.hip, legs.rise, legs.hipLevel, [
				[its.thigh + its.thighEase, -thigh],
				[its.hemGirth, -its.leg]
			])
		});
	}
});
