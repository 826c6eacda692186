/** By how many days parcels came later than was told, as they came. */
export interface Lateness {
	parcels: number;
	/** Half of them were no later. */
	usualDays: number;
	worstDays: number;
}
