import { run } from './run.ts';

/** Undoes the last action, or does it again. */
export const takeBack = (command: 'undoLast' | 'redoLast') =>
	run(command, {}, { at: '/history', undoable: false });
