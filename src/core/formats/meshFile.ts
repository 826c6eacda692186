import type { Vec } from '../units/vec.ts';

interface Triangles {
	vertices: readonly Vec[];
	faces: readonly (readonly [number, number, number])[];
}

/** A surface as a binary STL file, mm. */
export function meshStl({ vertices, faces }: Triangles, name: string): Uint8Array<ArrayBuffer> {
	const bytes = new Uint8Array(84 + 50 * faces.length);
	const view = new DataView(bytes.buffer);
	bytes.set(new TextEncoder().encode(`${name}, mm`.slice(0, 79)));
	view.setUint32(80, faces.length, true);
	faces.forEach((face, f) => {
		const [a, b, c] = face.map((i) => vertices[i]!) as [Vec, Vec, Vec];
		const [u, v] = [b, c].map((p) => p.map((n, i) => n - a[i]!)) as [number[], number[]];
		const normal = [0, 1, 2].map((i) => {
			const [j, k] = [(i + 1) % 3, (i + 2) % 3];
			return u[j]! * v[k]! - u[k]! * v[j]!;
		});
		const long = Math.hypot(...normal) || 1;
		[...normal.map((n) => n / long), ...a, ...b, ...c].forEach((n, i) =>
			view.setFloat32(84 + 50 * f + 4 * i, n, true)
		);
	});
	return bytes;
}

/** A surface as an OBJ file, mm. */
export function meshObj({ vertices, faces }: Triangles, name: string): string {
	const number = (n: number) => String(Math.round(n * 1000) / 1000);
	return [
		`# ${name.replace(/\s+/g, ' ')}, mm`,
		...vertices.map((p) => `v ${p.map(number).join(' ')}`),
		...faces.map((face) => `f ${face.map((i) => i + 1).join(' ')}`),
		''
	].join('\n');
}
