import assert from 'node:assert/strict';
import { test } from 'node:test';
import { hostsOf, refusal } from '../../scripts/hosts.mjs';

test('every name that is not ours is refused, whatever is listened on', () => {
	for (const host of ['127.0.0.1', '::1', 'localhost', '0.0.0.0', '::', '192.168.7.20']) {
		const hosts = hostsOf(host, 4173, '', ['192.168.7.20', '127.0.0.1', '[::1]', '[fe80::1]']);
		for (const foreign of [
			'evil.example',
			'evil.example:4173',
			'127.0.0.1.evil.example:4173',
			'',
			'127.0.0.1',
			'127.0.0.1:80',
			'10.0.0.9:4173'
		])
			assert.equal(hosts.of(foreign), 'foreign', `${foreign} on ${host}`);
		assert.equal(hosts.of(undefined), 'foreign');
		assert.equal(hosts.of(hosts.canonical), 'ours');
	}
});

test('other names of this machine are sent to the one that forms are known by', () => {
	const here = hostsOf('127.0.0.1', 4173);
	assert.equal(here.canonical, '127.0.0.1:4173');
	assert.deepEqual(
		[here.of('localhost:4173'), here.of('LOCALHOST:4173'), here.of('[::1]:4173')],
		['elsewhere', 'elsewhere', 'elsewhere']
	);
	assert.equal(hostsOf('::1', 4173).canonical, '[::1]:4173');
	// What is not listened on is no name of ours.
	assert.equal(hostsOf('192.168.7.20', 4173).of('localhost:4173'), 'foreign');
});

test('listening everywhere, the machine’s own addresses are answered, and names that were listed', () => {
	const hosts = hostsOf('0.0.0.0', 4173, 'workbench.home, Ledger.example:8443', ['192.168.7.20']);
	assert.equal(hosts.of('192.168.7.20:4173'), 'ours');
	assert.equal(hosts.of('192.168.7.21:4173'), 'foreign');
	assert.equal(hosts.of('workbench.home:4173'), 'ours');
	assert.equal(hosts.of('workbench.home'), 'ours');
	assert.equal(hosts.of('ledger.example:8443'), 'ours');
	assert.equal(hosts.of('ledger.example:4173'), 'foreign');
});

test('beyond this machine it listens only when that is said', () => {
	for (const host of ['127.0.0.1', '::1', '[::1]', 'localhost']) assert.equal(refusal(host, false), null);
	for (const host of ['0.0.0.0', '::', '192.168.7.20']) {
		assert.match(refusal(host, false)!, /no accounts.*--open/);
		assert.equal(refusal(host, true), null);
	}
});
