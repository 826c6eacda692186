import DxfParser, {
	type IArcEntity,
	type ICircleEntity,
	type IDxf,
	type IEntity,
	type IInsertEntity,
	type ILineEntity,
	type ILwpolylineEntity,
	type IPolylineEntity,
	type ISplineEntity
} from 'dxf-parser';
import type { InnerLine } from '../facts/piece.ts';
import type { Edge } from '../facts/piece.ts';
import type { Point } from '../units/point.ts';
import { bad, good, type Parsed } from '../units/problem.ts';
import { piecesFromWays, type FromWays, type Way } from '../engines/pattern/loops.ts';

/** $INSUNITS of a DXF file (the published DXF reference): mm of one unit. */
const UNITS: Record<number, number> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };
/** Layers of patterns by ASTM D6673: what is not cut. From memory. */
const LAYERS: Record<string, InnerLine['use']> = {
	'8': 'detail',
	'14': 'detail',
	'7': 'placement',
	'6': 'fold'
};
const MOST_TEXT = 40_000_000;
const MOST_ENTITIES = 50_000;
/** Of the whole work: the text parsed. */
const PARSED = 0.6;

export interface DxfRead extends FromWays {
	/** mm of one unit, where the file says so; null: ask. */
	unit: number | null;
}

/** A polyline, and how many points it says that it has. */
const COUNTED =
	/LWPOLYLINE[ \t]*\r?\n(?:[ \t]*(?!0[ \t]*\r?\n)\d+[ \t]*\r?\n.*\r?\n){0,12}?[ \t]*90[ \t]*\r?\n[ \t]*(\d+)/g;
/** The least letters of a point: two codes, two numbers, and their lines. */
const POINT = 8;

/** The parser makes as many points as it is told, whether they are there or not: 75 letters took a gigabyte. */
const tellsTooMany = (text: string): boolean =>
	[...text.matchAll(COUNTED)].some(([, count]) => Number(count) * POINT > text.length);

type Move = (x: number, y: number) => Point;

/** An arc counter-clockwise from one angle to another, in halves so that its bulge is well told. */
function arcWay(
	cx: number,
	cy: number,
	r: number,
	from: number,
	to: number,
	move: Move,
	flip: boolean
): Pick<Way, 'start' | 'edges'> {
	let turn = to - from;
	while (turn <= 1e-9) turn += 2 * Math.PI;
	const parts = turn > Math.PI ? 2 : 1;
	const at = (a: number) => move(cx + r * Math.cos(a), cy + r * Math.sin(a));
	return {
		start: at(from),
		edges: Array.from({ length: parts }, (_, i): Edge => ({
			kind: 'arc',
			to: at(from + (turn * (i + 1)) / parts),
			bulge: Math.tan(turn / parts / 4) * (flip ? -1 : 1)
		}))
	};
}

/** Points of a B-spline by de Boor's algorithm (1972), close enough that nobody cuts finer. */
function splinePoints({ controlPoints, knotValues, degreeOfSplineCurve }: ISplineEntity): Point[] {
	const p = degreeOfSplineCurve;
	const c = controlPoints ?? [];
	const k = knotValues;
	if (!k || c.length < p + 1 || k.length < c.length + p + 1) return c.map((q): Point => [q.x, q.y]);
	const [low, high] = [k[p]!, k[c.length]!];
	const n = Math.min(2000, Math.max(24, c.length * 24));
	return Array.from({ length: n + 1 }, (_, i): Point => {
		const t = low + ((high - low) * i) / n;
		let s = p;
		while (s < c.length - 1 && t >= k[s + 1]!) s++;
		const d = Array.from({ length: p + 1 }, (_, j): [number, number] => {
			const q = c[s - p + j]!;
			return [q.x, q.y];
		});
		for (let r = 1; r <= p; r++)
			for (let j = p; j >= r; j--) {
				const [a, b] = [k[j + s - p]!, k[j + 1 + s - r]!];
				const w = b - a === 0 ? 0 : (t - a) / (b - a);
				d[j] = [d[j - 1]![0] * (1 - w) + d[j]![0] * w, d[j - 1]![1] * (1 - w) + d[j]![1] * w];
			}
		return d[p]!;
	});
}

