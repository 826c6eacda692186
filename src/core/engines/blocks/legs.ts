import type { Point } from '../../units/point.ts';
import { bad, good, type Parsed } from '../../units/problem.ts';
import { seek } from '../../units/seek.ts';
import { curve, line, plus, runLength, smooth, towards, type Run } from './drawing.ts';

/**
 * Seat and legs, drawn flat from their measures: our own construction from plain geometry. Front and back stand on the same axes: x
 * from the side to the middle and on to the fork between the legs, y up from there. Sides and inside seams of front and back are the
 * same line, so that they are as long as each other; the back rises at its middle by as much as the crotch seam asks for.
 */

/** Mm of what is cut: eases added, stretch taken off. */
export interface LegsGiven {
	waist: number;
	hip: number;
	/** Fork to waist, and waist to hip, upright. */
	rise: number;
	waistToHip: number;
	/** From the front waist between the legs to the back waist. */
	crotch: number;
	/** How much wider the whole back is than the whole front. */
	backMore: number;
	/** Of the hip: what reaches from front to back between the legs. */
	fork: number;
	/** Round one leg at heights below the fork, the highest first; the last is its hem. */
	levels: readonly { below: number; girth: number }[];
	/** One piece without a side seam: what is narrower is taken from the inside seam alone. */
	onePiece: boolean;
	/** At the waist as wide as the hips, drawn in by elastic. */
	loose: boolean;
}

export interface HalfOfSeat {
	/** At the hip, from side to middle; and out to the fork. */
	hip: number;
	fork: number;
	/** The middle at the waist, at the hip, and from there to the fork. */
	top: Point;
	crotch: Run;
	/** From the fork down to the hem. */
	inside: Run;
	/** At the side: from hem to hip. */
	outside: Run;
	/** Of the waist, from the middle to the side, before a dart is taken up; and the dart. */
	waist: number;
	dart: number;
}

export interface Legs {
	front: HalfOfSeat;
	back: HalfOfSeat;
	/** How far the side lies in at the waist. */
	aside: number;
	/** How much higher the waist is at the middle of the back. */
	raised: number;
	rise: number;
	hipLevel: number;
}

/** Of the fork, what belongs to the front. Common practice: a quarter to a third. */
const FRONT_FORK = 0.25;
/** How far the middle leans in at the waist, of what is too wide there, and at most, mm. Common practice. */
const LEAN = { front: { share: 0.15, most: 12 }, back: { share: 0.35, most: 30 } };
/** Of the rest, what the sides take in, and at most. */
const SIDE = { share: 0.4, most: 22 };

interface Seat {
	hip: number;
	fork: number;
	top: Point;
}

/** From the waist down the middle, and on a bow to the fork, level there. */
function crotchOf({ hip, fork, top }: Seat, hipLevel: number): Run {
	const at: Point = [hip, hipLevel];
	return {
		from: top,
		edges: [
			line(at),
			curve(plus(at, towards(top, at), hipLevel * 0.6), [hip + (fork - hip) * 0.3, 0], [fork, 0])
		]
	};
}

/** What is wrong leads to the measure, by its name here. */
export function legsOf(given: LegsGiven): Parsed<Legs> {
	const { waist, rise, crotch, loose, onePiece } = given;
	const hipLevel = rise - given.waistToHip;
	if (hipLevel < 10) return bad('hipBelowFork', { most: Math.floor(rise - 10) }, ['waistToHip']);
	const hips = { front: (given.hip - given.backMore) / 4, back: (given.hip + given.backMore) / 4 };
	const reach = given.fork * given.hip;
	const forks = { front: hips.front + FRONT_FORK * reach, back: hips.back + (1 - FRONT_FORK) * reach };

	// Too wide at the waist, of a quarter of the round: the middles lean in, the sides come in, darts take the rest.
	const much = Math.max(0, (given.hip - waist) / 4);
	const lean = (its: (typeof LEAN)['front']) => (loose ? 0 : Math.min(its.most, much * its.share * 2));
	const front: Seat = { hip: hips.front, fork: forks.front, top: [hips.front - lean(LEAN.front), rise] };
	const back = (raised: number): Seat => ({
		hip: hips.back,
		fork: forks.back,
		top: [hips.back - lean(LEAN.back), rise + raised]
	});
	const frontCrotch = crotchOf(front, hipLevel);
	const frontLong = runLength(frontCrotch);
	const backLong = (raised: number) => runLength(crotchOf(back(raised), hipLevel));
	const [lowest, highest] = [(hipLevel - rise) * 0.5, rise];
	const raised = seek(backLong, crotch - frontLong, lowest, highest);
	if (raised === null) {
		const least = Math.ceil(frontLong + backLong(lowest));
		return crotch < least
			? bad('crotchTooShort', { least }, ['crotch'])
			: bad('crotchTooLong', { most: Math.floor(frontLong + backLong(highest)) }, ['crotch']);
	}
	const backSeat = back(raised);

	const span = (aside: number) => ({
		front: front.top[0] - aside,
		back: Math.hypot(backSeat.top[0] - aside, raised)
	});
	const wanted = {
		front: (waist - (given.backMore * waist) / given.hip) / 4,
		back: (waist + (given.backMore * waist) / given.hip) / 4
	};
	let aside = 0;
	if (!loose && onePiece) {
		const both = (x: number) => span(x).front + span(x).back;
		const found = seek(both, waist / 2, -waist / 2, front.top[0] - 5);
		if (found === null) return bad('waistTooNarrow', {}, ['waist']);
		aside = found;
	} else if (!loose) {
		if (wanted.back <= Math.abs(raised)) return bad('waistTooNarrow', {}, ['waist']);
		// As far in as leaves no less than nothing for the darts.
		const room = Math.min(
			front.top[0] - wanted.front,
			backSeat.top[0] - Math.sqrt(wanted.back ** 2 - raised ** 2)
		);
		aside = room < 0 ? room : Math.min(room * SIDE.share, SIDE.most);
	}
	const spans = span(aside);
	const dart = (of: 'front' | 'back') => (loose || onePiece ? 0 : Math.max(0, spans[of] - wanted[of]));

	const round = forks.front + forks.back;
	const taken = given.levels.map(({ girth }) => (round - girth) / (onePiece ? 2 : 4));
	const hem = -given.levels.at(-1)!.below;
	for (const [i, off] of taken.entries())
		if (forks.front - off * (onePiece ? 1 : 2) < 10) return bad('legTooNarrow', {}, ['levels', i]);
	const inside = (fork: number): Run =>
		smooth([[fork, 0], ...given.levels.map(({ below }, i): Point => [fork - taken[i]!, -below])]);
	const outside: Run = onePiece
		? { from: [0, hem], edges: [line([0, hipLevel])] }
		: smooth([
				...given.levels.map(({ below }, i): Point => [taken[i]!, -below]).reverse(),
				[0, 0],
				[0, hipLevel]
			]);
	const half = (seat: Seat, run: Run, of: 'front' | 'back'): HalfOfSeat => ({
		hip: seat.hip,
		fork: seat.fork,
		top: seat.top,
		crotch: run,
		inside: inside(seat.fork),
		outside,
		waist: spans[of],
		dart: dart(of)
	});
	return good({
		front: half(front, frontCrotch, 'front'),
		back: half(backSeat, crotchOf(backSeat, hipLevel), 'back'),
		aside,
		raised,
		rise,
		hipLevel
	});
}
