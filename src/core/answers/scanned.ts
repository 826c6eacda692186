import {
	definitionOf,
	latest,
	SECTION_RATIO,
	type MeasureKey,
	type MeasureSide,
	type Wearer
} from '../facts/bodyMeasure.ts';
import { figuresOfMesh, type Mesh } from '../engines/mesh/mesh.ts';
import { ARM, FOOT, HAND, LEG, TRUNK } from '../engines/stand/levels.ts';
import type { ScanSection, Tape } from '../engines/stand/scan.ts';
import type { Point3 } from '../units/point.ts';

/** How the file of a scan lies: which of its axes is up, and by how many quarters it is turned to face us. */
export interface ScanLies {
	/** mm of one of its units. */
	mm: number;
	up: 'y' | 'z';
	quarters: number;
}

/** A scan as the form stands: y up, feet on 0, x to the wearer’s left, z forward, its middle on the axis. mm */
export function stoodUp(mesh: Mesh, { mm, up, quarters }: ScanLies): Mesh {
	const points = new Float64Array(mesh.points.length);
	const [c, s] = ([[1, 0], [0, 1], [-1, 0], [0, -1]] as const)[((quarters % 4) + 4) % 4]!; // prettier-ignore
	for (let i = 0; i < points.length; i += 3) {
		const [a, b, d] = [mesh.points[i]! * mm, mesh.points[i + 1]! * mm, mesh.points[i + 2]! * mm];
		const [x, y, z] = up === 'y' ? [a, b, d] : [a, d, -b];
		points[i] = c * x + s * z;
		points[i + 1] = y;
		points[i + 2] = c * z - s * x;
	}
	const { low, high } = figuresOfMesh({ ...mesh, points });
	const off = [(low[0] + high[0]) / 2, low[1], (low[2] + high[2]) / 2];
	for (let i = 0; i < points.length; i++) points[i]! -= off[i % 3]!;
	return { ...mesh, points };
}

/** Whether somebody may be so tall, mm: else the file is in another unit, or lies. */
export const mayStand = (tall: number): boolean => {
	const { least, most } = definitionOf('stature');
	return tall >= least && tall <= most;
};

/** Levels of the form at which somebody measures round: what is sought on a scan. */
export interface ScanLevel {
	key: string;
	measure: MeasureKey;
	side: MeasureSide;
	/** Of the section, as a wearer’s sections are kept. */
	section: string;
	/** How the tape lies: level, on an arm where it is shortest, round a foot upright. */
	tape: Tape;
}
export const SCAN_LEVELS: readonly ScanLevel[] = [
	...[...TRUNK, ...LEG].map((l) => [l, 'level'] as const),
	...[...ARM, ...HAND].map((l) => [l, 'slides'] as const),
	...FOOT.map((l) => [l, 'upright'] as const)
].flatMap(([{ measure, name }, tape]) =>
	measure === null
		? []
		: ((definitionOf(measure).sided ? ['left', 'right'] : ['none']) as MeasureSide[]).map((side) => ({
				key: `${measure} ${side}`,
				measure,
				side,
				section: `${name} ${side}`,
				tape
			}))
);

/** What was found at a level, against what was measured. */
export interface ScanTaken extends ScanLevel {
	girth: number;
	/** Null where it is so flat that it is no section of a body. */
	breadthToDepth: number | null;
	/** mm by the tape; null where nobody measured. */
	measured: number | null;
	closed: boolean;
	line: Point3[];
}

export function takenAt(level: ScanLevel, section: ScanSection, wearer: Pick<Wearer, 'measures'>): ScanTaken {
	const ratio = section.wide / section.deep;
	const { least, most } = SECTION_RATIO;
	return {
		...level,
		girth: section.girth,
		breadthToDepth: ratio >= least && ratio <= most ? ratio : null,
		measured: latest(wearer.measures, level.measure, level.side)?.mm ?? null,
		closed: section.closed,
		line: section.closed ? [...section.line, section.line[0]!] : section.line
	};
}

/** A tape and a scan that differ by more than this, as a share, are asked about: breath and clothes make a few hundredths. From memory. */
export const SCAN_DIFFERS = 0.03;
