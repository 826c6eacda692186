import { z } from 'zod';
import { formatLocalTime } from '$core/units/localTime.ts';
import { Refused } from '../db/rows.ts';
import { costumeFileOf, insertCostume, readCostumeZip } from '../costumeFile.ts';
import { readStored } from '../pictures.ts';
import { loadWorkshop } from '../read/workshop.ts';
import { command } from './command.ts';
import * as f from './fields.ts';

const MOST_FILE = 200 * 1024 * 1024;

export const fileCommands = {
	importCostume: command(
		() => z.object({ file: z.instanceof(File, { error: 'Choose a costume file.' }) }),
		async (tx, { file }, { folder }) => {
			if (file.size === 0) throw new Refused('The file is empty.', 'file');
			if (file.size > MOST_FILE) throw new Refused('The file is larger than 200 MB.', 'file');
			const read = readCostumeZip(new Uint8Array(await file.arrayBuffer()));
			const id = await insertCostume(tx, folder, read);
			return { words: `Read costume ${read.file.costume.name} from a file`, costumeId: id, result: { id } };
		}
	),

	/** A copy to make again: nothing done, cut, logged or bought, no faults, and nothing of the fittings. */
	copyCostume: command(
		() => z.object({ id: f.id(), name: f.name(), eventAt: f.time() }),
		async (tx, v, { folder, now }) => {
			if (v.eventAt <= now) throw new Refused('The event lies in the past.', 'eventAt');
			const workshop = await loadWorkshop(tx);
			const file = await costumeFileOf(tx, v.id, workshop);
			const fitted = new Set(file.fittings.flatMap((f) => f.points.map((p) => p.stepId)));
			const kept = file.steps.filter((s) => s.faultId === null && !fitted.has(s.id));
			const keptIds = new Set(kept.map((s) => s.id));
			const pictures = new Map<string, Uint8Array>();
			const photos = file.photos.filter((p) => p.faultId === null);
			for (const p of [...photos, ...file.pictures]) pictures.set(p.hash, await readStored(folder, p.hash));
			const id = await insertCostume(tx, folder, {
				pictures,
				file: {
					...file,
					costume: { ...file.costume, name: v.name, eventAt: formatLocalTime(v.eventAt), rehearsalAt: null },
					steps: kept.map((s) => ({
						...s,
						doneAt: null,
						pinnedAt: null,
						after: s.after.filter((a) => keptIds.has(a))
					})),
					needs: file.needs.map((n) => ({
						...n,
						taken: 0,
						takenMinor: null,
						stepId: n.stepId !== null && keptIds.has(n.stepId) ? n.stepId : null
					})),
					joins: file.joins.map((j) => ({
						...j,
						stepId: j.stepId !== null && keptIds.has(j.stepId) ? j.stepId : null
					})),
					faults: [],
					wears: [],
					nextTimes: [],
					keepings: file.keepings.map((k) => ({ ...k, lookedOn: null })),
					moves: [],
					rehearsals: [],
					logs: [],
					purchases: [],
					fittings: [],
					wearers: file.wearers.map((w) => ({ ...w, builtOn: null })),
					found: null,
					layouts: file.layouts.map((l) => ({ ...l, cutAt: null, fromStash: null })),
					photos: photos.map((p) => ({ ...p, stepId: null, fittingId: null }))
				}
			});
			return { words: `Copied ${file.costume.name} to ${v.name}`, costumeId: id, result: { id } };
		}
	)
};
