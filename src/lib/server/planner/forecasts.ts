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
 * Forecasts of plans, one after another, a slice at a time. Each is told once; one whose plan has changed meanwhile is given up.
 * What somebody waits for comes first.
 */
export class Forecasts {
	readonly #waiting = new Map<number, Wanted>();
	readonly #first = new Set<number>();
	#running = false;

	constructor(readonly tell: (id: number, plan: MadePlan, forecast: Forecast | null) => void) {}

	/** A plan whose forecast is wanted; null when the costume is not at work any more. */
	want(id: number, wanted: Wanted | null): void {
		if (wanted) this.#waiting.set(id, wanted);
		else this.#waiting.delete(id);
		if (this.#running || this.#waiting.size === 0) return;
		this.#running = true;
		setImmediate(() => void this.#run());
	}

	/** Somebody looks at this one now. */
	first(id: number): void {
		this.#first.add(id);
	}

	async #run(): Promise<void> {
		for (;;) {
			const id = [...this.#first].find((i) => this.#waiting.has(i)) ?? this.#waiting.keys().next().value;
			if (id === undefined) break;
			const wanted = this.#waiting.get(id)!;
			const found = canForecast(wanted.plan) ? await this.#inSlices(id, wanted) : null;
			// Given up: another plan of it waits in its place.
			if (this.#waiting.get(id) !== wanted) continue;
			this.#waiting.delete(id);
			this.#first.delete(id);
			this.tell(id, wanted.plan, found);
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
			if (this.#waiting.get(id) !== wanted) return null;
			until = performance.now() + SLICE;
		}
	}
}
