import { XMLParser } from 'fast-xml-parser';
import svgpath from 'svgpath';
import type { InnerLine } from '../facts/piece.ts';
import type { Edge } from '../facts/piece.ts';
import type { Point } from '../units/point.ts';
import { bad, good, type Parsed } from '../units/problem.ts';
import { piecesFromWays, type FromWays, type Way } from '../engines/pattern/loops.ts';

/** SVG 1.1 (W3C Recommendation, 2011): one user unit is 1/96 in. */
const MM_PER_UNIT: Record<string, number> = {
	mm: 1,
	cm: 10,
	in: 25.4,
	pt: 25.4 / 72,
	pc: 25.4 / 6,
	px: 25.4 / 96
};
const MOST_TEXT = 20_000_000;
const MOST_NODES = 100_000;
const MOST_PATHS = 20_000;

/** Of the whole work: the text parsed, its paths drawn. */
const [PARSED, DRAWN] = [0.4, 0.8];

type Node = Record<string, unknown> & { ':@'?: Record<string, string> };

export interface SvgRead extends FromWays {
	/** mm of one unit of the drawing, where the file says so; null: ask. */
	unit: number | null;
}

const num = (text: string | undefined, otherwise = 0): number => {
	const value = Number.parseFloat(text ?? '');
	return Number.isFinite(value) ? value : otherwise;
};

/** The elements that draw, as the data of a path in the element's own units. */
function pathOf(tag: string, a: Record<string, string>): string | null {
	const n = (key: string) => num(a[key]);
	switch (tag) {
		case 'path':
			return a.d ?? null;
		case 'line':
			return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
		case 'polyline':
		case 'polygon':
			return a.points?.trim() ? `M${a.points.trim()}${tag === 'polygon' ? 'Z' : ''}` : null;
		case 'circle':
		case 'ellipse': {
			const [rx, ry] = tag === 'circle' ? [n('r'), n('r')] : [n('rx'), n('ry')];
			const [x, y] = [n('cx'), n('cy')];
			if (rx <= 0 || ry <= 0) return null;
			return `M${x + rx} ${y}A${rx} ${ry} 0 0 1 ${x - rx} ${y}A${rx} ${ry} 0 0 1 ${x + rx} ${y}Z`;
		}
		case 'rect': {
			const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')];
			if (w <= 0 || h <= 0) return null;
			const rx = Math.min(num(a.rx, num(a.ry)), w / 2);
			const ry = Math.min(num(a.ry, num(a.rx)), h / 2);
			if (rx <= 0 || ry <= 0) return `M${x} ${y}H${x + w}V${y + h}H${x}Z`;
			const arc = (dx: number, dy: number) => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
			return `M${x + rx} ${y}H${x + w - rx}${arc(rx, ry)}V${y + h - ry}${arc(-rx, ry)}H${x + rx}${arc(-rx, -ry)}V${y + ry}${arc(rx, -ry)}Z`;
		}
		default:
			return null;
	}
}

/** Lines of these classes are not cut: so our own files read back as what they were. */
const USES: Record<string, InnerLine['use']> = {
	sew: 'detail',
	detail: 'detail',
	fold: 'fold',
	placement: 'placement'
};
const NOT_DRAWN = new Set([
	'defs',
	'clipPath',
	'mask',
	'pattern',
	'symbol',
	'marker',
	'metadata',
	'script',
	'style'
]);

/** Way by way: lines and cubic curves, y turned to run up. */
function waysOf(
	data: string,
	transforms: readonly string[],
	scale: number,
	name: string,
	use: Way['use']
): Way[] | null {
	let path = svgpath(data);
	for (const t of [...transforms].reverse()) path = path.transform(t);
	const ways: Way[] = [];
	let its: Way | null = null;
	let at: Point = [0, 0];
	const p = (x: number, y: number): Point => [x * scale, -y * scale];
	path
		.abs()
		.unshort()
		.unarc()
		.iterate((segment) => {
			const [kind, ...v] = segment as unknown as [string, ...number[]];
			const edge = (e: Edge) => {
				its?.edges.push(e);
				at = e.to;
			};
			if (kind === 'M') {
				at = p(v[0]!, v[1]!);
				ways.push((its = { start: at, edges: [], name, use }));
			} else if (kind === 'L') edge({ kind: 'line', to: p(v[0]!, v[1]!) });
			else if (kind === 'H') edge({ kind: 'line', to: [v[0]! * scale, at[1]] });
			else if (kind === 'V') edge({ kind: 'line', to: [at[0], -v[0]! * scale] });
			else if (kind === 'C')
				edge({ kind: 'cubic', c1: p(v[0]!, v[1]!), c2: p(v[2]!, v[3]!), to: p(v[4]!, v[5]!) });
			else if (kind === 'Q') {
				// A quadratic curve is a cubic one with its handles two thirds of the way to the middle point.
				const [q, to] = [p(v[0]!, v[1]!), p(v[2]!, v[3]!)];
				const two = (a: Point): Point => [a[0] + ((q[0] - a[0]) * 2) / 3, a[1] + ((q[1] - a[1]) * 2) / 3];
				edge({ kind: 'cubic', c1: two(at), c2: two(to), to });
			} else if (kind === 'Z' && its) {
				if (Math.hypot(at[0] - its.start[0], at[1] - its.start[1]) > 1e-9)
					edge({ kind: 'line', to: its.start });
				at = its.start;
			}
		});
	const drawn = ways.filter((w) => w.edges.length);
	const sound = drawn.every((w) =>
		[w.start, ...w.edges.map((e) => e.to)].every((q) => Number.isFinite(q[0]) && Number.isFinite(q[1]))
	);
	return sound ? drawn : null;
}

