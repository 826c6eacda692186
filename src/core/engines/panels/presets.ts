import type { BodyPoint, Corners as Points, PanelLimb, PanelPlan } from '../../facts/panelPlan.ts';
import { mirrored } from './drawn.ts';
import { mirror } from './turns.ts';

const at = (level: number, turn: number, runs: 'even' | 'shortest' = 'even'): Points[number] => ({
	level,
	turn,
	runs
});

/** Levels of the trunk, as the form counts them. */
const HEAD = 0;
const CHIN = 1;
const NECK = 2;
const SHOULDERS = 3;
const CHEST = 4;
const WAIST = 6;
const HIPS = 7;

/** A smooth run of points between two, by a quarter of an oval: first along the level, then along the turn, or the other way. */
function curve(from: BodyPoint, to: BodyPoint, levelFirst: boolean, n = 6): Points {
	return Array.from({ length: n }, (_, i) => {
		const angle = ((Math.PI / 2) * i) / n;
		const [fast, slow] = [Math.sin(angle), 1 - Math.cos(angle)];
		return at(
			from.level + (to.level - from.level) * (levelFirst ? fast : slow),
			from.turn + (to.turn - from.turn) * (levelFirst ? slow : fast)
		);
	});
}

/** Where the neckline, the shoulder and the armhole of a trunk lie: on its left. */
const NECKLINE_SIDE = at(NECK + 0.45, 4);
const SHOULDER_TIP = at(SHOULDERS - 0.12, 4);
const ARM_FRONT = at(SHOULDERS + 0.5, 34);
const ARM_BACK = at(SHOULDERS + 0.5, -34);
const UNDERARM = at(CHEST - 0.05, 0);

/** From the middle of the neckline over shoulder and armhole to the waist at the side: the left edge of a front or back half. */
function upperEdge(front: boolean, drop: number): Points {
	const middle = front ? 90 : -90;
	const arm = front ? ARM_FRONT : ARM_BACK;
	return [
		...curve({ level: NECK + drop, turn: middle }, NECKLINE_SIDE, false),
		NECKLINE_SIDE,
		...curve(SHOULDER_TIP, arm, false, 4),
		...curve(arm, UNDERARM, true, 4),
		UNDERARM,
		at(WAIST, 0)
	];
}
/** Left half, from the neckline round to the waist in the middle. */
const half = (front: boolean, drop: number): Points => [
	...upperEdge(front, drop),
	at(WAIST, front ? 90 : -90)
];
/** Both halves as one plate: the left one, and its mirror back up the other side. */
function whole(front: boolean, drop: number): Points {
	const left = upperEdge(front, drop);
	const [first, ...others] = left;
	const right = others.map((p) => ({ ...mirror(p), runs: p.runs }) as Points[number]).reverse();
	// The edge after a point of the mirror is the one that led to it.
	const turns = front ? right : right.map((p) => ({ ...p, turn: p.turn - 360 }));
	return [first!, ...others, ...turns];
}

/** Front of a half, split at a line from the shoulder to the waist. */
function princess(front: boolean, drop: number): { middle: Points; side: Points } {
	const middle = front ? 90 : -90;
	const line = front ? 48 : -48;
	const shoulder = at(NECKLINE_SIDE.level + 0.35 * (SHOULDER_TIP.level - NECKLINE_SIDE.level), 4);
	const arm = front ? ARM_FRONT : ARM_BACK;
	const split: Points = [shoulder, at(SHOULDERS + 0.15, line * 0.9), at(CHEST, line), at(WAIST, line)];
	return {
		middle: [
			...curve({ level: NECK + drop, turn: middle }, NECKLINE_SIDE, false),
			NECKLINE_SIDE,
			...split,
			at(WAIST, middle)
		],
		side: [
			...split.slice(0, 1),
			...curve(SHOULDER_TIP, arm, false, 4),
			...curve(arm, UNDERARM, true, 4),
			UNDERARM,
			at(WAIST, 0),
			...split.slice(1).reverse()
		]
	};
}

/** Left half of a hood: round the face, along the neck, up the back and over the crown, where all turns meet. */
const CROWN = -0.985;
const hoodHalf: Points = [
	at(CROWN, 90),
	at(HEAD - 0.5, 84),
	at(HEAD, 62),
	at(CHIN, 55),
	at(NECK + 0.2, 62),
	at(NECK + 0.2, 0),
	at(NECK + 0.2, -90),
	at(HEAD, -90),
	at(CROWN, -90)
];
/** One plate of a skirt of plates, so far round. */
const skirtPlate = (from: number, to: number): Points => [
	at(WAIST, from),
	at(WAIST, to),
	at(HIPS + 0.6, to),
	at(HIPS + 0.6, from)
];

