import type { Piece } from '../../facts/piece.ts';
import type { Point } from '../../units/point.ts';
import { bad, problem, type Problem } from '../../units/problem.ts';
import { between, endOf, line, marked, type Run } from '../blocks/drawing.ts';
import {
	asCut,
	asCutDimension,
	CLOTH_PARAMS,
	easedParam,
	easeParam,
	HOOD_PARAMS,
	HOOD_REST,
	lengthParam,
	necklineDimension,
	onlyWhere,
	SHOULDER_PARAMS,
	SLEEVE_PARAMS,
	SLEEVES
} from '../blocks/given.ts';
import { hoodOf, hoodSizes } from '../blocks/hood.ts';
import { pieceFrom } from '../blocks/shaping.ts';
import { armholeDimension, capDimensions, sleevesFor } from '../blocks/sleeve.ts';
import { torsoSolid } from '../blocks/solid.ts';
import { type Half, shoulderGiven, torsoOf } from '../blocks/torso.ts';
import { onCloth } from '../pattern/onCloth.ts';
import { count, mm, shaped, shaper } from '../pattern/shaper.ts';
import { foldedStrip } from '../pattern/strips.ts';

const CLOSED = 0;
const LAPPED = 2;
const STAND = 1;
const TURNED = 2;
const HOODED = 3;
/** A collar that is turned down covers its own seam by so much, mm. Common practice. */
const COVERS = 10;

/**
 * A straight coat, robe or tunic: no darts, its sides run straight from the chest to the hips and on to the hem. Our own construction
 * from plain geometry, on the same shoulders, neckline and armholes as the bodice.
 */
