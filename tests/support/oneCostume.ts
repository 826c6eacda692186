import { after, before } from 'node:test';
import { COMPONENT, testWorkshop, type TestWorkshop } from './workshop.ts';
import { formatLocalTime } from '../../src/core/units/localTime.ts';
import { clock } from '../../src/lib/server/clock.ts';
import { Absent, Refused } from '../../src/lib/server/db/rows.ts';
import { lastAction } from '../../src/lib/server/db/undo.ts';
import { loadRecord } from '../../src/lib/server/read/costume.ts';
import { componentCommands } from '../../src/lib/server/commands/component.ts';
import { costumeCommands } from '../../src/lib/server/commands/costume.ts';
import { stepCommands } from '../../src/lib/server/commands/step.ts';

/** A workshop with one costume, on which commands are tried; every file of tests has its own. */
export let w: TestWorkshop;
export let costume: number;

before(async () => {
	w = await testWorkshop('2031-04-28T18:00');
	costume = (await w.run(costumeCommands.addCostume, NEW_COSTUME)).id;
});
after(() => w.close());

export const NEW_COSTUME = {
	name: 'Reed singer',
	wearer: 'Tam',
	eventName: 'Pageant',
	eventAt: '2099-05-16T09:00',
	limit: '',
	currency: 'EUR'
};
export const record = async (id = costume) => (await loadRecord(w.db, id))!;
export const refused = (pattern: RegExp) => (error: unknown) =>
	error instanceof Refused && pattern.test(error.message);
export const absent = (error: unknown) => error instanceof Absent;
export const said = async () => (await lastAction(w.db))!.words;
export const ago = (minutes: number) => formatLocalTime(clock() - minutes);

export const add = async (values: Record<string, unknown> = {}) =>
	(await w.run(componentCommands.addComponent, { ...COMPONENT, route: '', ...values }, costume)).id;
export const STEP = {
	name: 'cut',
	technique: 'cutFoam',
	phase: 'make',
	amount: '1 m',
	setUpMinutes: '0',
	waitMinutes: '0',
	placeId: '',
	faultId: ''
};
export const addStep = async (componentId: number, values: Record<string, unknown> = {}) =>
	(await w.run(stepCommands.addStep, { ...STEP, componentId: String(componentId), ...values }, costume)).id;
export const stepOf = async (id: number) => (await record()).steps.find((s) => s.id === id)!;
