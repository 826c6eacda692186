import type { EdgeMarks } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { bad, problem, type Problem } from '../../units/problem.ts';
import { endOf, line, mirrorPoint, runMoved } from '../blocks/drawing.ts';
import { asCut, asCutDimension, CLOTH_PARAMS, lengthParam } from '../blocks/given.ts';
import { legsOf } from '../blocks/legs.ts';
import { halfPiece, notchesAt, outlineOf } from '../blocks/pieces.ts';
import { middleOf, middleUp, riseWarnings, SEAT_PARAMS, seatAsCut, seatDimensions } from '../blocks/seat.ts';
import { seatSolid } from '../blocks/solid.ts';
import { onCloth } from '../pattern/onCloth.ts';
import { shaped, shaper } from '../pattern/shaper.ts';

/**
 * Where thigh, knee, calf and ankle are measured, as shares of the inside leg from the fork down. From memory of published surveys
 * (means of the US Army survey of 2012); nobody measures these heights for a legging.
 */
const LEVELS = { thigh: 0.06, knee: 0.4, calf: 0.58, ankle: 0.87 } as const;

/**
 * Leggings of one piece a leg, without a side seam, for cloth that stretches. Our own construction from plain geometry: every girth is
 * the measure, less what of the stretch is worn; the waist is taken in by a dart at the side, or drawn in by elastic.
 */
export const leggings = shaper({
	name: 'leggings',
	makes: 'leggings, tights, the legs of a bodysuit',
	params: {
		top: {
			name: 'waist',
			unit: 'count',
			value: 0,
			least: 0,
			most: 1,
			choices: ['as wide as the hips, drawn in by elastic', 'taken in by a dart at the side']
		},
		casing: lengthParam('casing for elastic', 30, 0, 120),
		...SEAT_PARAMS,
		waistEase: { ...SEAT_PARAMS.waistEase, value: 0 },
		hipEase: { ...SEAT_PARAMS.hipEase, value: 0 },
		riseEase: { ...SEAT_PARAMS.riseEase, value: 0 },
		crotchEase: { ...SEAT_PARAMS.crotchEase, value: 0 },
		fork: { ...SEAT_PARAMS.fork, value: 14 },
		thigh: lengthParam('thigh girth', 580, 200, 1400, 'thighGirth'),
		knee: lengthParam('knee girth', 380, 150, 900, 'kneeGirth'),
		calf: lengthParam('calf girth', 370, 140, 900, 'calfGirth'),
		ankle: lengthParam('ankle girth', 230, 110, 600, 'ankleGirth'),
		legEase: lengthParam('ease round the leg', 0, -200, 300),
		end: lengthParam('ends above the floor by', 70, 0, 900),
		...CLOTH_PARAMS,
		stretchAcross: { ...CLOTH_PARAMS.stretchAcross, value: 50 },
		stretchAlong: { ...CLOTH_PARAMS.stretchAlong, value: 30 },
		seam: { ...CLOTH_PARAMS.seam, value: 7 }
	},
	shape(its) {
		const cut = asCut(its);
		const seat = seatAsCut(its);
		const loose = its.top === 0;
		const foot = its.inside - its.end;
		if (foot < 60) return bad('tooLarge', { most: Math.floor(its.inside - 60) }, ['end']);
		const keys = ['thigh', 'knee', 'calf', 'ankle'] as const;
		const at = keys.map((key) => ({ key, below: LEVELS[key] * its.inside, girth: its[key] + its.legEase }));
		const above = at.filter((l) => l.below < foot - 10);
		const next = at.find((l) => l.below >= foot - 10);
		const last = above.at(-1);
		// Between two measures a leg tapers evenly; below the ankle it stays as it is.
		const hemGirth = !next
			? last!.girth
			: !last
				? next.girth
				: last.girth + ((next.girth - last.girth) * (foot - last.below)) / (next.below - last.below);
		const levels = [...above, { key: next?.key ?? 'ankle', below: foot, girth: hemGirth } as const];
		const drawn = legsOf({
			...seat,
			levels: levels.map(({ below, girth }) => ({ below: cut.along(below), girth: cut.across(girth) })),
			onePiece: true,
			loose
		});
		if (!drawn.ok) {
			const { problem: wrong } = drawn;
			const path = wrong.path[0] === 'levels' ? [levels[Number(wrong.path[1])]!.key] : wrong.path;
			return { ok: false, problem: { ...wrong, path } };
		}
		const legs = drawn.value;
		const { front, back, aside, rise, hipLevel } = legs;
		const sewn: EdgeMarks = its.seam ? { allowance: its.seam } : {};
		const waistMarks: EdgeMarks = its.casing ? { allowance: its.casing } : {};
		const dart: EdgeMarks = { seam: 'dart at the side', ...sewn };
		// The back lies to the left of the side, mirrored; the front to its right.
		const up = middleUp(front, 'front', sewn, null);
		const down = runMoved(middleOf(back, 'back', sewn, null), mirrorPoint);
		const side: Point = [0, hipLevel];
		const outline = outlineOf(
			endOf(down),
			line(up.from, its.hem ? { allowance: its.hem } : {}),
			...up.edges,
			...(aside > 0.01
				? [
						line([aside, rise], waistMarks),
						line(side, dart),
						line([-aside, rise], dart),
						line(down.from, waistMarks)
					]
				: [line([0, rise], waistMarks), line(down.from, waistMarks)]),
			down
		);
		const [frontFork, backFork]: Point[] = [
			[front.fork, 0],
			[-back.fork, 0]
		];
		const laid = onCloth(
			[
				halfPiece(
					'leg',
					outline,
					false,
					notchesAt(outline, [
						[frontFork!, 'fork'],
						[backFork!, 'fork']
					])
				)
			],
			its.cloth,
			{ seam: its.seam, joins: false }
		);
		const warnings: Problem[] = [...laid.warnings, ...riseWarnings(legs)];
		if (!loose && seat.waist * (1 + its.stretchAcross / 100) < its.hip)
			warnings.push(problem('waistNotOverHips', {}, ['top']));
		return shaped(laid.pieces, {
			warnings,
			dimensions: [
				...seatDimensions(its, legs, loose),
				...levels.map(({ key, below, girth }, i) =>
					asCutDimension(
						i === levels.length - 1 ? 'Hem of a leg, as cut' : `Round the ${key}, as cut`,
						`girth ${Math.round(below)} mm below the fork`,
						girth,
						its
					)
				)
			],
			solid: seatSolid(
				its.waist,
				its.hip,
				its.outside - its.inside,
				its.outside - its.inside - its.waistToHip,
				levels.map(({ below, girth }) => [girth, -below])
			)
		});
	}
});