/**
 * Reads the pieces of an SVG. Scripts, styles, links, text and pictures are not looked at; entities are refused.
 * @param unit mm of one unit where the file does not say; null to be asked
 * @param progress told the share that is done
 */
export function readSvg(
	text: string,
	unit: number | null = null,
	progress: (share: number) => void = () => {}
): Parsed<SvgRead> {
	if (text.length > MOST_TEXT) return bad('svgTooLarge');
	if (/<!(ENTITY|DOCTYPE[^>]*\[)/i.test(text)) return bad('svgEntities');
	if ((text.match(/</g)?.length ?? 0) > 2 * MOST_NODES) return bad('svgNodes', { most: MOST_NODES });
	let tree: Node[];
	try {
		tree = new XMLParser({
			preserveOrder: true,
			ignoreAttributes: false,
			attributeNamePrefix: '',
			processEntities: false,
			parseAttributeValue: false,
			parseTagValue: false,
			removeNSPrefix: true
		}).parse(text) as Node[];
	} catch {
		return bad('svgDamaged');
	}
	progress(PARSED);
	const svg = tree.find((n) => 'svg' in n);
	if (!svg) return bad('svgUnknown');
	const root = svg[':@'] ?? {};
	const box = root.viewBox
		?.trim()
		.split(/[\s,]+/)
		.map(Number);
	const said = /^\s*([\d.eE+-]+)\s*(mm|cm|in|pt|pc)\s*$/.exec(root.width ?? '');
	const its =
		said && box?.length === 4 && box[2]! > 0
			? (Number(said[1]) * MM_PER_UNIT[said[2]!]!) / box[2]!
			: said
				? MM_PER_UNIT.px!
				: null;
	const scale = its ?? unit ?? 1;
	const ways: Way[] = [];
	let paths = 0;
	let broken = 0;
	const most = (text.match(/<(path|line|poly\w+|circle|ellipse|rect)\b/g)?.length ?? 0) || 1;
	const walk = (nodes: readonly Node[], transforms: readonly string[], name: string) => {
		for (const node of nodes) {
			const tag = Object.keys(node).find((k) => k !== ':@');
			if (!tag || tag === '#text' || NOT_DRAWN.has(tag)) continue;
			const a = node[':@'] ?? {};
			// What this program writes on a piece to sew and lay it by is no line of it.
			if (a.class === 'notch' || a.class === 'grain') continue;
			if (/display\s*:\s*none/.test(a.style ?? '') || a.display === 'none') continue;
			const inner = a.transform ? [...transforms, a.transform] : transforms;
			const called = (a.id ?? '').slice(0, 60) || name;
			const data = pathOf(tag, a);
			if (data && ++paths <= MOST_PATHS) {
				if (paths % 200 === 0) progress(PARSED + ((DRAWN - PARSED) * paths) / most);
				const use = USES[(a.class ?? '').trim()] ?? null;
				const found = waysOf(data, inner, scale, called, use);
				if (found) ways.push(...found);
				else broken++;
			}
			const children = node[tag];
			if (Array.isArray(children)) walk(children as Node[], inner, called);
		}
	};
	walk(svg.svg as Node[], root.transform ? [root.transform] : [], '');
	if (paths > MOST_PATHS) return bad('svgNodes', { most: MOST_PATHS });
	const found = piecesFromWays(ways, (share) => progress(DRAWN + (1 - DRAWN) * share));
	if (found.pieces.length === 0) return bad(broken ? 'svgDamaged' : 'noPieces');
	return good({ ...found, unit: its });
}
