import type { Piece } from '../../facts/piece.ts';
import { bad, problem, type Problem } from '../../units/problem.ts';
import { backOf } from '../blocks/back.ts';
import { endOf, line } from '../blocks/drawing.ts';
import { frontOf } from '../blocks/front.ts';
import {
	asCut,
	asCutDimension,
	CLOTH_PARAMS,
	easedParam,
	easeParam,
	lengthParam,
	onlyWhere,
	SHOULDER_PARAMS,
	SLEEVE_PARAMS,
	SLEEVES
} from '../blocks/given.ts';
import { markedHalf, type Plan, sew, SHAPING_KEYS, SHAPINGS } from '../blocks/shaping.ts';
import { armholeDimension, capDimensions, sleevesFor } from '../blocks/sleeve.ts';
import { torsoSolid } from '../blocks/solid.ts';
import { OUTSIDE, shoulderGiven, torsoOf } from '../blocks/torso.ts';
import { onCloth } from '../pattern/onCloth.ts';
import { foldedStrip } from '../pattern/strips.ts';
import { mm, shaped, shaper, type Dimension } from '../pattern/shaper.ts';

/** What the sides take in at the waist, of all that is taken in there, and at most, mm. Common practice. */
const SIDE_SHARE = 0.3;
const SIDE_MOST = 25;
const LEAST_DART = 3;
/** A dart wider than this makes a point: a seam is better. Common practice, mm. */
const WIDE_DART = 45;

/** Where it opens. */
const AT_BACK = 1;
const IN_FRONT = 2;

/**
 * A close-fitting bodice to the waist. Our own construction from plain geometry: waist, chest, neckline and armholes come out as
 * measured with their ease; the front opens about the bust point by as much as it is longer than the back, and that is sewn as a dart
 * at the side, one in the shoulder, or along princess seams.
 */
