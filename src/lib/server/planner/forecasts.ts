import { canForecast, forecastOf, type Forecast } from '$core/answers/forecast.ts';
import type { MadePlan } from '$core/answers/plan.ts';
import type { CostumeRecord } from '$core/facts/costume.ts';
import type { Workshop } from '$core/facts/workshop.ts';

interface Wanted {
	record: CostumeRecord;
	workshop: Workshop;
	plan: MadePlan;
}

/** Builds are simulated for so long at a time, ms: whatever else has to be done comes in between. */
const SLICE = 15;

/**
 * Forecasts of plans that somebody looks at, one after another, a slice at a time. Each is told once; one whose plan has changed
 * meanwhile is given up for that of the newer plan.
 */
export class Forecasts {
	readonly #plans = new Map<number, Wanted>();
	readonly #asked = new Set<number>();
	#running = false;

	/** @param tell without a plan where the costume is not at work any more: nobody waits for it */
	constructor(readonly tell: (id: number, plan: MadePlan | null, forecast: Forecast | null) => void) {}

	/** A plan that may be asked for; null when the costume is not at work any more. */
	hold(id: number, plan: Wanted | null): void {
		if (plan) this.#plans.set(id, plan);
		else this.#plans.delete(id);
	}

	/** Somebody looks at this one. */
	ask(id: number): void {
		if (!this.#plans.has(id)) return;
		this.#asked.add(id);
		if (this.#running) return;
		this.#running = true;
		setImmediate(() => void this.#run());
	}

	async #run(): Promise<void> {
		for (const id of this.#asked) {
			// As long as another plan comes in between, that one is the one to forecast.
			for (let told = false; !told;) {
				const wanted = this.#plans.get(id);
				if (!wanted) {
					this.tell(id, null, null);
					break;
				}
				const found = canForecast(wanted.plan) ? await this.#inSlices(id, wanted) : null;
				told = this.#plans.get(id) === wanted;
				if (told) this.tell(id, wanted.plan, found);
			}
			this.#plans.delete(id);
			// What is asked for meanwhile is added behind: a set is gone through as it grows.
			this.#asked.delete(id);
		}
		this.#running = false;
	}

	async #inSlices(id: number, wanted: Wanted): Promise<Forecast | null> {
		const work = forecastOf(wanted.record, wanted.workshop, wanted.plan);
		let until = performance.now() + SLICE;
		for (;;) {
			const turn = work.next();
			if (turn.done) return turn.value;
			if (performance.now() < until) continue;
			await new Promise((done) => setImmediate(done));
			if (this.#plans.get(id) !== wanted) return null;
			until = performance.now() + SLICE;
		}
	}
}
