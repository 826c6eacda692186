import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { request as rawRequest } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { expect, test } from '@playwright/test';
import { DEMO } from '../support/servers.ts';

/** What the server answers to requests that no page of ours would make. */
test.use({ baseURL: DEMO.address });

/** A request with headers that a browser would not let a page set. */
const raw = (path: string, headers: Record<string, string>) =>
	new Promise<{ status: number; location: string | undefined }>((resolve, reject) => {
		const call = rawRequest({ host: '127.0.0.1', port: DEMO.port, path, headers }, (response) => {
			response.resume();
			response.on('end', () =>
				resolve({ status: response.statusCode!, location: response.headers.location })
			);
		});
		call.on('error', reject);
		call.end();
	});

test('pages come with headers that keep foreign code out', async ({ request }) => {
	const { headers } = await request.get('/').then((r) => ({ headers: r.headers() }));
	expect(headers['content-security-policy']).toContain("default-src 'self'");
	expect(headers['content-security-policy']).toContain("object-src 'none'");
	expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
	expect(headers['content-security-policy']).not.toMatch(/https?:/);
	expect(headers['x-content-type-options']).toBe('nosniff');
	expect(headers['referrer-policy']).toBe('same-origin');
});

test('the letters of most words come with the page, so that nothing moves when they are there', async ({
	request
}) => {
	const link = (await request.get('/')).headers()['link']!;
	const fonts = link.split(', ').filter((l) => l.includes('as="font"'));
	expect(fonts.length).toBe(5);
	for (const font of fonts) {
		expect(font).toMatch(/latin-(wght|400|600)-normal\.\S+\.woff2>/);
		const file = await request.get(new URL(/<([^>]+)>/.exec(font)![1]!, `${DEMO.address}/`).href);
		expect(file.headers()['content-type']).toBe('font/woff2');
	}
});

test('only this machine’s own name is answered; localhost is sent to it', async () => {
	expect((await raw('/', { host: `127.0.0.1:${DEMO.port}` })).status).toBe(200);
	expect(await raw('/c/1/look?x=1', { host: `localhost:${DEMO.port}` })).toEqual({
		status: 308,
		location: `${DEMO.address}/c/1/look?x=1`
	});
	expect((await raw('/', { host: 'evil.example' })).status).toBe(421);
	expect((await raw('/', { host: `evil.example:${DEMO.port}` })).status).toBe(421);
});

test('forms from elsewhere are refused, and nothing is written', async ({ request }) => {
	const form = { name: 'Foreign', eventAt: '2099-05-16T09:00', limit: '', currency: 'EUR' };
	const foreign = await request.post('/?/addCostume', { form, headers: { origin: 'http://evil.example' } });
	expect(foreign.status()).toBe(403);
	expect(await (await request.get('/')).text()).not.toContain('Foreign');
});

test('what is not there is not there: pages, costumes, components, pictures, files out', async ({
	request
}) => {
	for (const path of [
		'/c/999/look',
		'/c/abc/plan',
		'/c/1e3/plan',
		'/c/-1/buy',
		'/c/1/look/99999',
		// Beyond what the tables count, words for numbers, and what every object has.
		'/c/2147483648/look',
		'/c/99999999999999999999/plan',
		'/c/constructor/look',
		'/c/1/look/2147483648',
		'/c/1/look/__proto__',
		'/c/1/look/pictures/2147483648',
		'/c/1/measure/pictures/toString',
		'/c/1/pattern/2147483648',
		'/c/1/pattern/3/2147483648',
		'/c/1/lay/2147483648',
		'/c/1/lay/constructor',
		'/c/1/out/constructor',
		'/c/1/out/__proto__',
		'/c/2147483648/out/steps',
		'/c/1/look/%00',
		'/c/1/look/abc',
		'/c/1/lathe',
		'/c/1/out/secrets',
		'/c/999/out/steps',
		`/picture/${'0'.repeat(64)}`,
		'/picture/..%2f..%2fdb',
		'/picture/x.svg',
		'/nowhere'
	])
		expect((await request.get(path)).status(), path).toBe(404);
});

test('an unknown thing to do, or a half request, is answered and harms nothing', async ({ request }) => {
	const headers = { origin: DEMO.address, 'x-sveltekit-action': 'true', accept: 'application/json' };
	expect((await request.post('/?/explode', { form: { id: '1' }, headers })).status()).toBe(404);
	for (const [path, form] of [
		['/?/archiveCostume', { id: 'x' }],
		['/?/archiveCostume', {}],
		['/?/archiveCostume', { id: '99999999999999999999' }],
		['/c/1/look?/addComponent', { name: 'no kind' }],
		['/c/1/bench?/logWork', { stepId: '1', minutes: 'NaN', endedAt: '2031-13-01T10:00' }],
		['/c/1/buy?/addNeed', { componentId: '1', materialId: '1', quantity: '-Infinity' }],
		['/history?/undo', { id: '-5' }]
	] as const) {
		const answer = await (await request.post(path, { form, headers })).json();
		expect(answer.type, path).toBe('failure');
	}
	for (const name of ['constructor', 'toString', '__proto__'])
		expect((await request.post(`/?/${name}`, { form: { id: '1' }, headers })).status(), name).toBe(404);
	const gone = await (await request.post('/?/removeCostume', { form: { id: '424242' }, headers })).json();
	expect(gone.type).toBe('error');
	expect((await request.get('/c/1/look')).status()).toBe(200);
});