export const bodice = shaper({
	name: 'bodice',
	makes: 'bodice, vest, corselet or top block, with darts or princess seams',
	params: {
		shaping: { name: 'shaped by', unit: 'count', value: 0, least: 0, most: 3, choices: SHAPINGS },
		opening: {
			name: 'opening',
			unit: 'count',
			value: AT_BACK,
			least: 0,
			most: 2,
			choices: ['none: drawn on over the bust', 'zip at the middle of the back', 'lapped placket in front']
		},
		sleeves: SLEEVES,
		...onlyWhere('opening', [IN_FRONT], { underlap: lengthParam('width of the placket', 30, 5, 100) }),
		chest: easedParam('bust or chest girth', 920, 380, 2100, 'chestGirth'),
		chestEase: easeParam('chest', 60, '40 to 100 mm for cloth that does not stretch'),
		waist: easedParam('waist girth', 720, 330, 2200, 'waistGirth'),
		waistEase: easeParam('waist', 30),
		...SHOULDER_PARAMS,
		armholeEase: easeParam('armhole', 40),
		frontWaist: lengthParam('neck over the bust point to the waist', 450, 160, 800, 'frontWaistLength'),
		neckToBust: lengthParam('neck to bust point', 270, 80, 550, 'neckToBust'),
		bustApart: lengthParam('bust point to bust point', 190, 60, 420, 'bustApart'),
		frontMore: lengthParam('front wider than the back by', 20, 0, 300),
		...onlyWhere('shaping', [0, 1], { short: lengthParam('darts end before the bust point by', 20, 3, 80) }),
		...onlyWhere('sleeves', [1], SLEEVE_PARAMS),
		...CLOTH_PARAMS
	},
	shape(its) {
		const cut = asCut(its);
		const waist = cut.across(its.waist + its.waistEase);
		const bustGiven = {
			frontWaist: cut.along(its.frontWaist),
			neckToBust: cut.along(its.neckToBust),
			apart: cut.across(its.bustApart)
		};
		const given = { ...shoulderGiven(its, cut), frontMore: cut.across(its.frontMore), bust: bustGiven };
		const { chest, acrossBack } = given;
		const drawn = torsoOf(given);
		if (!drawn.ok) return drawn;
		const torso = drawn.value;
		const { back, front, blade, underarm, level } = torso;
		const bust = torso.bust!;

		// What is taken in at the waist, of a quarter of the round: some at the side, the rest by a dart or a seam.
		const taken = (chest - waist) / 4;
		const share = Math.min(taken * SIDE_SHARE, SIDE_MOST);
		const aside = taken - share < LEAST_DART ? taken : share;
		const allowance = its.seam ? { allowance: its.seam } : {};
		const sleeves = its.sleeves === 1;
		const shaping = SHAPING_KEYS[its.shaping]!;
		const seams = shaping === 'fromShoulder' || shaping === 'fromArmhole';
		// A seam goes on to the bust point; a dart ends before it.
		const short = seams ? 0 : its.short;
		if (level < short + 10)
			return bad('bustPointTooLow', { most: Math.floor(bustGiven.frontWaist - short - 10) }, ['neckToBust']);
		const plan: Plan = { torso, shaping, dart: taken - aside, aside, short, allowance, sleeves };
		const half = {
			front: markedHalf(plan, front, bust.point[0]),
			back: markedHalf(plan, back, acrossBack / 4)
		};
		const wide = { wide: Math.round(plan.dart) };
		if (!half.front.fits) return bad('dartTooWide', wide, ['bustApart']);
		if (!half.back.fits) return bad('dartTooWide', wide, ['acrossBack']);
		const middle = {
			front: line([0, 0], its.opening === IN_FRONT ? sew(plan, 'opening') : {}),
			back: line([0, 0], its.opening === AT_BACK ? sew(plan, 'zip', true) : {})
		};
		const pieces: Piece[] = [
			...frontOf(plan, half.front, bust, middle.front, its.opening !== IN_FRONT),
			...backOf(plan, half.back, middle.back, its.opening !== AT_BACK, (its.slope * Math.PI) / 180)
		];
		if (its.opening === IN_FRONT)
			pieces.push(
				foldedStrip('placket strip', endOf(front.neckline)[1], its.underlap, 'opening', allowance, 2)
			);
		const armholes = { front: front.armhole, back: back.armhole };
		const sleeve = sleeves
			? sleevesFor(armholes, its, cut, { seam: allowance, hem: its.hem ? { allowance: its.hem } : {} })
			: null;
		if (sleeve && !sleeve.ok) return sleeve;
		if (sleeve) pieces.push(sleeve.value.piece);
		const laid = onCloth(pieces, its.cloth, { seam: its.seam, joins: false });
		const warnings: Problem[] = [...laid.warnings];
		if (!seams && plan.dart > WIDE_DART) warnings.push(problem('dartWide', wide, ['shaping']));
		if (bust.raised <= 0) warnings.push(problem('frontNotLonger', {}, ['frontWaist']));
		if (its.opening === 0 && waist * (1 + its.stretchAcross / 100) < its.chest)
			warnings.push(problem('notOverBust', {}, ['opening']));

		const dimensions: Dimension[] = [
			asCutDimension('Chest, as cut', 'chest and its ease', its.chest + its.chestEase, its),
			asCutDimension('Waist, as cut', 'waist and its ease', its.waist + its.waistEase, its),
			{
				title: 'Taken in at the waist by each dart or seam',
				of: 'length',
				formula: 'quarterLess',
				inputs: [mm('chest, as cut', chest), mm('waist, as cut', waist), mm('taken in at each side', aside)]
			},
			{
				title: 'Angle of the dart at the waist, front',
				of: 'angle',
				formula: 'dartAngle',
				inputs: [
					mm('taken in', plan.dart),
					mm('from the waist to its tip', seams ? bust.point[1] : Math.min(bust.point[1], level) - short)
				]
			},
			{
				title: 'Angle that the front opens about the bust point',
				of: 'angle',
				formula: 'bustAngle',
				inputs: [
					mm('underarm above the bust point, closed', bust.up),
					mm('front longer than the back', bust.raised),
					mm('bust point to underarm', bust.reach || 1)
				]
			},
			...(blade.wide
				? [
						{
							title: 'Taken in at the shoulder of the back',
							of: 'length',
							formula: 'bladeTaken',
							inputs: [
								mm('half of the width across the back', acrossBack / 2),
								mm('shoulder ends outside of it by', OUTSIDE),
								mm('half of the neck', back.neck[0]),
								{ name: 'slope of the shoulder', value: its.slope, of: 'angle' },
								mm('shoulder', given.shoulder)
							]
						} as const
					]
				: []),
			armholeDimension(armholes),
			...(sleeve ? capDimensions(given.armhole, its.capEase, sleeve.value.cap) : [])
		];
		return shaped(laid.pieces, {
			dimensions,
			warnings,
			solid: torsoSolid(torso, [
				[waist / 4, 0],
				[chest / 4, level],
				[chest / 4, underarm]
			])
		});
	}
});
