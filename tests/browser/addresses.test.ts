import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { seeded } from '../support/planCases.ts';
import { DEMO } from '../support/servers.ts';

/** Every address of the program, with whatever somebody may put into it: `DAPPER_FUZZ` says how often each is asked. */
const ROUNDS = Number(process.env['DAPPER_FUZZ'] ?? 10);
const random = seeded(31);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

const HOSTILE = [
	...['0', '-1', '7', '999999', '2147483648', '99999999999999999999', '1e308', '1.5', 'NaN', 'null', ''],
	...['%00', '%ff', '%', '..%2f..%2fetc%2fpasswd', '%0d%0aset-cookie:%20a=b', '__proto__', 'constructor'],
	...["1'%20or%201=1--", '%3Cscript%3E', 'x'.repeat(2000), '%F0%9F%A7%B5%E2%80%AE', '{}', '[]', 'a&b=c#d']
];
const FITTING = [
	'1',
	'2',
	'3',
	'pdf',
	'svg',
	'dxf',
	'tags',
	'chart',
	'costume',
	'steps',
	'materials',
	'money'
];

/** Paths of what is asked for, and the names by which the sources read more from the address. */
function addresses() {
	const paths: string[] = [];
	const keys = new Set(['/addCostume', 'x-sveltekit-invalidated']);
	for (const file of readdirSync('src/routes', { recursive: true, withFileTypes: true })) {
		if (!file.isFile()) continue;
		const folder = file.parentPath.slice('src/routes'.length) || '/';
		if (file.name === '+page.svelte' || file.name === '+server.ts') paths.push(folder);
		const text = readFileSync(join(file.parentPath, file.name), 'utf8');
		for (const [, key] of text.matchAll(/searchParams\.(?:get|getAll|has)\('(\w+)'\)/g)) keys.add(key!);
	}
	return { paths: [...new Set(paths)], keys: [...keys] };
}

test('every address takes whatever is put into it: an answer below 500, and nothing of our insides', async () => {
	test.setTimeout(240_000);
	const { paths, keys } = addresses();
	expect(paths.length).toBeGreaterThan(40);
	expect(keys.length).toBeGreaterThan(10);
	const asked: { address: string; method: string; type: string | null; body: string | null }[] = [];
	for (const path of paths)
		for (let n = 0; n < ROUNDS; n++) {
			const values = n < 2 ? FITTING : [...HOSTILE, '1', '2'];
			const filled = path.replace(/\[[^\]]+\]/g, () => pick(values));
			const query = Array.from({ length: n % 4 }, () => `${pick(keys)}=${pick([...HOSTILE, ...FITTING])}`);
			const data = n % 5 === 4 ? '/__data.json' : '';
			const sent =
				n === 3 ? { method: 'POST', type: pick(['application/json', 'text/plain']), body: '{"a":' } : null;
			const broken =
				n === 5
					? {
							method: 'POST',
							type: 'multipart/form-data; boundary=x',
							body: '--x\r\ncontent-disposition: form-da'
						}
					: null;
			asked.push({
				address: `${DEMO.address}${filled === '/' && data ? '' : filled}${data}${query.length ? `?${query.join('&')}` : ''}`,
				...(sent ?? broken ?? { method: 'GET', type: null, body: null })
			});
		}
	const fallen: string[] = [];
	const seen = new Map<number, number>();
	const ask = async () => {
		for (let one = asked.pop(); one; one = asked.pop()) {
			const { address, method, type, body } = one;
			const answer = await fetch(address, {
				method,
				redirect: 'manual',
				headers: { origin: DEMO.address, ...(type && { 'content-type': type }) },
				body
			});
			const text = Buffer.from(await answer.arrayBuffer()).toString('latin1');
			seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1);
			const insides = /node_modules|\bat .*\(file:|\/server\/chunks\/|root:x:0/.exec(text)?.[0];
			if (answer.status >= 500 || insides || answer.headers.get('set-cookie')?.includes('a=b'))
				fallen.push(`${answer.status} ${method} ${address.slice(0, 200)} ${insides ?? ''}`);
		}
	};
	await Promise.all([ask(), ask(), ask(), ask()]);
	expect(fallen).toEqual([]);
	// It got in, and it was refused.
	expect(seen.get(200)).toBeGreaterThan(60);
	expect(seen.get(404)).toBeGreaterThan(60);
});
