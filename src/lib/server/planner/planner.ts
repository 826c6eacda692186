import { Worker } from 'node:worker_threads';
import type { Forecast } from '$core/answers/forecast.ts';
import type { MadePlan } from '$core/answers/plan.ts';
import { ShopPlan } from '$core/answers/shopPlan.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import type { Shop } from '../read/shop.ts';
import { workshopFor } from '$core/answers/stash.ts';
import { Forecasts } from './forecasts.ts';
import type { Ask, AskForecast, Told } from './round.ts';

/** The plans of one shop at one time, which come one after another. */
export interface Round {
	/** Of one costume at work, as soon as it is known: those with earlier events come first. */
	planOf(id: number): Promise<MadePlan>;
	all(): Promise<ReadonlyMap<number, MadePlan>>;
	/** As far as it is known by now. */
	known(id: number): MadePlan | undefined;
	/** A page does not wait for it: `told` tells when all plans are known. */
	shownEarly(): void;
	/** Since when, ms, plans are wanted that are not known yet. */
	readonly since: number;
	/** The last that was known of one, in this round or in an earlier one. */
	before(id: number): MadePlan | undefined;
	/** The forecast of a plan that is known: null where there is nothing to simulate, undefined while it is worked out. */
	forecastOf(id: number): Forecast | null | undefined;
	/** The same once it is known; undefined when another plan has come in its place. */
	forecastWhen(id: number): Promise<Forecast | null | undefined>;
}

export interface Planner {
	/** The same round for the same shop and time. */
	round(shop: Shop, start: LocalMinutes): Round;
	close(): Promise<void>;
	/** How often something has been told that pages show as soon as it is known: forecasts, and plans that they did not wait for. */
	readonly told: number;
}

/** The built server says where its planning thread lies. Without one (tests, development) plans are made where they are asked for. */
export function startPlanner(thread = process.env.DAPPER_PLANNING_THREAD): Planner {
	return thread ? new ThreadPlanner(thread) : new OwnPlanner();
}

