import { asCut, CLOTH_PARAMS, HOOD_PARAMS, necklineDimension, SHOULDER_PARAMS } from '../blocks/given.ts';
import { hoodOf, hoodSizes } from '../blocks/hood.ts';
import { hoodSolid } from '../blocks/solid.ts';
import { flatten } from '../pattern/outline.ts';
import { onCloth } from '../pattern/onCloth.ts';
import { mm, shaped, shaper } from '../pattern/shaper.ts';

/** A hood of two halves for a neckline that is there already: own construction from the girth of the head. */
export const hood = shaper({
	name: 'hood',
	makes: 'hood of a cloak, robe or coat',
	params: {
		neck: { ...SHOULDER_PARAMS.neck, name: 'neckline, or neck girth' },
		neckEase: { ...SHOULDER_PARAMS.neckEase, hint: '0 where the neckline itself was measured' },
		...HOOD_PARAMS,
		...CLOTH_PARAMS
	},
	shape(its) {
		const cut = asCut(its);
		const neckline = cut.round(its.neck + its.neckEase);
		const [deep, high] = hoodSizes(its, cut);
		const half = hoodOf(
			neckline / 2,
			deep,
			high,
			{ seam: its.seam ? { allowance: its.seam } : {}, face: its.hem ? { allowance: its.hem } : {} },
			true
		);
		if (!half.ok) return half;
		const laid = onCloth([half.value], its.cloth, { seam: its.seam, joins: false });
		return shaped(laid.pieces, {
			warnings: laid.warnings,
			dimensions: [
				necklineDimension(its),
				{
					title: 'Head and its ease, less the face',
					of: 'length',
					formula: 'difference',
					inputs: [mm('head and its ease', its.head + its.headEase), mm('left open for the face', its.face)]
				},
				{
					title: 'From the face to the back, a half as cut',
					of: 'length',
					formula: 'same',
					inputs: [mm('half of that, its stretch taken off', deep)]
				}
			],
			solid: hoodSolid(flatten(half.value.outline).points.slice(1, -1), its.face, high, neckline / 2)
		});
	}
});
