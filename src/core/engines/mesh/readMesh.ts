import { bad, good, type Parsed } from '../../units/problem.ts';
import type { Mesh } from './mesh.ts';

/** More than this fills the machine. */
export const MOST_READ = 4_000_000;

/** Bytes of an STL triangle: a normal, three points, two bytes that mean nothing. */
const STL_HEAD = 84;
const STL_TRIANGLE = 50;

/** Reads an STL file, binary or text, or an OBJ file: told apart by content, never by name. */
export function readMesh(bytes: Uint8Array): Parsed<Mesh> {
	const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
	if (bytes.length >= STL_HEAD) {
		const count = view.getUint32(80, true);
		if (bytes.length === STL_HEAD + count * STL_TRIANGLE) return binaryStl(view, count);
	}
	if (bytes.length > 40_000_000) return bad('meshTooLarge');
	const text = new TextDecoder('utf-8', { fatal: false }).decode(bytes);
	if (/^\s*solid\b/.test(text) && /\bfacet\b/.test(text)) return textStl(text);
	if (/^\s*v\s/m.test(text) && /^\s*f\s/m.test(text)) return obj(text);
	return bad('meshUnknown');
}

function binaryStl(view: DataView, count: number): Parsed<Mesh> {
	if (count > MOST_READ) return bad('meshTooMany', { count, most: MOST_READ });
	const points = new Float64Array(count * 9);
	for (let t = 0; t < count; t++)
		for (let k = 0; k < 9; k++)
			points[9 * t + k] = view.getFloat32(STL_HEAD + t * STL_TRIANGLE + 12 + 4 * k, true);
	return good({ points, triangles: Uint32Array.from({ length: count * 3 }, (_, i) => i) });
}

function textStl(text: string): Parsed<Mesh> {
	const points: number[] = [];
	for (const [, x, y, z] of text.matchAll(/\bvertex\s+(\S+)\s+(\S+)\s+(\S+)/g)) {
		if (points.length > MOST_READ * 9)
			return bad('meshTooMany', { count: `more than ${MOST_READ}`, most: MOST_READ });
		points.push(Number(x), Number(y), Number(z));
	}
	if (points.length % 9) return bad('meshCut');
	return good({
		points: new Float64Array(points),
		triangles: Uint32Array.from({ length: points.length / 3 }, (_, i) => i)
	});
}

/** Points and faces; a face of more than three corners becomes a fan. Negative numbers count from the last point. */
function obj(text: string): Parsed<Mesh> {
	const points: number[] = [];
	const triangles: number[] = [];
	for (const line of text.split('\n')) {
		const [kind, ...rest] = line.trim().split(/\s+/);
		if (kind === 'v') points.push(...rest.slice(0, 3).map(Number));
		if (kind !== 'f') continue;
		const corners = rest.map((r) => {
			const n = Number(r.split('/')[0]);
			return n < 0 ? points.length / 3 + n : n - 1;
		});
		if (corners.length < 3 || corners.some((c) => !Number.isInteger(c) || c < 0 || c >= points.length / 3))
			return bad('meshCut');
		for (let i = 1; i + 1 < corners.length; i++) triangles.push(corners[0]!, corners[i]!, corners[i + 1]!);
		if (triangles.length > MOST_READ * 3)
			return bad('meshTooMany', { count: `more than ${MOST_READ}`, most: MOST_READ });
	}
	return good({ points: new Float64Array(points), triangles: new Uint32Array(triangles) });
}