export const coat = shaper({
	name: 'coat or robe',
	makes: 'straight coat, robe, tunic or tabard with sleeves, collar or hood',
	params: {
		opening: {
			name: 'opening',
			unit: 'count',
			value: LAPPED,
			least: 0,
			most: 2,
			choices: ['none: over the head', 'edge to edge in front', 'lapped in front']
		},
		top: {
			name: 'at the neck',
			unit: 'count',
			value: STAND,
			least: 0,
			most: 3,
			choices: ['nothing', 'stand-up collar', 'turned-down collar', 'hood']
		},
		sleeves: { ...SLEEVES, value: 1 },
		...onlyWhere('opening', [LAPPED], { underlap: lengthParam('width of the lap', 40, 5, 150) }),
		...onlyWhere('top', [STAND, TURNED], { collar: lengthParam('height of the collar', 40, 10, 200) }),
		chest: easedParam('bust or chest girth', 920, 380, 2100, 'chestGirth'),
		chestEase: easeParam('chest', 120, '80 to 200 mm, more over armor'),
		hip: easedParam('hip girth', 980, 380, 2300, 'hipGirth'),
		hipEase: easeParam('hips', 100),
		...SHOULDER_PARAMS,
		armholeEase: easeParam('armhole', 70),
		waistToHip: lengthParam('waist to hip', 200, 60, 420, 'waistToHip'),
		length: lengthParam('length from the back of the neck', 1050, 150, 2200),
		flare: lengthParam('hem wider than the hips by', 200, 0, 4000),
		head: HOOD_PARAMS.head,
		...onlyWhere('top', [HOODED], HOOD_REST),
		...onlyWhere('sleeves', [1], SLEEVE_PARAMS),
		...CLOTH_PARAMS
	},
	shape(its) {
		const cut = asCut(its);
		const hip = cut.across(its.hip + its.hipEase);
		const given = { ...shoulderGiven(its, cut), frontMore: 0, bust: null };
		const { chest, neckline } = given;
		const drawn = torsoOf(given);
		if (!drawn.ok) return drawn;
		const { back, front, underarm } = drawn.value;

		const allowance = its.seam ? { allowance: its.seam } : {};
		const hemmed = its.hem ? { allowance: its.hem } : {};
		const sleeves = its.sleeves === 1;
		const under: Point = [back.chest, underarm];
		const hips: Point = [hip / 4, -cut.along(its.waistToHip)];
		const foot = cut.along(its.backWaist - its.length);
		if (foot > underarm - 20)
			return bad('hemAboveUnderarm', { least: Math.ceil(its.backWaist - underarm + 20) }, ['length']);
		const below = foot < hips[1] - 1;
		const hem: Point = below
			? [hips[0] + its.flare / 4, foot]
			: between(under, hips, (under[1] - foot) / (under[1] - hips[1]));
		const side: Run = {
			from: hem,
			edges: [...(below ? [line(hips)] : []), line(under)].map((e) => ({ ...e, seam: 'side', ...allowance }))
		};
		const neckEdge = { seam: 'neckline', ...(its.top ? {} : { onto: true }), ...allowance };
		const armhole = { seam: 'armhole', ...(sleeves ? {} : { onto: true }), ...allowance };
		const shoulder = { seam: 'shoulder', ...allowance };
		const halfOf = (name: string, half: Half, folded: boolean, mark: string): Piece => {
			const run = marked(half.armhole, armhole);
			return pieceFrom(
				name,
				folded,
				[0, foot],
				[
					line(hem, hemmed),
					side,
					run,
					line(half.neck, shoulder),
					marked(half.neckline, neckEdge),
					line(
						[0, foot],
						folded ? {} : its.opening === LAPPED ? { seam: 'opening', ...allowance } : allowance
					)
				],
				[[run.edges[0]!.to, mark]]
			);
		};
		const closed = its.opening === CLOSED;
		const pieces: Piece[] = [
			halfOf('back', back, true, 'armhole, back'),
			halfOf('front', front, closed, 'armhole, front')
		];
		if (its.opening === LAPPED) {
			const long = endOf(front.neckline)[1] - foot;
			pieces.push(foldedStrip('front band', long, its.underlap, 'opening', allowance, 2));
		}
		if (its.top === STAND) pieces.push(foldedStrip('collar', neckline, its.collar, 'neckline', allowance));
		if (its.top === TURNED)
			pieces.push(foldedStrip('collar', neckline, 2 * its.collar + COVERS, 'neckline', allowance));
		if (its.top === HOODED) {
			const half = hoodOf(neckline / 2, ...hoodSizes(its, cut), { seam: allowance, face: hemmed }, false);
			if (!half.ok) return half;
			pieces.push(half.value);
		}
		const armholes = { front: front.armhole, back: back.armhole };
		const sleeve = sleeves ? sleevesFor(armholes, its, cut, { seam: allowance, hem: hemmed }) : null;
		if (sleeve && !sleeve.ok) return sleeve;
		if (sleeve) pieces.push(sleeve.value.piece);

		const laid = onCloth(pieces, its.cloth, { seam: its.seam, joins: false });
		const warnings: Problem[] = [...laid.warnings];
		const passes = neckline * (1 + its.stretchAcross / 100);
		if (closed && passes < its.head)
			warnings.push(
				problem('neckNotOverHead', { has: Math.floor(passes), need: Math.ceil(its.head) }, ['opening'])
			);
		return shaped(laid.pieces, {
			warnings,
			dimensions: [
				asCutDimension('Chest, as cut', 'chest and its ease', its.chest + its.chestEase, its),
				asCutDimension('Hips, as cut', 'hips and their ease', its.hip + its.hipEase, its),
				necklineDimension(its),
				{
					title: 'Hem in all',
					of: 'length',
					formula: 'product',
					inputs: [mm('from its middle to its side', hem[0]), count('quarters', 4)]
				},
				armholeDimension(armholes),
				...(sleeve ? capDimensions(given.armhole, its.capEase, sleeve.value.cap) : [])
			],
			solid: torsoSolid(drawn.value, [
				[hem[0], foot],
				...(below ? [[hips[0], hips[1]] as const] : []),
				[chest / 4, underarm]
			])
		});
	}
});