/** Plans on the spot. */
class OwnPlanner implements Planner {
	readonly #shopPlan = new ShopPlan();
	#last: { shop: Shop; start: LocalMinutes; plans: Map<number, MadePlan> } | null = null;
	readonly #known = new WeakMap<MadePlan, Forecast | null>();
	readonly #waiting = new Map<number, Waiting<Forecast | null | undefined>>();
	told = 0;
	readonly #forecasts = new Forecasts((id, plan, forecast) => {
		this.told++;
		if (plan) this.#known.set(plan, forecast);
		this.#waiting.get(id)?.resolve(forecast);
		this.#waiting.delete(id);
	});

	round(shop: Shop, start: LocalMinutes): Round {
		if (this.#last?.shop !== shop || this.#last.start !== start) {
			const made = [...this.#shopPlan.plan(shop.workshop, shop.atWork, start)];
			this.#last = { shop, start, plans: new Map(made.map((m) => [m.id, m.plan])) };
		}
		const { plans } = this.#last;
		return {
			planOf: async (id) => plans.get(id)!,
			all: async () => plans,
			known: (id) => plans.get(id),
			shownEarly: () => {},
			since: performance.now(),
			before: (id) => plans.get(id),
			forecastOf: (id) => this.#known.get(plans.get(id)!),
			forecastWhen: async (id) => {
				const plan = plans.get(id)!;
				if (this.#known.has(plan)) return this.#known.get(plan)!;
				const { record, promised } = shop.atWork.find((c) => c.record.costume.id === id)!;
				const workshop = workshopFor(shop.workshop, record.costume, promised);
				const wait = this.#waiting.get(id) ?? waiting<Forecast | null | undefined>();
				this.#waiting.set(id, wait);
				this.#forecasts.hold(id, { record, workshop, plan });
				this.#forecasts.ask(id);
				await wait.promise;
				return this.#known.get(plan);
			}
		};
	}

	async close(): Promise<void> {}
}

/** Plans in a thread of its own: no page waits for another's plan. */
class ThreadPlanner implements Planner {
	constructor(readonly file: string) {}

	#worker: Worker | null = null;
	told = 0;
	#count = 0;
	readonly #underWay = new Map<number, Asked>();
	#newest: Asked | null = null;
	#since = 0;
	/** What the thread holds, and the plans that it has told. */
	#workshop: Workshop | null = null;
	#stamps = new Map<number, string>();
	#plans = new Map<number, MadePlan>();
	#forecasts = new Map<number, { version: number; forecast: Forecast | null }>();
	readonly #waiting = new Map<string, Waiting<Forecast | null | undefined>>();

	round(shop: Shop, start: LocalMinutes): Round {
		if (this.#newest?.shop === shop && this.#newest.start === start) return this.#newest;
		if (this.#underWay.size === 0) this.#since = performance.now();
		const asked = new Asked(shop, start, this, this.#since);
		const round = ++this.#count;
		this.#underWay.set(round, asked);
		this.#newest = asked;
		const ask: Ask = {
			round,
			workshop: this.#workshop === shop.workshop ? null : shop.workshop,
			changed: shop.atWork
				.filter((c) => this.#stamps.get(c.record.costume.id) !== c.stamp)
				.map(({ record, stamp }) => ({ record, stamp })),
			costumes: shop.atWork.map(({ record, promised }) => ({ id: record.costume.id, promised })),
			start
		};
		this.#thread().postMessage(ask);
		this.#workshop = shop.workshop;
		this.#stamps = new Map(shop.atWork.map((c) => [c.record.costume.id, c.stamp]));
		return asked;
	}

	#thread(): Worker {
		if (this.#worker) return this.#worker;
		const worker = new Worker(this.file);
		worker.on('message', (told: Told) => this.#told(told));
		worker.on('error', (error) => this.#lost(worker, error));
		worker.on('exit', () => this.#lost(worker, new Error('The planning thread ended.')));
		// A server that is told to stop does not wait for plans. Listeners hold on to it again: after them.
		worker.unref();
		this.#worker = worker;
		return worker;
	}

	/** The last plan that it has told. */
	lastOf(id: number): MadePlan | undefined {
		return this.#plans.get(id);
	}

	/** The forecast of a plan by its version. */
	known(id: number, version: number | undefined): Forecast | null | undefined {
		const its = this.#forecasts.get(id);
		return its && its.version === version ? its.forecast : undefined;
	}

	async whenKnown(id: number, version: number | undefined): Promise<Forecast | null | undefined> {
		const known = this.known(id, version);
		const newer = (this.#forecasts.get(id)?.version ?? 0) > (version ?? Infinity);
		if (known !== undefined || version === undefined || newer || !this.#worker) return known;
		const ask: AskForecast = { look: id };
		this.#worker.postMessage(ask);
		const key = `${id} ${version}`;
		const wait = this.#waiting.get(key) ?? waiting<Forecast | null | undefined>();
		this.#waiting.set(key, wait);
		return wait.promise;
	}

	#toldForecast(id: number, version: number | null, forecast: Forecast | null): void {
		this.told++;
		if (version === null) this.#forecasts.delete(id);
		else this.#forecasts.set(id, { version, forecast });
		for (const [key, wait] of this.#waiting) {
			const [its, of] = key.split(' ').map(Number);
			if (its !== id || of! > (version ?? Infinity)) continue;
			// Plans that another has taken the place of are not simulated any more.
			wait.resolve(of === version ? forecast : undefined);
			this.#waiting.delete(key);
		}
	}

	#told(told: Told): void {
		if ('forecast' in told) return this.#toldForecast(told.id, told.version, told.forecast);
		const asked = this.#underWay.get(told.round);
		if (!asked) return;
		if ('id' in told) {
			if (told.plan) this.#plans.set(told.id, told.plan);
			asked.know(told.id, this.#plans.get(told.id)!, told.version);
			return;
		}
		this.#underWay.delete(told.round);
		if (asked.early) this.told++;
		if ('done' in told) return asked.finish();
		// What the thread holds is not known any more: the next round sends all.
		this.#forget();
		asked.fail(new Error(told.failed));
	}

	#lost(worker: Worker, error: Error): void {
		if (this.#worker !== worker) return;
		this.#worker = null;
		this.#forget();
		for (const asked of this.#underWay.values()) asked.fail(error);
		this.#underWay.clear();
		for (const wait of this.#waiting.values()) wait.resolve(undefined);
		this.#waiting.clear();
		this.#forecasts.clear();
	}

	#forget(): void {
		this.#newest = null;
		this.#workshop = null;
		this.#stamps = new Map();
	}

	async close(): Promise<void> {
		const worker = this.#worker;
		this.#worker = null;
		await worker?.terminate();
	}
}

interface Waiting<T> {
	promise: Promise<T>;
	resolve: (value: T) => void;
	reject: (error: Error) => void;
}

function waiting<T>(): Waiting<T> {
	const w = {} as Waiting<T>;
	w.promise = new Promise<T>((resolve, reject) => Object.assign(w, { resolve, reject }));
	// Nobody may be waiting for it.
	w.promise.catch(() => {});
	return w;
}

/** A round that is under way. */
class Asked implements Round {
	readonly #each: Map<number, Waiting<MadePlan>>;
	readonly #plans = new Map<number, MadePlan>();
	readonly #all = waiting<ReadonlyMap<number, MadePlan>>();
	readonly #versions = new Map<number, number>();
	early = false;

	constructor(
		readonly shop: Shop,
		readonly start: LocalMinutes,
		readonly planner: ThreadPlanner,
		readonly since: number
	) {
		this.#each = new Map(shop.atWork.map((c) => [c.record.costume.id, waiting<MadePlan>()]));
	}

	know(id: number, plan: MadePlan, version: number): void {
		this.#versions.set(id, version);
		this.#plans.set(id, plan);
		this.#each.get(id)?.resolve(plan);
	}
	finish(): void {
		this.#all.resolve(this.#plans);
	}
	fail(error: Error): void {
		for (const w of this.#each.values()) w.reject(error);
		this.#all.reject(error);
	}
	planOf(id: number): Promise<MadePlan> {
		const each = this.#each.get(id);
		if (!each) throw new Error(`Costume ${id} is not at work`);
		return each.promise;
	}
	all(): Promise<ReadonlyMap<number, MadePlan>> {
		return this.#all.promise;
	}
	shownEarly(): void {
		this.early = true;
	}
	known(id: number): MadePlan | undefined {
		return this.#plans.get(id);
	}
	before(id: number): MadePlan | undefined {
		return this.#plans.get(id) ?? this.planner.lastOf(id);
	}
	forecastOf(id: number): Forecast | null | undefined {
		return this.planner.known(id, this.#versions.get(id));
	}
	forecastWhen(id: number): Promise<Forecast | null | undefined> {
		return this.planner.whenKnown(id, this.#versions.get(id));
	}
}
