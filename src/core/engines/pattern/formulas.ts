import { at, PLAIN_FORMULAS, type Formula } from '../../units/formula.ts';
import { bandLength, relaxed, throughMiddleOf } from '../body/girth.ts';
import { flounceAngle, flounceOuter } from './flounce.ts';
import { facetMiddle, facetSeam, roundSeam, unshapedHeight } from './gore.ts';
import { ovalRound } from './oval.ts';

const radians = (degrees: number) => (degrees * Math.PI) / 180;
const degrees = (radians: number) => (radians * 180) / Math.PI;

/** What shapers work their dimensions out by. Inputs stand in the order in which the dimension gives them. */
export const SHAPE_FORMULAS = {
	...PLAIN_FORMULAS,
	coneAngle: {
		words: '360° × radius ÷ slant ÷ panels',
		compute: (v) => (360 * at(v, 0)) / at(v, 1) / at(v, 2)
	},
	lean: {
		words: 'angle whose tangent is radius ÷ height',
		compute: (v) => degrees(Math.atan2(at(v, 0), at(v, 1)))
	},
	overSine: { words: 'radius ÷ sin(lean)', compute: (v) => at(v, 0) / Math.sin(radians(at(v, 1))) },
	throughMiddle: {
		words: 'girth ± π × thickness × cos(lean)',
		compute: (v) => throughMiddleOf(at(v, 0), at(v, 1) * at(v, 3), at(v, 2))
	},
	leaningPanel: {
		words: '(girth + π × thickness × cos(lean) − gap) ÷ panels',
		compute: (v) => (throughMiddleOf(at(v, 0), at(v, 1), at(v, 2)) - at(v, 3)) / at(v, 4)
	},
	leaningShare: {
		words: '(girth + π × thickness × cos(lean)) × share of the round',
		compute: (v) => throughMiddleOf(at(v, 0), at(v, 1), at(v, 2)) * at(v, 3)
	},
	shareOfRound: {
		words: 'girth × share of the round ÷ parts',
		compute: (v) => (at(v, 0) * at(v, 1)) / at(v, 2)
	},
	bandPanel: {
		words: '(girth + π × thickness − gap) ÷ panels',
		compute: (v) => (bandLength(at(v, 0), at(v, 1)) - at(v, 2)) / at(v, 3)
	},
	bandRadius: {
		words: '(girth + π × thickness) ÷ 2π',
		compute: (v) => bandLength(at(v, 0), at(v, 1)) / (2 * Math.PI)
	},
	ringOuter: {
		words: 'slant × wide ÷ (wide − narrow)',
		compute: (v) => (at(v, 0) * at(v, 1)) / (at(v, 1) - at(v, 2))
	},
	ringAngle: {
		words: '(outer − inner edge) ÷ width, from radians to degrees',
		compute: (v) => degrees((at(v, 0) - at(v, 1)) / at(v, 2))
	},
	arcLength: { words: 'radius × angle, the angle in radians', compute: (v) => at(v, 0) * radians(at(v, 1)) },
	arcRadius: { words: 'arc ÷ angle, the angle in radians', compute: (v) => at(v, 0) / radians(at(v, 1)) },
	facetMiddle: {
		words: 'sum, from the pole down, of radius × √((π/n ÷ tan(π/n) × cos)² + sin²) × step of the angle',
		compute: (v) => facetMiddle(at(v, 0), at(v, 2), radians(at(v, 1)))
	},
	facetSeam: {
		words: 'sum, from the pole down, of radius × √((π/n ÷ sin(π/n) × cos)² + sin²) × step of the angle',
		compute: (v) => facetSeam(at(v, 0), at(v, 2), radians(at(v, 1)))
	},
	roundSeam: {
		words: 'sum, from the pole down, of radius × √(1 + (π/n × cos)²) × step of the angle',
		compute: (v) => roundSeam(at(v, 0), at(v, 2), radians(at(v, 1)))
	},
	unshapedHeight: {
		words: 'sum, from the pole down, of radius × √(1 − (π/n ÷ tan(π/n) × cos)²) × step of the angle',
		compute: (v) => unshapedHeight(at(v, 0), at(v, 2), radians(at(v, 1)))
	},
	capHeight: {
		words: 'radius × (1 − cos(angle))',
		compute: (v) => at(v, 0) * (1 - Math.cos(radians(at(v, 1))))
	},
	flounceAngle: {
		words: 'angle at which the sum of √((edge + angle × width)² + (change of width)²) is edge × flare',
		compute: (v) => degrees(flounceAngle(at(v, 0), at(v, 1), at(v, 2), at(v, 3)))
	},
	flounceOuter: {
		words: 'sum, along the edge, of √((edge + angle × width)² + (change of width)²)',
		compute: (v) => flounceOuter(at(v, 0), at(v, 1), at(v, 2), radians(at(v, 3)))
	},
	capRadius: {
		words: '(radius of the rim² + depth²) ÷ (2 × depth) + half the thickness',
		compute: (v) => (at(v, 0) ** 2 + at(v, 1) ** 2) / (2 * at(v, 1)) + at(v, 2) / 2
	},
	wedgeWidth: {
		words: '2π × (radius of the disc − radius of the rim) ÷ wedges',
		compute: (v) => (2 * Math.PI * (at(v, 0) - at(v, 1))) / at(v, 2)
	},
	bevelOffset: { words: 'thickness × tan(bevel)', compute: (v) => at(v, 0) * Math.tan(radians(at(v, 1))) },
	ridgeBevel: { words: '(180° − inside angle) ÷ 2', compute: (v) => (180 - at(v, 0)) / 2 },
	skirtRadius: {
		words: 'girth ÷ (2π × part of a circle)',
		compute: (v) => at(v, 0) / (2 * Math.PI * at(v, 1))
	},
	skirtHem: {
		words: '2π × part of a circle × (waist radius + length)',
		compute: (v) => 2 * Math.PI * at(v, 2) * (at(v, 0) + at(v, 1))
	},
	pleatCloth: {
		words: 'finished width + pleats × folds × 2 × depth',
		compute: (v) => at(v, 0) + at(v, 1) * at(v, 3) * 2 * at(v, 2)
	},
	loopStrip: { words: 'width × times + lap', compute: (v) => at(v, 0) * at(v, 1) + at(v, 2) },
	capeHem: {
		words: 'radius of the neckline + length at the back − hem’s centre moved back by',
		compute: (v) => at(v, 0) + at(v, 1) - at(v, 2)
	},
	ovalWidth: {
		words: '2 × (girth + π × thickness) ÷ the round of an oval of half-width 1 and that depth',
		compute: (v) => (2 * bandLength(at(v, 0), at(v, 1))) / ovalRound(at(v, 2))
	},
	halfLess: { words: 'girth ÷ 2 − gap', compute: (v) => at(v, 0) / 2 - at(v, 1) },
	acrossOval: {
		words: '2 × half of the depth × √(1 − (from the middle ÷ half of the width)²)',
		compute: (v) => 2 * at(v, 0) * Math.sqrt(1 - (at(v, 2) / at(v, 1)) ** 2)
	},
	sashLength: {
		words: 'girth × times round + 2 × hanging end + knot',
		compute: (v) => at(v, 0) * at(v, 1) + 2 * at(v, 2) + at(v, 3)
	},
	relaxed: {
		words: 'length ÷ (1 + stretch in percent ÷ 100 × share worn)',
		compute: (v) => relaxed(at(v, 0), at(v, 1), at(v, 2))
	},
	relaxedBothWays: {
		words: 'length ÷ (1 + stretch ÷ 100 × share worn), the mean of across and along',
		compute: (v) => (relaxed(at(v, 0), at(v, 1), at(v, 3)) + relaxed(at(v, 0), at(v, 2), at(v, 3))) / 2
	},
	bladeTaken: {
		words: '(half across + outside − half of the neck) ÷ cos(slope) − shoulder',
		compute: (v) => (at(v, 0) + at(v, 1) - at(v, 2)) / Math.cos(radians(at(v, 3))) - at(v, 4)
	},
	riseLength: { words: 'outside leg − inside leg + ease', compute: (v) => at(v, 0) - at(v, 1) + at(v, 2) },
	quarterLess: {
		words: '(girth − girth) ÷ 4 − taken in at the side',
		compute: (v) => (at(v, 0) - at(v, 1)) / 4 - at(v, 2)
	},
	dartAngle: {
		words: '2 × angle whose tangent is half of what is taken in ÷ length',
		compute: (v) => 2 * degrees(Math.atan2(at(v, 0) / 2, at(v, 1)))
	},
	bustAngle: {
		words: 'angle whose sine is (above + longer) ÷ reach, less the angle whose sine is above ÷ reach',
		compute: (v) => degrees(Math.asin((at(v, 0) + at(v, 1)) / at(v, 2)) - Math.asin(at(v, 0) / at(v, 2)))
	},
	withPercent: { words: 'length × (1 + percent ÷ 100)', compute: (v) => at(v, 0) * (1 + at(v, 1) / 100) },
	askedStretch: {
		words: '(girth ÷ (2 × width) − 1) × 100',
		compute: (v) => (at(v, 0) / (2 * at(v, 1)) - 1) * 100
	},
	otherLeg: { words: '√(long² − high²)', compute: (v) => Math.sqrt(at(v, 0) ** 2 - at(v, 1) ** 2) },
	squareSide: { words: '√(length × width)', compute: (v) => Math.sqrt(at(v, 0) * at(v, 1)) },
	strapLength: {
		words: 'girth + half the row of holes + tip + turned back',
		compute: (v) => at(v, 0) + ((at(v, 1) - 1) / 2) * at(v, 2) + at(v, 3) + at(v, 4)
	},
	strapLeast: {
		words: 'girth − half the row of holes',
		compute: (v) => at(v, 0) - ((at(v, 1) - 1) / 2) * at(v, 2)
	},
	lacingCord: {
		words: '2 × spaces × √(spacing² + across²) + across + 2 × end',
		compute: (v) => 2 * at(v, 0) * Math.hypot(at(v, 1), at(v, 2)) + at(v, 2) + 2 * at(v, 3)
	},
	chord: {
		words: '2 × radius × sin(180° ÷ petals)',
		compute: (v) => 2 * at(v, 0) * Math.sin(Math.PI / at(v, 1))
	},
	chordByAngle: {
		words: '2 × length × sin(angle ÷ 2)',
		compute: (v) => 2 * at(v, 0) * Math.sin(radians(at(v, 1)) / 2)
	}
} as const satisfies Record<string, Formula>;
export type ShapeFormula = keyof typeof SHAPE_FORMULAS;
