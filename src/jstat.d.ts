/** The part of it that is used. */
declare module 'jstat' {
	const jStat: {
		gamma: {
			/** The value below which `p` of a gamma distribution lies. */
			inv(p: number, shape: number, scale: number): number;
		};
	};
	export default jStat;
}
