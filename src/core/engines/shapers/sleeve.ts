import {
	asCut,
	asCutDimension,
	CLOTH_PARAMS,
	easeParam,
	SHOULDER_PARAMS,
	SLEEVE_PARAMS
} from '../blocks/given.ts';
import { capDimensions, sleeveOf } from '../blocks/sleeve.ts';
import { roundsOf } from '../blocks/solid.ts';
import { onCloth } from '../pattern/onCloth.ts';
import { shaped, shaper } from '../pattern/shaper.ts';

/** Where the mark of an armhole lies that nobody has drawn, as a share of its half from the underarm. */
const MARK = 0.45;

/** A straight sleeve for an armhole that is there already. Own construction: see the block that it is made with. */
export const sleeve = shaper({
	name: 'sleeve',
	makes: 'straight or gathered sleeve for an armhole of its own',
	params: {
		armscye: { ...SHOULDER_PARAMS.armscye, name: 'armhole, or armscye girth' },
		armholeEase: easeParam('armhole', 40),
		frontShare: {
			name: 'of the armhole, in front',
			unit: 'percent',
			value: 50,
			least: 35,
			most: 65,
			hint: 'measured from the underarm seam to the shoulder seam'
		},
		...SLEEVE_PARAMS,
		...CLOTH_PARAMS
	},
	shape(its) {
		const cut = asCut(its);
		const armhole = cut.round(its.armscye + its.armholeEase);
		const front = (armhole * its.frontShare) / 100;
		const made = sleeveOf(
			{
				front,
				back: armhole - front,
				ease: its.capEase / 100,
				arm: cut.across(its.arm + its.armEase),
				hem: cut.across(its.sleeveHem),
				length: cut.along(its.sleeveLength),
				marks: { front: front * MARK, back: (armhole - front) * MARK }
			},
			{
				seam: its.seam ? { allowance: its.seam } : {},
				hem: its.hem ? { allowance: its.hem } : {}
			},
			true
		);
		if (!made.ok) return made;
		const laid = onCloth([made.value.piece], its.cloth, { seam: its.seam, joins: false });
		return shaped(laid.pieces, {
			warnings: laid.warnings,
			dimensions: [
				asCutDimension('Round the arm, as cut', 'upper arm and its ease', its.arm + its.armEase, its),
				...capDimensions(armhole, its.capEase, made.value.cap)
			],
			solid: roundsOf([
				[its.sleeveHem, 0],
				[its.arm + its.armEase, its.sleeveLength - made.value.cap],
				[(its.arm + its.armEase) * 0.8, its.sleeveLength - made.value.cap * 0.4],
				[its.arm * 0.2, its.sleeveLength]
			])
		});
	}
});
