import { type Measured, onPlane, type Plane, valueOn } from '../engines/plane/pictureMeasure.ts';
import type { StoredMeasure } from '../facts/picture.ts';
import type { LengthUnit } from '../units/measure.ts';
import type { Figure } from './figure.ts';
import { type As, length, number } from '../units/figure.ts';
import { PLANE_FORMULA } from './plan.ts';
import type { Reading } from '../engines/plane/combine.ts';

/** A measure on a picture, from where its points lie on the plane. */
export function pictureFigure(
	plane: Plane,
	stored: StoredMeasure,
	measured: Measured,
	unit: LengthUnit
): Figure {
	const points = onPlane(plane, stored.points);
	const title = `${stored.label} on the picture`;
	if (stored.kind === 'heads')
		return {
			title,
			formula: 'planeHeads',
			as: { kind: 'number', unit: 'heads' },
			inputs: [
				length(
					'height of the figure',
					plane.reference.kind === 'rectangle' ? 0 : plane.reference.mm,
					unit,
					'the scale'
				),
				length('crown to chin', valueOn('length', points), unit, 'clicked')
			]
		};
	const flat = valueOn(stored.kind, points);
	return {
		title,
		formula: PLANE_FORMULA[stored.kind],
		as:
			stored.kind === 'angle'
				? { kind: 'number', unit: '°' }
				: { kind: stored.kind === 'area' ? 'area' : 'length', unit },
		inputs: [
			number(
				'for standing off the plane',
				measured.value / flat,
				stored.offPlaneMm ? 'entered, by the camera’s distance' : 'it lies on the plane'
			),
			...points.flatMap(([x, y], i) => [
				length(`point ${i + 1}, across`, x, unit, 'clicked, put on the plane'),
				length(`point ${i + 1}, down`, y, unit, 'clicked, put on the plane')
			])
		]
	};
}

/** Several pictures of one thing. */
export function combinedFigure(label: string, readings: readonly Reading[], as: As): Figure {
	return {
		title: `${label}, of ${readings.length} readings`,
		formula: 'weightedMean',
		as,
		inputs: readings.flatMap((r, i) => [
			{ name: `reading ${i + 1}`, value: r.value, as, source: 'measured' },
			{ name: `its σ`, value: r.sigma, as, source: 'clicks and scale' }
		])
	};
}
