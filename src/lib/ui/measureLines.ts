import type { MeasureKey } from '$core/facts/bodyMeasure.ts';

/**
 * Where each measure runs on the body form of bodyShapes.ts, our own drawing: a girth is drawn as a band at its
 * middle with half its width, a length as a line. Sided ones on the wearer's left, the viewer's right.
 */
export type MeasureLine =
	| { girth: readonly [x: number, y: number, half: number, tilt?: number] }
	| { line: readonly (readonly [number, number])[] };

export const MEASURE_LINES: Record<MeasureKey, MeasureLine> = {
	stature: {
		line: [
			[32, 8],
			[32, 416]
		]
	},
	headGirth: { girth: [100, 28, 25] },
	headOverEars: { girth: [100, 38, 25, 62] },
	headLength: {
		line: [
			[130, 8],
			[130, 62]
		]
	},
	neckGirth: { girth: [100, 70, 11] },
	shoulderGirth: { girth: [100, 104, 52] },
	shoulderLength: {
		line: [
			[111, 79],
			[140, 88]
		]
	},
	acrossBack: {
		line: [
			[76, 108],
			[124, 108]
		]
	},
	chestGirth: { girth: [100, 118, 30] },
	underbustGirth: { girth: [100, 136, 28] },
	waistGirth: { girth: [100, 163, 25] },
	hipGirth: { girth: [100, 204, 33] },
	backWaistLength: {
		line: [
			[100, 80],
			[100, 163]
		]
	},
	frontWaistLength: {
		line: [
			[111, 79],
			[115, 118],
			[114, 163]
		]
	},
	neckToBust: {
		line: [
			[111, 79],
			[115, 118]
		]
	},
	bustApart: {
		line: [
			[85, 118],
			[115, 118]
		]
	},
	waistToHip: {
		line: [
			[127, 163],
			[134, 204]
		]
	},
	crotchLength: {
		line: [
			[96, 163],
			[97, 232],
			[103, 232],
			[104, 163]
		]
	},
	armscyeGirth: { girth: [136, 104, 14, 78] },
	upperArmGirth: { girth: [144, 130, 11] },
	elbowGirth: { girth: [149, 158, 10] },
	forearmGirth: { girth: [152, 180, 10] },
	wristGirth: { girth: [156, 211, 8] },
	thumbKnuckleGirth: { girth: [159, 227, 9] },
	handGirth: { girth: [160, 236, 7] },
	armLength: {
		line: [
			[146, 92],
			[158, 158],
			[164, 211]
		]
	},
	handLength: {
		line: [
			[171, 213],
			[169, 250]
		]
	},
	thighGirth: { girth: [119, 244, 17] },
	kneeGirth: { girth: [117, 306, 11] },
	calfGirth: { girth: [118, 332, 12] },
	ankleGirth: { girth: [117, 382, 8] },
	heelInstepGirth: { girth: [120, 394, 11, 40] },
	insideLeg: {
		line: [
			[101, 232],
			[106, 416]
		]
	},
	outsideLeg: {
		line: [
			[128, 163],
			[142, 216],
			[140, 416]
		]
	},
	footLength: {
		line: [
			[108, 420],
			[138, 420]
		]
	},
	footGirth: { girth: [126, 406, 9, 20] }
};
