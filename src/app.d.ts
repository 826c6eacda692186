import type { LocalMinutes } from '$core/units/localTime.ts';

declare global {
	namespace App {
		interface Locals {
			/** The wall clock at the time of the request. */
			now: LocalMinutes;
		}
	}
}

export {};