function wayOf(entity: IEntity, move: Move, flip: boolean): Pick<Way, 'start' | 'edges'> | null {
	const line = (points: readonly Point[]): Pick<Way, 'start' | 'edges'> | null =>
		points.length < 2
			? null
			: { start: points[0]!, edges: points.slice(1).map((to): Edge => ({ kind: 'line', to })) };
	switch (entity.type) {
		case 'LINE': {
			const { vertices } = entity as ILineEntity;
			return line((vertices ?? []).map((v) => move(v.x, v.y)));
		}
		case 'ARC': {
			const a = entity as IArcEntity;
			return arcWay(a.center.x, a.center.y, a.radius, a.startAngle, a.endAngle, move, flip);
		}
		case 'CIRCLE': {
			const c = entity as ICircleEntity;
			return arcWay(c.center.x, c.center.y, c.radius, 0, 2 * Math.PI, move, flip);
		}
		case 'LWPOLYLINE':
		case 'POLYLINE': {
			const e = entity as ILwpolylineEntity | IPolylineEntity;
			const v = e.vertices ?? [];
			if (v.length < 2) return null;
			const count = e.shape ? v.length : v.length - 1;
			return {
				start: move(v[0]!.x, v[0]!.y),
				edges: Array.from({ length: count }, (_, i): Edge => {
					const next = v[(i + 1) % v.length]!;
					const bulge = (v[i] as { bulge?: number }).bulge ?? 0;
					const to = move(next.x, next.y);
					return bulge ? { kind: 'arc', to, bulge: flip ? -bulge : bulge } : { kind: 'line', to };
				})
			};
		}
		case 'SPLINE':
			return line(splinePoints(entity as ISplineEntity).map(([x, y]) => move(x, y)));
		default:
			return null;
	}
}

/**
 * Reads the pieces of a DXF: lines, arcs, circles, polylines with bulges, splines, and blocks put in anywhere. Every
 * block is a piece of its own, as pattern files have it; lines of the layers for inner lines are not cut.
 * @param unit mm of one unit where the file does not say
 * @param progress told the share that is done
 */
export function readDxf(
	text: string,
	unit: number | null = null,
	progress: (share: number) => void = () => {}
): Parsed<DxfRead> {
	if (text.length > MOST_TEXT) return bad('dxfTooLarge');
	if (tellsTooMany(text)) return bad('dxfDamaged');
	let dxf: IDxf | null;
	try {
		dxf = new DxfParser().parseSync(text);
	} catch {
		return bad('dxfDamaged');
	}
	if (!dxf) return bad('dxfDamaged');
	progress(PARSED);
	const its = UNITS[Number(dxf.header?.$INSUNITS)] ?? null;
	const scale = its ?? unit ?? 1;
	const groups: Way[][] = [];
	let count = 0;
	let strange = 0;
	const gather = (
		entities: readonly IEntity[],
		move: Move,
		flip: boolean,
		into: Way[],
		name: string,
		depth: number
	) => {
		for (const entity of entities) {
			if (++count > MOST_ENTITIES) return;
			if (entity.type === 'INSERT') {
				const i = entity as IInsertEntity;
				const block = dxf.blocks?.[i.name];
				if (!block || depth > 8) continue;
				const a = ((i.rotation ?? 0) * Math.PI) / 180;
				const [sx, sy] = [i.xScale || 1, i.yScale || 1];
				const inner: Move = (x, y) => {
					const [px, py] = [(x - block.position.x) * sx, (y - block.position.y) * sy];
					return move(
						i.position.x + px * Math.cos(a) - py * Math.sin(a),
						i.position.y + px * Math.sin(a) + py * Math.cos(a)
					);
				};
				const ways: Way[] = [];
				groups.push(ways);
				gather(block.entities ?? [], inner, flip !== sx * sy < 0, ways, i.name.slice(0, 60), depth + 1);
				continue;
			}
			const way = wayOf(entity, move, flip);
			if (way) into.push({ ...way, name, use: LAYERS[entity.layer] ?? null });
			else strange++;
		}
	};
	const plain: Way[] = [];
	groups.push(plain);
	gather(dxf.entities, (x, y) => [x * scale, y * scale], false, plain, '', 0);
	if (count > MOST_ENTITIES) return bad('svgNodes', { most: MOST_ENTITIES });
	const numbers = groups.flat().flatMap((w) => [w.start, ...w.edges.map((e) => e.to)].flat());
	if (!numbers.every(Number.isFinite)) return bad('dxfDamaged');
	const read = groups.map((ways, i) => {
		progress(PARSED + ((1 - PARSED) * i) / groups.length);
		return piecesFromWays(ways);
	});
	const pieces = read.flatMap((r) => r.pieces);
	if (pieces.length === 0) return bad('noPieces');
	return good({
		pieces: pieces.map((p, i) => (p.name.startsWith('piece ') ? { ...p, name: `piece ${i + 1}` } : p)),
		specks: read.reduce((sum, r) => sum + r.specks, 0),
		loose: read.reduce((sum, r) => sum + r.loose, 0) + strange,
		unit: its
	});
}
