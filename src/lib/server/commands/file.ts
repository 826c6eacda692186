import { z } from 'zod';
import { toCostumeFile } from '$core/formats/costumeFile.ts';
import { formatLocalTime } from '$core/units/localTime.ts';
import { Absent, Refused } from '../db/rows.ts';
import { insertCostume, readCostumeZip } from '../costumeFile.ts';
import { readStored } from '../pictures.ts';
import { loadRecord } from '../read/costume.ts';
import { loadLook } from '../read/look.ts';
import { loadMeasure } from '../read/measure.ts';
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

	/** A copy to make again: nothing done, nothing logged, nothing bought, no faults. */
	copyCostume: command(
		() => z.object({ id: f.id(), name: f.name(), eventAt: f.time() }),
		async (tx, v, { folder, now }) => {
			if (v.eventAt <= now) throw new Refused('The event lies in the past.', 'eventAt');
			const record = await loadRecord(tx, v.id);
			if (!record) throw new Absent('costume');
			const workshop = await loadWorkshop(tx);
			const spray = new Set(workshop.places.filter((p) => p.forSpray).map((p) => p.id));
			const [look, fit] = [await loadLook(tx, v.id), await loadMeasure(tx, v.id)];
			const file = toCostumeFile(record, workshop.materials, spray, look, fit);
			const kept = file.steps.filter((s) => s.faultId === null);
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
						stepId: n.stepId !== null && keptIds.has(n.stepId) ? n.stepId : null
					})),
					faults: [],
					logs: [],
					purchases: [],
					fittings: [],
					photos: photos.map((p) => ({ ...p, stepId: null, fittingId: null }))
				}
			});
			return { words: `Copied ${record.costume.name} to ${v.name}`, costumeId: id, result: { id } };
		}
	)
};
