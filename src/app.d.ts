import type { LocalMinutes } from '$core/units/localTime.ts';

declare global {
	namespace App {
		interface Locals {
			/** The wall clock at the time of the request. */
			now: LocalMinutes;
			/** The page shows what the state of the data does not tell: files, say. It is not kept for others. */
			unshared?: boolean;
		}
	}
}

export {};