test('broken forms, links to nothing and NULs are told, at their field where there is one; nothing answers 500', async ({
	request
}) => {
	const headers = { origin: DEMO.address, 'x-sveltekit-action': 'true', accept: 'application/json' };
	const broken = await request.post('/?/addCostume', {
		headers: { ...headers, 'content-type': 'multipart/form-data; boundary=x' },
		data: '--x\r\nContent-Disp'
	});
	expect(await broken.text()).toContain('did not arrive whole');
	const told = async (path: string, form: Record<string, string>) => {
		const answer = await (await request.post(path, { form, headers })).json();
		return { ...answer, text: JSON.stringify(answer) };
	};
	// A maker, a material, a step that is not there (any more).
	const log = { stepId: '1', minutes: '5', endedAt: '2031-04-01T10:00', note: '' };
	const maker = await told('/c/1/bench?/logWork', { ...log, makerId: '424242' });
	expect(maker.status).toBe(422);
	expect(maker.text).toContain('makerId');
	expect(maker.text).toContain('not there any more');
	for (const [path, form] of [
		['/c/1/bench?/startTimer', { stepId: '1', makerId: '424242' }],
		['/c/1/look?/addComponent', { name: 'x', kind: 'armor', layer: '1', count: '1', parentId: '424242' }],
		['/history?/undo', { id: '2147483648' }],
		['/stash?/addOffcut', { materialId: '1', outline: '[]', flaws: '[]', name: 'x' }],
		['/stash?/addOffcut', { materialId: '1', outline: '[["\\u0000"]]', name: '\u0000' }],
		['/c/1/measure?/takeMeasures', { wearerId: '2147483648', takenOn: '2031-04-01', over: 'skin' }]
	] as const) {
		const answer = await told(path, form);
		expect(answer.type, path).toBe('failure');
		expect(answer.status, path).toBeLessThan(500);
	}
	// A NUL in a name is left out, and the rest of the name is kept.
	const named = await told('/makers?/addMaker', { name: 'Nu\u0000l' });
	expect(named.text).toContain('Added maker Nul');
	await request.post('/history?/undoLast', { form: {}, headers });
});

test('a form sent twice, by a second tap or after a lost answer, makes one thing', async ({ request }) => {
	const headers = { origin: DEMO.address, 'x-sveltekit-action': 'true', accept: 'application/json' };
	const form = { name: 'Tapped twice', eventAt: '2099-05-16T09:00', limit: '', currency: 'EUR' };
	const send = (formKey: string) => request.post('/?/addCostume', { form: { ...form, formKey }, headers });
	const [one, two] = await Promise.all([send('aaaaaaaaaaaaaaaa'), send('aaaaaaaaaaaaaaaa')]);
	expect(await two.text()).toBe(await one.text());
	const count = async () =>
		(await (await request.get('/')).text()).split('aria-label="Tapped twice"').length - 1;
	expect(await count()).toBe(1);
	await send('bbbbbbbbbbbbbbbb');
	expect(await count()).toBe(2);
	for (const _ of [1, 2]) await request.post('/history?/undoLast', { form: {}, headers });
	expect(await count()).toBe(0);
});

test('numbers at the edge of what the tables hold are refused at the field, not by the database', async ({
	request
}) => {
	const headers = { origin: DEMO.address, 'x-sveltekit-action': 'true', accept: 'application/json' };
	const material = {
		name: 'Edge',
		family: 'foam',
		unit: 'sheet',
		packSize: '1',
		packPriceMinor: '1',
		supplier: '',
		leadDays: '0',
		stash: '0',
		stashNote: '',
		coatProduct: ''
	};
	for (const wrong of [
		{ packPriceMinor: '99999999999999' },
		{ packSize: '1e400' },
		{ stash: '9'.repeat(40) },
		{ leadDays: '2147483648' },
		{ name: 'x'.repeat(5000) },
		{ unit: '\u0000' }
	]) {
		const answer = await (
			await request.post('/stash?/addMaterial', { form: { ...material, ...wrong }, headers })
		).json();
		expect(answer.type, JSON.stringify(wrong).slice(0, 60)).toBe('failure');
		expect(answer.status).toBe(400);
	}
});

