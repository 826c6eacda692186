/** A planning thread that takes its time for every round but the first: for tests of what is shown meanwhile. */
import { parentPort } from 'node:worker_threads';

const SLOW = 1500;
const { on } = parentPort!;
let rounds = 0;
// The real thread listens after this: what it is told comes later.
parentPort!.on = ((name: string, hear: (ask: { round?: number }) => void) =>
	on.call(parentPort, name, (ask: { round?: number }) => {
		if (ask.round !== undefined && ++rounds > 1) setTimeout(() => hear(ask), SLOW);
		else hear(ask);
	})) as typeof on;
await import('../../src/lib/server/planner/thread.ts');
