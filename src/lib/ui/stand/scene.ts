import * as three from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Point3 } from '$core/units/point.ts';

/** What stands in the scene, mm: triangles of one look. */
export interface SceneMesh {
	vertices: readonly Point3[];
	faces: readonly (readonly [number, number, number])[];
	look: 'cloth' | 'guessed' | 'panel' | 'thing' | 'chosen' | 'into';
	/** How light it is, 1 as its look: what lies on one another is told apart. */
	shade?: number;
	/** What is said of it when it is pressed. */
	key?: string;
	/** A colour for each face, where it tells something. */
	colours?: readonly (readonly [number, number, number])[];
}
export interface SceneLine {
	points: readonly Point3[];
	strong: boolean;
}
export const SCENE_VIEWS = { front: 0, side: 90, back: 180 } as const;
export type SceneView = keyof typeof SCENE_VIEWS;

/** Chalk strokes for what nobody measured. */
function hatch(): three.CanvasTexture {
	const canvas = document.createElement('canvas');
	canvas.width = canvas.height = 32;
	const pen = canvas.getContext('2d')!;
	pen.fillStyle = '#6f8a83';
	pen.fillRect(0, 0, 32, 32);
	pen.strokeStyle = '#eef4ee';
	pen.lineWidth = 3;
	for (const off of [-32, 0, 32]) {
		pen.moveTo(off, 32);
		pen.lineTo(off + 32, 0);
	}
	pen.stroke();
	const texture = new three.CanvasTexture(canvas);
	texture.wrapS = texture.wrapT = three.RepeatWrapping;
	return texture;
}

/** A stand in three dimensions, seen straight without perspective so that lengths stay lengths; drawn only when something changes. */
export class Scene {
	readonly #renderer: three.WebGLRenderer;
	readonly #scene = new three.Scene();
	readonly #camera = new three.OrthographicCamera();
	readonly #controls: OrbitControls;
	readonly #shown = new three.Group();
	readonly #watch: ResizeObserver;
	#due = 0;
	#middle = new three.Vector3();
	#size = 2000;

	/** @throws where the browser has no WebGL */
	constructor(readonly canvas: HTMLCanvasElement) {
		this.#renderer = new three.WebGLRenderer({ canvas, antialias: true, alpha: true });
		this.#scene.add(this.#shown, new three.HemisphereLight(0xffffff, 0x33504c, 2.2));
		const lamp = new three.DirectionalLight(0xfff3d8, 1.6);
		lamp.position.set(1, 1.2, 1.5);
		this.#camera.add(lamp);
		this.#scene.add(this.#camera);
		this.#controls = new OrbitControls(this.#camera, canvas);
		this.#controls.enableDamping = false;
		this.#controls.addEventListener('change', () => this.#draw());
		this.#watch = new ResizeObserver(() => this.#fit());
		this.#watch.observe(canvas.parentElement!);
	}