test('a page works before its scripts do: a form posted plainly shows its error and keeps what was typed', async ({
	browser
}) => {
	const context = await browser.newContext({ javaScriptEnabled: false, baseURL: DEMO.address });
	const page = await context.newPage();
	await page.goto('/makers');
	const form = page.getByRole('form', { name: 'Rate for wire' });
	await form.getByLabel('Usual').fill('fast');
	await form.getByRole('button', { name: 'Set' }).click();
	await expect(page).toHaveURL(/\/makers\?\/setRate/);
	await expect(page.getByText('“fast” is not a number.').first()).toBeVisible();
	await expect(form.getByLabel('Usual')).toHaveValue('fast');
	await expect(form.getByLabel('Good')).not.toHaveValue('');
	await context.close();
});

test('pictures are served as what we made of them, for keeps', async ({ page }) => {
	await page.goto('/c/1/look/1');
	const source = await page.getByRole('img', { name: 'sketch' }).getAttribute('src');
	const response = await page.request.get(source!);
	expect(response.headers()['content-type']).toBe('image/png');
	expect(response.headers()['cache-control']).toContain('immutable');
	expect(response.headers()['content-security-policy']).toBe("default-src 'none'");
	expect((await response.body()).subarray(1, 4).toString()).toBe('PNG');
});

test('a folder that cannot be used, and listening beyond this machine unasked, are told in one line at the start', () => {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-start-'));
	const file = join(folder, 'file');
	writeFileSync(file, '');
	const start = (env: Record<string, string>) => {
		const done = spawnSync(process.execPath, ['scripts/run.mjs', 'start'], {
			encoding: 'utf8',
			env: { ...process.env, ...env },
			timeout: 60_000
		});
		return { status: done.status, said: done.stderr.trim().split('\n') };
	};
	for (const inside of ['', '/below']) {
		const { status, said } = start({ DAPPER_DATA: `${file}${inside}` });
		expect(status).toBe(3);
		expect(said).toHaveLength(1);
		expect(said[0]).toMatch(/^The data folder .*file.* cannot be made: /);
	}
	// Files of a database, and not all of them.
	mkdirSync(join(folder, 'half/db'), { recursive: true });
	writeFileSync(join(folder, 'half/db/PG_VERSION'), '17\n');
	const half = start({ DAPPER_DATA: join(folder, 'half') });
	expect(half.status).toBe(3);
	expect(half.said).toEqual([
		expect.stringMatching(/^The database in .*half.db cannot be opened: .*backups/)
	]);
	const open = start({ HOST: '0.0.0.0', DAPPER_DATA: join(folder, 'data') });
	expect(open.status).toBe(2);
	expect(open.said).toEqual([expect.stringMatching(/^HOST=0\.0\.0\.0 lets every device .*--open/)]);
	rmSync(folder, { recursive: true });
});

test('whatever the data is like, Settings are reached, and put a backup in its place', async ({ page }) => {
	const folder = mkdtempSync(join(tmpdir(), 'dapper-spoiled-'));
	let stop = async () => {};
	/** Whichever port is free: it says which. */
	const start = async () => {
		const server = spawn(process.execPath, ['scripts/run.mjs', 'start'], {
			env: { ...process.env, PORT: '4397', DAPPER_DATA: folder }
		});
		stop = () => new Promise<void>((ended) => (server.once('exit', () => ended()), server.kill('SIGTERM')));
		return new Promise<string>((open) =>
			server.stdout.on('data', (said) => {
				const at = /is open at (\S+)/.exec(String(said));
				if (at) open(at[1]!);
			})
		);
	};
	let address = await start();
	await page.goto(address);
	const form = { name: 'Kept', eventAt: '2099-05-16T09:00', limit: '', currency: 'EUR' };
	await page.request.post(`${address}/?/addCostume`, { form, headers: { origin: address } });
	const backup = await (await page.request.get(`${address}/backup`)).body();
	await stop();
	const pg = await PGlite.create(join(folder, 'db'));
	await pg.exec(
		`begin; select set_config('dapper.action', 'restore', true); update costume set event_at = 'infinity'; commit`
	);
	await pg.close();
	address = await start();
	await page.goto(address);
	await page.getByRole('link', { name: 'Settings and backups' }).click();
	const restore = page.getByRole('form', { name: 'Restore from a file' });
	await restore
		.getByLabel('Backup file')
		.setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer: backup });
	await restore.getByRole('button', { name: 'Restore this file' }).click();
	await expect(page.getByRole('status').getByText('Restored the backup').first()).toBeVisible();
	await page.goto(address);
	await expect(page.getByRole('article', { name: 'Kept' })).toBeVisible();
	await stop();
	rmSync(folder, { recursive: true });
});
