/**
 * Under which names the server answers. A page of a foreign name that was made to point here (a rebound one) sends that name: it is
 * refused, whatever address is listened on.
 */
import { networkInterfaces } from 'node:os';

const LOOPBACK = ['127.0.0.1', '[::1]', 'localhost'];
const EVERYWHERE = ['0.0.0.0', '[::]'];

/** As it stands in an address: IPv6 in brackets. */
const inAddress = (/** @type {string} */ host) =>
	host.includes(':') && !host.startsWith('[') ? `[${host}]` : host;

export const isLoopback = (/** @type {string} */ host) => LOOPBACK.includes(inAddress(host));

/** This machine's own addresses: no name of somebody else's can stand for them in a request. */
const ownAddresses = () =>
	Object.values(networkInterfaces()).flatMap((its) => (its ?? []).map((a) => inAddress(a.address)));

/**
 * @param {string} host that is listened on
 * @param {number} port
 * @param {string} [others] names that are ours too, with commas between them, with or without a port
 * @param {string[]} [addresses]
 */
export function hostsOf(host, port, others = '', addresses = ownAddresses()) {
	const its = inAddress(host);
	const everywhere = EVERYWHERE.includes(its);
	const canonical = `${everywhere ? '127.0.0.1' : its === 'localhost' ? '127.0.0.1' : its}:${port}`;
	const named = others
		.split(',')
		.map((name) => name.trim().toLowerCase())
		.filter(Boolean);
	const ours = new Set([canonical, ...named, ...named.map((name) => `${name}:${port}`)]);
	if (everywhere) for (const address of addresses) ours.add(`${address}:${port}`);
	return {
		canonical,
		/**
		 * Whether a request for this name is ours; `elsewhere` for another name of this machine, which would be another origin for forms.
		 * @param {string | undefined} asked
		 * @returns {'ours' | 'elsewhere' | 'foreign'}
		 */
		of(asked = '') {
			const name = asked.toLowerCase();
			if (ours.has(name)) return 'ours';
			return LOOPBACK.some((local) => name === `${local}:${port}`) && (everywhere || isLoopback(its))
				? 'elsewhere'
				: 'foreign';
		}
	};
}

/** Why the server does not start, or null. @param {string} host @param {boolean} open @returns {string | null} */
export const refusal = (host, open) =>
	isLoopback(host) || open
		? null
		: `HOST=${host} lets every device that reaches this address read and change everything: there are no accounts. Start it with --open if that is what you want.`;
