/**
 * Serves the built application on this machine only: http://127.0.0.1:4173, or the next free port.
 * HOST and PORT change that; ALLOWED_HOSTS lists names under which it is reached besides. Beyond this machine only with `--open`.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { hostsOf, refusal } from './hosts.mjs';

const FIRST_PORT = 4173;
/** Until the data is open. It asks again by itself. */
const STARTING = readFileSync(join(import.meta.dirname, 'starting.html'));
const TRIES = 50;

/**
 * `andStop`: only until it is ready, which leaves a filled folder.
 * @param {{ folder: string, demo: boolean, fresh: boolean, andStop: boolean, open: boolean }} options
 */
export async function serve({ folder, demo, fresh, andStop, open }) {
	const host = process.env.HOST ?? '127.0.0.1';
	const refused = refusal(host, open);
	if (refused) {
		console.error(refused);
		process.exit(2);
	}
	/** @type {import('node:http').RequestListener | null} */
	let handler = null;
	/** @type {ReturnType<typeof hostsOf> | null} */
	let hosts = null;
	const server = createServer((request, response) => {
		const asked = hosts?.of(request.headers.host) ?? 'foreign';
		if (asked !== 'ours') {
			const local = asked === 'elsewhere';
			response.writeHead(
				local ? 308 : 421,
				local ? { location: `http://${hosts?.canonical}${request.url}` } : {}
			);
			response.end();
			return;
		}
		// The origin of a request is worked out from its own name, which is one of ours; what somebody says of it does not count.
		request.headers['x-dapper-protocol'] = 'http';
		if (handler) return handler(request, response);
		const head = {
			'retry-after': '1',
			'cache-control': 'no-store',
			'content-type': 'text/html; charset=utf-8'
		};
		response.writeHead(503, head).end(request.method === 'GET' ? STARTING : undefined);
	});
	const port = await listen(server, host);
	hosts = hostsOf(host, port, process.env.ALLOWED_HOSTS);
	const address = `http://${hosts.canonical}`;
	Object.assign(process.env, {
		PROTOCOL_HEADER: 'x-dapper-protocol',
		BODY_SIZE_LIMIT: '300M',
		DAPPER_DATA: folder,
		DAPPER_DEMO: demo ? '1' : '0',
		DAPPER_FRESH: fresh ? '1' : '0',
		DAPPER_PLANNING_THREAD: resolve('build/threads/planning.js'),
		DAPPER_PRINTING_THREAD: resolve('build/threads/printing.js'),
		NODE_ENV: 'production'
	});
	console.log(`Opening ${folder} …`);
	const began = performance.now();
	({ handler } = await import(pathToFileURL(resolve('build/handler.js')).href));
	writeFileSync(join(folder, 'open-at.txt'), address);
	console.log(
		`Dapper Ledger is open at ${address} (ready in ${((performance.now() - began) / 1000).toFixed(1)} s)`
	);
	console.log(`Data: ${folder}. Stop with Ctrl C.`);

	const stop = () => {
		server.close();
		server.closeAllConnections();
		process.emit(/** @type {any} */ ('sveltekit:shutdown'));
		// The database closes in its own time; it is safe against a kill all the same.
		setTimeout(() => process.exit(0), 3000).unref();
	};
	if (andStop) return stop();
	process.once('SIGINT', stop);
	process.once('SIGTERM', stop);
}

/**
 * @param {import('node:http').Server} server
 * @param {string} host
 * @returns {Promise<number>}
 */
async function listen(server, host) {
	const wanted = Number(process.env.PORT ?? FIRST_PORT);
	for (let port = wanted; port < wanted + TRIES; port++) {
		const error = await new Promise((done) => {
			server.once('error', done);
			server.listen(port, host.replace(/^\[|\]$/g, ''), () => {
				server.off('error', done);
				done(null);
			});
		});
		if (!error) return port;
		if (error.code !== 'EADDRINUSE') throw error;
	}
	throw new Error(`No free port from ${wanted} to ${wanted + TRIES - 1}.`);
}
