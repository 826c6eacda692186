import assert from 'node:assert/strict';
import { test } from 'node:test';
import { OLDEST, SharedAnswers, type SharedAnswer } from './sharedAnswers.ts';

/** Pages that say what is stored, and take as long as the test lets them. */
function pages() {
	let stored = 0;
	let era = 'a';
	let now = 0;
	const open: (() => void)[] = [];
	const made: string[] = [];
	const shared = new SharedAnswers(
		() => ({ key: `${era} ${stored}`, era, writes: stored }),
		() => now
	);
	/** @param wrote what was stored when the asker wrote last; null when that was in another era */
	const ask = (key: string, keep = true, wrote: number | null = 0) =>
		shared
			.ask(key, wrote === null ? null : { era: 'a', writes: wrote }, async (): Promise<SharedAnswer> => {
				made.push(key);
				const read = stored;
				await new Promise<void>((done) => open.push(done));
				if (key === 'broken') throw new Error('It broke');
				const body = new TextEncoder().encode(`${key} ${read}`);
				return { status: 200, headers: [], body: body.buffer, keep };
			})
			.then((answer) => new TextDecoder().decode(answer.body));
	return {
		ask,
		made,
		write: () => void stored++,
		restore: () => void (era = 'b'),
		pass: (ms: number) => void (now += ms),
		/** Everything that is under way, and what begins after it. */
		async letGo() {
			for (let i = 0; i < 20; i++) {
				for (const done of open.splice(0)) done();
				await new Promise(setImmediate);
			}
		}
	};
}

test('fifty who ask for one page share one working out, and it is given again until something changes', async () => {
	const p = pages();
	const all = Array.from({ length: 50 }, () => p.ask('plan'));
	await p.letGo();
	assert.deepEqual(new Set(await Promise.all(all)), new Set(['plan 0']));
	assert.equal(await p.ask('plan'), 'plan 0');
	assert.deepEqual(p.made, ['plan']);
	p.write();
	const after = p.ask('plan');
	await p.letGo();
	assert.equal(await after, 'plan 1');
});

test('nobody is shown less than was stored when they asked', async () => {
	const p = pages();
	const first = p.ask('plan');
	await new Promise(setImmediate);
	p.write();
	const second = p.ask('plan');
	await p.letGo();
	assert.deepEqual(await Promise.all([first, second]), ['plan 0', 'plan 1']);
	// The first was overtaken while it was made: it is not kept for anybody.
	assert.equal(await p.ask('plan'), 'plan 1');
});

test('few at once: what waits is shared by those who come meanwhile', async () => {
	const p = pages();
	const begun = ['a', 'b', 'c'].map((key) => p.ask(key));
	const waiting = ['d', 'd', 'd', 'e'].map((key) => p.ask(key));
	await new Promise(setImmediate);
	assert.deepEqual(p.made, ['a', 'b', 'c']);
	p.write();
	await p.letGo();
	assert.deepEqual(await Promise.all(begun), ['a 0', 'b 0', 'c 0']);
	assert.deepEqual(await Promise.all(waiting), ['d 1', 'd 1', 'd 1', 'e 1']);
	assert.deepEqual(p.made, ['a', 'b', 'c', 'd', 'e']);
});

test('what is not of the state alone is not kept; what breaks is told to its askers, and the next goes on', async () => {
	const p = pages();
	const once = p.ask('settings', false);
	await p.letGo();
	await once;
	const again = p.ask('settings', false);
	await p.letGo();
	await again;
	assert.equal(p.made.length, 2);
	const broken = p.ask('broken');
	const refused = assert.rejects(broken, /It broke/);
	await p.letGo();
	await refused;
	const fine = p.ask('plan');
	await p.letGo();
	assert.equal(await fine, 'plan 0');
});

/** The plan is kept of the first state; then something is written, and more is asked for than can be worked out. */
async function busy() {
	const p = pages();
	const first = p.ask('plan');
	await p.letGo();
	assert.equal(await first, 'plan 0');
	p.write();
	for (const key of ['a', 'b', 'c']) void p.ask(key);
	await new Promise(setImmediate);
	return p;
}

test('when more is asked for than can be worked out the last is given, and a newer one is worked out after it', async () => {
	const p = await busy();
	assert.equal(await p.ask('plan'), 'plan 0');
	assert.equal(await p.ask('plan'), 'plan 0');
	await p.letGo();
	assert.deepEqual(p.made, ['plan', 'a', 'b', 'c', 'plan'], 'once for both');
	assert.equal(await p.ask('plan'), 'plan 1');
});

test('who wrote is shown it however busy it is', async () => {
	const p = await busy();
	const own = p.ask('plan', true, 1);
	const unknown = p.ask('plan', true, null);
	await p.letGo();
	assert.deepEqual(await Promise.all([own, unknown]), ['plan 1', 'plan 1']);
});

test('what is older than five seconds, or of before a restore, is given to nobody', async () => {
	const old = await busy();
	old.pass(OLDEST + 1);
	const late = old.ask('plan');
	await old.letGo();
	assert.equal(await late, 'plan 1');
	const other = await busy();
	other.restore();
	const after = other.ask('plan');
	await other.letGo();
	assert.equal(await after, 'plan 1');
});

test('without anything else to do nobody is given what is old', async () => {
	const p = pages();
	const first = p.ask('plan');
	await p.letGo();
	await first;
	p.write();
	const second = p.ask('plan');
	await p.letGo();
	assert.equal(await second, 'plan 1');
});
