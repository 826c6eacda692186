import { z } from 'zod';
import { MEASURE_KEYS } from '$core/measure/body/bodyMeasure.ts';
import { wearersOf } from '$core/measure/body/measureRecord.ts';
import { say } from '$core/messages.ts';
import { readShapeValue, shapeFor, type ShapeValue } from '$core/pattern/storedShape.ts';
import { SHAPER_KEYS, SHAPERS, type ShaperKey } from '$core/pattern/shapers.ts';
import type { Shaper } from '$core/pattern/shaper.ts';
import type { Executor } from '../db/open.ts';
import { Absent, all, one, Refused, written } from '../db/rows.ts';
import { loadRecord } from '../read/costume.ts';
import { loadMeasure } from '../read/measure.ts';
import { command, type Context } from './command.ts';
import * as f from './fields.ts';

/** `value.girth` holds what was typed, `follow.girth` the measure that it follows; the shaper says which there are. */
const shapeForm = ({ settings }: Context) =>
	z
		.looseObject({ shaper: f.choice(SHAPER_KEYS), name: f.text(120), note: f.note() })
		.transform(
			(form, ctx): { shaper: ShaperKey; name: string; note: string; values: Record<string, ShapeValue> } => {
				const shaper: Shaper = SHAPERS[form.shaper];
				const values: Record<string, ShapeValue> = {};
				for (const [key, param] of Object.entries(shaper.params)) {
					const follows = MEASURE_KEYS.find((m) => m === form[`follow.${key}`]) ?? null;
					const typed = form[`value.${key}`];
					const read = readShapeValue(
						param,
						typeof typed === 'string' ? typed : '',
						follows,
						settings.lengthUnit
					);
					if (read.ok) values[key] = read.value;
					else ctx.addIssue({ code: 'custom', path: [`value.${key}`], message: say(read.problem) });
				}
				return { shaper: form.shaper, name: form.name, note: form.note, values };
			}
		);

/** Nothing is stored that gives no pieces: the reason stands at its value. */
async function checked(
	tx: Executor,
	componentId: number,
	shape: { shaper: ShaperKey; values: Record<string, ShapeValue> },
	{ costumeId }: Context
): Promise<string> {
	const record = await loadRecord(tx, costumeId);
	const component = record?.components.find((c) => c.id === componentId);
	if (!record || !component) throw new Absent('component');
	const wearers = wearersOf(await loadMeasure(tx, costumeId));
	const done = shapeFor(shape, { component, components: record.components, wearers });
	if (!done.ok) {
		const [key] = done.problem.path;
		throw new Refused(
			say(done.problem),
			typeof key === 'string' && key in SHAPERS[shape.shaper].params ? `value.${key}` : null
		);
	}
	return `${component.code} ${component.name}`;
}

const plainName = (name: string, shaper: ShaperKey) => name || SHAPERS[shaper].name;

export const shapeCommands = {
	addShape: command(
		(context) => z.intersection(z.looseObject({ componentId: f.id() }), shapeForm(context)),
		async (tx, v, context) => {
			const name = await checked(tx, v.componentId, v, context);
			const result = await one<{ id: number }>(
				tx,
				`insert into shape (component_id, position, shaper, name, "values", note)
				values ($1, (select coalesce(max(position), 0) + 1 from shape where component_id = $1), $2, $3, $4, $5) returning id`,
				[v.componentId, v.shaper, v.name, JSON.stringify(v.values), v.note]
			);
			return { words: `Shaped ${plainName(v.name, v.shaper)} of ${name}`, result };
		}
	),

	editShape: command(
		(context) => z.intersection(z.looseObject({ id: f.id(), version: f.version() }), shapeForm(context)),
		async (tx, v, context) => {
			const row = await one<{ componentId: number }>(tx, 'select component_id from shape where id = $1', [
				v.id
			]);
			if (!row) throw new Absent('shape');
			const name = await checked(tx, row.componentId, v, context);
			const rows = await all<{ id: number }>(
				tx,
				'update shape set shaper = $3, name = $4, "values" = $5, note = $6 where id = $1 and version = $2 returning id',
				[v.id, v.version, v.shaper, v.name, JSON.stringify(v.values), v.note]
			);
			await written(tx, 'shape', v.id, rows);
			return { words: `Reshaped ${plainName(v.name, v.shaper)} of ${name}` };
		}
	),

	removeShape: command(
		() => z.object({ id: f.id() }),
		async (tx, { id }, { costumeId }) => {
			const row = await one<{ name: string; shaper: ShaperKey; code: string }>(
				tx,
				`delete from shape s using component c where s.id = $1 and c.id = s.component_id and c.costume_id = $2
				returning s.name, s.shaper, c.code`,
				[id, costumeId]
			);
			if (!row) throw new Absent('shape');
			return { words: `Removed ${plainName(row.name, row.shaper)} of ${row.code}` };
		}
	)
};
