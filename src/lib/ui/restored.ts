/**
 * All data was put back: windows that show what was before load it anew. Those of this browser are told at once;
 * others, on another device, ask.
 */
let channel: BroadcastChannel | null = null;

/** The one who tells does not hear it. */
export const tellRestored = (): void => channel?.postMessage('restored');

const ASKED_EVERY = 20_000;

/**
 * @param life which life of the data is shown
 * @returns what ends the listening
 */
export function whenRestored(life: () => string, load: () => void): () => void {
	channel = new BroadcastChannel('dapper-ledger');
	channel.onmessage = load;
	async function ask() {
		if (document.hidden) return;
		const shown = life();
		const now = await fetch('/life').then(
			(answer) => (answer.ok ? answer.text() : shown),
			() => shown
		);
		// What was loaded meanwhile is of the new one already.
		if (now !== shown && life() === shown) load();
	}
	const timer = setInterval(ask, ASKED_EVERY);
	window.addEventListener('focus', ask);
	document.addEventListener('visibilitychange', ask);
	return () => {
		clearInterval(timer);
		window.removeEventListener('focus', ask);
		document.removeEventListener('visibilitychange', ask);
		channel?.close();
		channel = null;
	};
}
