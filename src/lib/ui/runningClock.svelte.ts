import type { LocalMinutes } from '$core/units/localTime.ts';

/** The server’s clock as it runs on while a page is open: a phone may live in another hour. */
export function runningClock(server: () => LocalMinutes): { readonly now: LocalMinutes } {
	let now = $state(server());
	$effect(() => {
		const from = server();
		const shown = performance.now();
		const tick = () => (now = from + Math.floor((performance.now() - shown) / 60_000));
		tick();
		const timer = setInterval(tick, 5000);
		return () => clearInterval(timer);
	});
	return {
		get now() {
			return now;
		}
	};
}
