/** Minor units of the first amount that a text shows, to two digits: `Will cost 1 509.90 EUR` is 150990. */
export function shownMinor(text: string | null): number {
	const [amount] = /\d[\d\u2009]*\.\d\d/.exec(text ?? '') ?? [];
	if (!amount) throw new Error(`No amount of money in “${text}”.`);
	return Number(amount.replace(/[.\u2009]/g, ''));
}
