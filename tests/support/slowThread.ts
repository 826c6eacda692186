/** A planning thread that makes no plans as long as there is a file `SLOW_THREAD_WAITS`: for tests of what is shown meanwhile. */
import { existsSync } from 'node:fs';
import { parentPort } from 'node:worker_threads';

const { on } = parentPort!;
// The real thread listens after this: what it is told comes later, in the order in which it was told.
parentPort!.on = ((name: string, hear: (ask: unknown) => void) => {
	const held: unknown[] = [];
	const go = () => {
		if (existsSync(process.env.SLOW_THREAD_WAITS!)) setTimeout(go, 20);
		else while (held.length > 0) hear(held.shift());
	};
	return on.call(parentPort, name, (ask: unknown) => {
		held.push(ask);
		if (held.length === 1) go();
	});
}) as typeof on;
await import('../../src/lib/server/planner/thread.ts');
