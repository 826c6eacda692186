/** Every page of the demo: for tests that look at all of them, and for the bench. */
export const PAGES = [
	'/',
	'/c/1/look',
	'/c/1/look/1',
	'/c/1/plan',
	'/c/1/buy',
	'/c/1/bench',
	'/c/1/finish',
	'/c/3/mend',
	'/stash',
	'/makers',
	'/history',
	'/settings'
];
