import { z } from 'zod';
import {
	ANGLES,
	CALLOUT_SHAPES,
	CALLOUT_SIDES,
	DESIGNS,
	PURPOSES,
	type Callout,
	type ReferencePicture
} from '$core/facts/picture.ts';
import { axisOf, mirrored } from '$core/answers/callouts.ts';
import { say, sayOf } from '$core/units/problem.ts';
import type { Point } from '$core/units/point.ts';
import { referenceSchema } from '$core/engines/plane/job.ts';
import { calibratePicture } from '$core/answers/readings.ts';
import { LEAST_POINTS, measure, onPicture } from '$core/engines/plane/pictureMeasure.ts';
import { MEASURE_KINDS, TAKEN, type MeasureKind } from '$core/facts/picture.ts';
import type { Executor } from '../db/open.ts';
import { Absent, one, Refused } from '../db/rows.ts';
import { insert, set, update } from '../db/tables.ts';
import { storePicture } from '../pictures.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

const about = {
	title: f.text(120),
	angle: f.choice(ANGLES),
	design: f.choice(DESIGNS),
	sourceNote: f.text(500),
	purpose: f.choice(PURPOSES).default('look')
};

/** A file may come by choosing, dropping, pasting or from the camera. */
const file = () => z.instanceof(File, { error: 'Choose, drop or paste a picture.' });

async function loadPicture(tx: Executor, id: number, { costumeId }: Context): Promise<ReferencePicture> {
	const row = await one<ReferencePicture>(
		tx,
		`select id, costume_id, title, angle, width, height, axis_px, scale, click_px, scale_sigma_mm, taken, version
		from reference_picture where id = $1 and costume_id = $2`,
		[id, costumeId]
	);
	if (!row) throw new Absent('picture');
	return row;
}
const nameOf = (p: Pick<ReferencePicture, 'title' | 'angle'>) => p.title || `the ${p.angle} picture`;

/** A component of this costume, or none. */
async function componentOf(tx: Executor, id: number | null, { costumeId }: Context) {
	if (id === null) return null;
	const row = await one<{ id: number; code: string; name: string }>(
		tx,
		'select id, code, name from component where id = $1 and costume_id = $2',
		[id, costumeId]
	);
	if (!row) throw new Absent('component');
	return row;
}

function mustLieOn(picture: ReferencePicture, points: readonly Point[]): void {
	if (points.every((p) => onPicture(p, picture))) return;
	throw new Refused(sayOf('offPicture'), 'points');
}

interface CalloutRow {
	id: number;
	pictureId: number;
	componentId: number | null;
	label: string;
	shape: Callout['shape'];
	side: Callout['side'];
	points: number[];
}

async function loadCallout(tx: Executor, id: number, { costumeId }: Context): Promise<CalloutRow> {
	const row = await one<CalloutRow>(
		tx,
		`select c.id, c.picture_id, c.component_id, c.label, c.shape, c.side, c.points
		from callout c join reference_picture p on p.id = c.picture_id where c.id = $1 and p.costume_id = $2`,
		[id, costumeId]
	);
	if (!row) throw new Absent('callout');
	return row;
}

const insertCallout = async (tx: Executor, c: Omit<CalloutRow, 'id'>) => ({
	id: await insert(tx, 'callout', c)
});

const what = (component: { code: string; name: string } | null, label: string) =>
	component ? `${component.code} ${component.name}` : label ? `“${label}”` : 'a region';

/** Whether the measure can be told at all: what is refused says why, and nothing is stored. */
function mustMeasure(
	picture: ReferencePicture,
	m: { kind: MeasureKind; points: readonly Point[]; offPlane: number }
): void {
	if (m.points.length < LEAST_POINTS[m.kind])
		throw new Refused(sayOf('pointCount', { least: LEAST_POINTS[m.kind] }), 'points');
	mustLieOn(picture, m.points);
	if (!picture.scale) throw new Refused('Give the picture a scale first.', 'points');
	const plane = calibratePicture(picture, picture.scale, []);
	if (!plane.ok) throw new Refused(say(plane.problem), 'points');
	const found = measure(plane.value, m);
	if (!found.ok) throw new Refused(say(found.problem), 'points');
}

