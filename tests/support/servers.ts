/**
 * The servers that the browser tests start, on ports away from the ones that people use. Files of tests run two
 * at a time, so each that writes has data of its own; http and pages share, as what they write is apart.
 * Each names when it is, at whatever hour the tests run: a Friday morning in spring, on which the demo’s first costume
 * is more likely late than its maker wants, and the spray place is open.
 */
const at = (port: number, demo: boolean) => ({
	port,
	demo,
	address: `http://127.0.0.1:${port}`,
	now: '2031-05-02T09:00'
});

export const DEMO = at(4391, true);
export const PICTURE = at(4392, true);
export const PATTERN = at(4393, true);
export const STORY = at(4394, false);
export const WORKSHOP = at(4397, false);
export const BRING = at(4398, true);
export const LAY = at(4399, true);
export const PLAN = at(4400, true);
export const WAYS = at(4401, true);
export const SHOP = at(4402, true);
export const BUY = at(4403, true);
export const STASH = at(4404, true);
export const FINISH = at(4405, true);
export const WEAR = at(4406, true);
export const TRAVEL = at(4407, true);
export const MEND = at(4408, true);
export const FIRST_HOUR = at(4409, false);
export const STAND = at(4410, true);

/** So many days after the day of a server, as a date field takes it. */
export const inDays = (server: typeof DEMO, days: number): string =>
	new Date(Date.parse(`${server.now}Z`) + days * 86_400_000).toISOString().slice(0, 10);