const FRONT_DROP = 0.85;
const BACK_DROP = 0.6;

export interface PanelPreset {
	name: string;
	limb: PanelLimb;
	/** Round that is left besides what is worn beneath, mm. */
	ease: number;
	plan: PanelPlan;
}

const preset = (
	name: string,
	limb: PanelLimb,
	ease: number,
	panels: [name: string, points: Points][]
): PanelPreset => ({
	name,
	limb,
	ease,
	plan: { limb, panels: panels.map(([n, points]) => ({ name: n, points })), darts: [], ease: [], fold: false }
});

const front = princess(true, FRONT_DROP);
const back = princess(false, BACK_DROP);

/** What makers draw on a body wrap most often, as a beginning: every point can be moved. Places are common practice, from memory. */
export const PANEL_PRESETS = {
	breastplateTwo: preset('breastplate and back plate, two plates', 'trunk', 60, [
		['front plate', whole(true, FRONT_DROP)],
		['back plate', whole(false, BACK_DROP)]
	]),
	breastplateFour: preset('breastplate and back plate, four plates', 'trunk', 60, [
		['front plate, left', half(true, FRONT_DROP)],
		['front plate, right', mirrored(half(true, FRONT_DROP))],
		['back plate, left', half(false, BACK_DROP)],
		['back plate, right', mirrored(half(false, BACK_DROP))]
	]),
	backPlate: preset('back plate', 'trunk', 60, [['back plate', whole(false, BACK_DROP)]]),
	bodicePrincess: preset('bodice with princess seams', 'trunk', 60, [
		['front, left', front.middle],
		['side front, left', front.side],
		['front, right', mirrored(front.middle)],
		['side front, right', mirrored(front.side)],
		['back, left', back.middle],
		['side back, left', back.side],
		['back, right', mirrored(back.middle)],
		['side back, right', mirrored(back.side)]
	]),
	bodiceSide: preset('bodice with side seams', 'trunk', 60, [
		['front', whole(true, FRONT_DROP)],
		['back, left', half(false, BACK_DROP)],
		['back, right', mirrored(half(false, BACK_DROP))]
	]),
	collar: preset('collar, open in front', 'trunk', 20, [
		['collar', [at(CHIN + 0.55, 100), at(CHIN + 0.55, 440), at(NECK + 0.35, 440), at(NECK + 0.35, 100)]]
	]),
	hood: preset('hood, two halves', 'trunk', 60, [
		['hood, left', hoodHalf],
		['hood, right', mirrored(hoodHalf)]
	]),
	cuirassSkirt: preset('cuirass skirt, four plates', 'trunk', 120, [
		['front', skirtPlate(48, 132)],
		['left', skirtPlate(-42, 42)],
		['back', skirtPlate(-132, -48)],
		['right', skirtPlate(138, 222)]
	]),
	mask: preset('mask', 'trunk', 20, [
		[
			'mask',
			[
				at(HEAD - 0.25, 40),
				at(HEAD - 0.25, 140),
				at(HEAD + 0.3, 165),
				at(CHIN + 0.1, 130),
				at(CHIN + 0.1, 50),
				at(HEAD + 0.3, 15)
			]
		]
	]),
	pauldron: preset('pauldron shell', 'arm', 60, [
		['pauldron', [at(-0.75, -75), at(-0.75, 75), at(0.5, 88), at(1.1, 40), at(1.1, -40), at(0.5, -88)]]
	]),
	sleeve: preset('sleeve', 'arm', 40, [['sleeve', [at(0.3, -180), at(0.3, 180), at(4, 180), at(4, -180)]]]),
	leggings: preset('legging, one leg', 'leg', 0, [
		['legging', [at(0, -180), at(0, 180), at(3, 180), at(3, -180)]]
	])
} as const satisfies Record<string, PanelPreset>;
export type PanelPresetKey = keyof typeof PANEL_PRESETS;
export const PANEL_PRESET_KEYS = Object.keys(PANEL_PRESETS) as [PanelPresetKey, ...PanelPresetKey[]];