export const pictureCommands = {
	addReference: command(
		() => z.object({ photo: file(), ...about }),
		async (tx, v, { costumeId, folder }) => {
			const picture = await storePicture(folder, new Uint8Array(await v.photo.arrayBuffer()));
			const next = await one<{ position: number }>(
				tx,
				`select (select coalesce(max(position) + 1, 0) from reference_picture where costume_id = k.id) as position
				from costume k where k.id = $1`,
				[costumeId]
			);
			if (!next) throw new Absent('costume');
			const { photo: _, ...its } = v;
			const id = await insert(tx, 'reference_picture', { costumeId, ...next, ...picture, ...its });
			return { words: `Added reference picture ${nameOf(v)}`, result: { id } };
		}
	),

	editReference: command(
		() => z.object({ id: f.id(), version: f.version(), ...about }),
		async (tx, v, context) => {
			await loadPicture(tx, v.id, context);
			await update(tx, 'reference_picture', v, v);
			return { words: `Changed reference picture ${nameOf(v)}` };
		}
	),

	removeReference: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const picture = await loadPicture(tx, id, context);
			await tx.query('delete from reference_picture where id = $1', [id]);
			return { words: `Removed reference picture ${nameOf(picture)}` };
		}
	),

	/** The body's middle line, about which callouts are mirrored. */
	setAxis: command(
		() => z.object({ id: f.id(), axisPx: f.decimal(0, 100_000) }),
		async (tx, v, context) => {
			const picture = await loadPicture(tx, v.id, context);
			if (v.axisPx > picture.width) throw new Refused('The line lies outside of the picture.', 'axisPx');
			await set(tx, 'reference_picture', v.id, { axisPx: v.axisPx });
			return { words: `Set the middle line of ${nameOf(picture)}` };
		}
	),

	addCallout: command(
		() =>
			z.object({
				pictureId: f.id(),
				componentId: f.idOrNull(),
				label: f.text(120),
				shape: f.choice(CALLOUT_SHAPES),
				side: f.choice(CALLOUT_SIDES),
				points: f.points(1)
			}),
		async (tx, v, context) => {
			const picture = await loadPicture(tx, v.pictureId, context);
			const component = await componentOf(tx, v.componentId, context);
			if (v.shape === 'outline' && v.points.length < 3)
				throw new Refused('An outline needs at least 3 points.', 'points');
			mustLieOn(picture, v.points);
			const points = v.shape === 'point' ? v.points.slice(0, 1) : v.points;
			const result = await insertCallout(tx, { ...v, points: points.flat() });
			return { words: `Placed ${what(component, v.label)} on ${nameOf(picture)}`, result };
		}
	),

	/** Claims a region for a component, or changes what it says. */
	editCallout: command(
		() =>
			z.object({
				id: f.id(),
				version: f.version(),
				componentId: f.idOrNull(),
				label: f.text(120),
				side: f.choice(CALLOUT_SIDES)
			}),
		async (tx, v, context) => {
			await loadCallout(tx, v.id, context);
			const component = await componentOf(tx, v.componentId, context);
			await update(tx, 'callout', v, v);
			return { words: `Changed the callout of ${what(component, v.label)}` };
		}
	),

	/** Its points dragged: the whole shape moves, or one corner. */
	moveCallout: command(
		() => z.object({ id: f.id(), points: f.points(1) }),
		async (tx, v, context) => {
			const callout = await loadCallout(tx, v.id, context);
			const picture = await loadPicture(tx, callout.pictureId, context);
			mustLieOn(picture, v.points);
			if (v.points.length !== callout.points.length / 2)
				throw new Refused('The outline has another number of corners now.', 'points');
			await set(tx, 'callout', v.id, { points: v.points.flat() });
			const component = await componentOf(tx, callout.componentId, context);
			return { words: `Moved the callout of ${what(component, callout.label)}` };
		}
	),

	mirrorCallout: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const callout = await loadCallout(tx, id, context);
			const picture = await loadPicture(tx, callout.pictureId, context);
			const points = Array.from({ length: callout.points.length / 2 }, (_, i): Point => [
				callout.points[2 * i]!,
				callout.points[2 * i + 1]!
			]);
			const other = mirrored({ points, side: callout.side }, axisOf(picture));
			if (!other.points.every((p) => onPicture(p, picture)))
				throw new Refused('Its mirror image falls off the picture: set the body’s middle line first.');
			const result = await insertCallout(tx, { ...callout, side: other.side, points: other.points.flat() });
			const component = await componentOf(tx, callout.componentId, context);
			return { words: `Mirrored the callout of ${what(component, callout.label)}`, result };
		}
	),

	removeCallout: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const callout = await loadCallout(tx, id, context);
			const component = await componentOf(tx, callout.componentId, context);
			await tx.query('delete from callout where id = $1', [id]);
			return { words: `Removed the callout of ${what(component, callout.label)}` };
		}
	),

	/** The scale of a picture, from points of known distance. */
	setScale: command(
		({ settings }) => {
			const mm = () => f.lengthOrNull(settings.lengthUnit, 0.1, 100_000);
			return z
				.object({
					id: f.id(),
					kind: f.choice(['rectangle', 'length', 'height']),
					points: f.points(2, 4),
					mm: mm(),
					width: mm(),
					height: mm(),
					clickPx: f.decimal(0.1, 100),
					scaleSigmaMm: f.lengthBetween(settings.lengthUnit, 0, 1000),
					taken: f.choice(TAKEN).default('hand')
				})
				.superRefine((v, ctx) => {
					for (const field of v.kind === 'rectangle' ? (['width', 'height'] as const) : (['mm'] as const))
						if (v[field] === null)
							ctx.addIssue({ code: 'custom', path: [field], message: 'Needs a length.' });
					const count = v.kind === 'rectangle' ? 4 : 2;
					if (v.points.length !== count)
						ctx.addIssue({ code: 'custom', path: ['points'], message: `Click ${count} points.` });
				});
		},
		async (tx, v, context) => {
			const picture = await loadPicture(tx, v.id, context);
			const scale = referenceSchema.parse(
				v.kind === 'rectangle'
					? { kind: v.kind, points: v.points, width: v.width, height: v.height }
					: { kind: v.kind, points: v.points, mm: v.mm }
			);
			const { clickPx, scaleSigmaMm, taken } = v;
			const plane = calibratePicture({ ...picture, clickPx, scaleSigmaMm, taken }, scale, []);
			if (!plane.ok) throw new Refused(say(plane.problem), 'points');
			await set(tx, 'reference_picture', v.id, { scale, clickPx, scaleSigmaMm, taken });
			return { words: `Gave ${nameOf(picture)} a scale` };
		}
	),

	clearScale: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, context) => {
			const picture = await loadPicture(tx, id, context);
			await set(tx, 'reference_picture', id, { scale: null });
			return { words: `Took the scale of ${nameOf(picture)} away` };
		}
	),

	addPictureMeasure: command(
		({ settings }) =>
			z.object({
				pictureId: f.id(),
				componentId: f.idOrNull(),
				label: f.name(),
				kind: f.choice(MEASURE_KINDS),
				points: f.points(2),
				offPlaneMm: f.lengthBetween(settings.lengthUnit, 0, 10_000)
			}),
		async (tx, v, context) => {
			const picture = await loadPicture(tx, v.pictureId, context);
			await componentOf(tx, v.componentId, context);
			mustMeasure(picture, { kind: v.kind, points: v.points, offPlane: v.offPlaneMm });
			const id = await insert(tx, 'picture_measure', v);
			return { words: `Measured ${v.label} on ${nameOf(picture)}`, result: { id } };
		}
	),

	editPictureMeasure: command(
		({ settings }) =>
			z.object({
				id: f.id(),
				version: f.version(),
				componentId: f.idOrNull(),
				label: f.name(),
				offPlaneMm: f.lengthBetween(settings.lengthUnit, 0, 10_000)
			}),
		async (tx, v, context) => {
			await componentOf(tx, v.componentId, context);
			const its = await one(
				tx,
				`select 1 from picture_measure m join reference_picture p on p.id = m.picture_id
				where m.id = $1 and p.costume_id = $2`,
				[v.id, context.costumeId]
			);
			if (!its) throw new Absent('measure');
			await update(tx, 'picture_measure', v, v);
			return { words: `Changed the measure ${v.label}` };
		}
	),

	removePictureMeasure: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await one<{ label: string }>(
				tx,
				`delete from picture_measure m using reference_picture p
				where m.id = $1 and p.id = m.picture_id and p.costume_id = $2 returning m.label`,
				[id, costumeId]
			);
			if (!row) throw new Absent('measure');
			return { words: `Removed the measure ${row.label}` };
		}
	)
};
