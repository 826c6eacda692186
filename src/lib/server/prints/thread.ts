/** The printing thread: writes one print after another. */
import { parentPort } from 'node:worker_threads';
import { write, type AskPrint, type ToldPrint } from './writers.ts';

const port = parentPort!;

async function told(ask: AskPrint): Promise<ToldPrint> {
	try {
		return { bytes: await write(ask) };
	} catch (error) {
		return { failed: error instanceof Error ? (error.stack ?? error.message) : String(error) };
	}
}

port.on('message', (ask: AskPrint) => void told(ask).then((answer) => port.postMessage(answer)));