	/** @param near what it is brought near to when it is shown first */
	show(meshes: readonly SceneMesh[], lines: readonly SceneLine[], near?: readonly Point3[]): void {
		this.#clear();
		for (const mesh of meshes) this.#shown.add(meshOf(mesh));
		for (const { points, strong } of lines) {
			const geometry = new three.BufferGeometry().setFromPoints(points.map((p) => new three.Vector3(...p)));
			const material = new three.LineBasicMaterial({ color: strong ? 0xa8201a : 0x775409 });
			this.#shown.add(new three.Line(geometry, material));
		}
		const box = near
			? new three.Box3().setFromPoints(near.map((p) => new three.Vector3(...p))).expandByScalar(80)
			: new three.Box3().setFromObject(this.#shown);
		const about = box.getCenter(new three.Vector3());
		// What is shown anew where it was stays as it was turned.
		if (about.distanceTo(this.#middle) > 60) {
			this.#middle = about;
			const size = box.getSize(new three.Vector3());
			this.#size = Math.max(size.y, Math.hypot(size.x, size.z), 100) * 1.06;
			this.turnTo('front');
		}
		this.#fit();
	}

	/** Seen from so far round, in degrees, as high as its middle. */
	turnTo(view: SceneView): void {
		const turn = (SCENE_VIEWS[view] * Math.PI) / 180;
		this.#controls.target.copy(this.#middle);
		this.#camera.position.set(Math.sin(turn), 0, Math.cos(turn)).multiplyScalar(4000).add(this.#middle);
		this.#camera.zoom = 1;
		this.#controls.update();
		this.#fit();
	}

	/** Turned by so many degrees, round and up. */
	turnBy(round: number, up: number): void {
		const off = this.#camera.position.clone().sub(this.#controls.target);
		const ball = new three.Spherical().setFromVector3(off);
		ball.theta += (round * Math.PI) / 180;
		ball.phi = Math.min(Math.max(ball.phi - (up * Math.PI) / 180, 0.05), Math.PI - 0.05);
		this.#camera.position.setFromSpherical(ball).add(this.#controls.target);
		this.#controls.update();
		this.#draw();
	}

	zoomBy(factor: number): void {
		this.#camera.zoom = Math.min(Math.max(this.#camera.zoom * factor, 0.5), 12);
		this.#camera.updateProjectionMatrix();
		this.#draw();
	}

	/** What is shown at a place of the canvas, and where in space; null where nothing is. @param body only the form, beneath all that stands on it */
	hit(x: number, y: number, body = false): { at: Point3; key: string | null } | null {
		const box = this.canvas.getBoundingClientRect();
		const caster = new three.Raycaster();
		caster.setFromCamera(
			new three.Vector2(((x - box.left) / box.width) * 2 - 1, 1 - ((y - box.top) / box.height) * 2),
			this.#camera
		);
		const [first] = caster.intersectObjects(
			this.#shown.children.filter((c) => c instanceof three.Mesh && !(body && c.name)),
			false
		);
		return first
			? { at: [first.point.x, first.point.y, first.point.z], key: first.object.name || null }
			: null;
	}

	/** Whether dragging turns it. */
	set turns(on: boolean) {
		this.#controls.enabled = on;
	}

	close(): void {
		cancelAnimationFrame(this.#due);
		this.#watch.disconnect();
		this.#controls.dispose();
		this.#clear();
		this.#renderer.dispose();
	}

	#fit(): void {
		const { clientWidth: wide, clientHeight: high } = this.canvas.parentElement!;
		if (!wide || !high) return;
		this.#renderer.setPixelRatio(Math.min(devicePixelRatio, 2));
		this.#renderer.setSize(wide, high, false);
		const scale = Math.max(this.#size / high, this.#size / wide / 1.8);
		this.#camera.left = (-wide * scale) / 2;
		this.#camera.right = (wide * scale) / 2;
		this.#camera.top = (high * scale) / 2;
		this.#camera.bottom = (-high * scale) / 2;
		this.#camera.near = 1;
		this.#camera.far = 9000;
		this.#camera.updateProjectionMatrix();
		this.#draw();
	}

	#draw(): void {
		cancelAnimationFrame(this.#due);
		this.#due = requestAnimationFrame(() => this.#renderer.render(this.#scene, this.#camera));
	}

	#clear(): void {
		for (const child of [...this.#shown.children]) {
			this.#shown.remove(child);
			if (child instanceof three.Mesh || child instanceof three.Line) {
				child.geometry.dispose();
				for (const material of [child.material].flat()) material.dispose();
			}
		}
	}
}

const LOOKS = {
	cloth: 0xd9cba8,
	guessed: 0xffffff,
	panel: 0xc99b3a,
	thing: 0xc99b3a,
	chosen: 0x2f7f86,
	into: 0xb5342a
} as const;
/** Width of a chalk stroke and what lies between, mm. */
const STROKE = 24;

function meshOf(its: SceneMesh): three.Mesh {
	const mesh = plainMesh(its);
	mesh.name = its.key ?? '';
	if (its.shade !== undefined) (mesh.material as three.MeshLambertMaterial).color.multiplyScalar(its.shade);
	return mesh;
}

function plainMesh({ vertices, faces, look, colours }: SceneMesh): three.Mesh {
	const geometry = new three.BufferGeometry();
	const at = new Float32Array(vertices.flat());
	geometry.setAttribute('position', new three.BufferAttribute(at, 3));
	geometry.setIndex(faces.flat());
	const material = new three.MeshLambertMaterial({ color: LOOKS[look], side: three.DoubleSide });
	if (look === 'guessed') {
		geometry.setAttribute(
			'uv',
			new three.BufferAttribute(
				Float32Array.from(vertices.flatMap(([x, y, z]) => [(x + z) / STROKE, y / STROKE])),
				2
			)
		);
		material.map = hatch();
	}
	if (!colours) {
		geometry.computeVertexNormals();
		return new three.Mesh(geometry, material);
	}
	// One colour a face: no point is shared.
	const apart = geometry.toNonIndexed();
	apart.setAttribute(
		'color',
		new three.BufferAttribute(Float32Array.from(colours.flatMap((c) => [...c, ...c, ...c])), 3)
	);
	apart.computeVertexNormals();
	material.color.set(0xffffff);
	material.vertexColors = true;
	geometry.dispose();
	return new three.Mesh(apart, material);
}
