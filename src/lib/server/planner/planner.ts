import { Worker } from 'node:worker_threads';
import type { MadePlan } from '$core/answers/plan.ts';
import { ShopPlan } from '$core/answers/shopPlan.ts';
import type { Workshop } from '$core/facts/workshop.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import type { Shop } from '../read/shop.ts';
import type { Ask, Told } from './round.ts';

/** The plans of one shop at one time, which come one after another. */
export interface Round {
	/** Of one costume at work, as soon as it is known: those with earlier events come first. */
	planOf(id: number): Promise<MadePlan>;
	all(): Promise<ReadonlyMap<number, MadePlan>>;
}

export interface Planner {
	/** The same round for the same shop and time. */
	round(shop: Shop, start: LocalMinutes): Round;
	close(): Promise<void>;
}

/** The built server says where its planning thread lies. Without one (tests, development) plans are made where they are asked for. */
export function startPlanner(thread = process.env.DAPPER_PLANNING_THREAD): Planner {
	return thread ? new ThreadPlanner(thread) : new OwnPlanner();
}

/** Plans on the spot. */
class OwnPlanner implements Planner {
	readonly #shopPlan = new ShopPlan();
	#last: { shop: Shop; start: LocalMinutes; plans: Map<number, MadePlan> } | null = null;

	round(shop: Shop, start: LocalMinutes): Round {
		if (this.#last?.shop !== shop || this.#last.start !== start) {
			const made = [...this.#shopPlan.plan(shop.workshop, shop.atWork, start)];
			this.#last = { shop, start, plans: new Map(made.map((m) => [m.id, m.plan])) };
		}
		const { plans } = this.#last;
		return { planOf: async (id) => plans.get(id)!, all: async () => plans };
	}

	async close(): Promise<void> {}
}

/** Plans in a thread of its own: no page waits for another's plan. */
class ThreadPlanner implements Planner {
	constructor(readonly file: string) {}

	#worker: Worker | null = null;
	#count = 0;
	readonly #underWay = new Map<number, Asked>();
	#newest: Asked | null = null;
	/** What the thread holds, and the plans that it has told. */
	#workshop: Workshop | null = null;
	#stamps = new Map<number, string>();
	#plans = new Map<number, MadePlan>();

	round(shop: Shop, start: LocalMinutes): Round {
		if (this.#newest?.shop === shop && this.#newest.start === start) return this.#newest;
		const asked = new Asked(shop, start);
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

	#told(told: Told): void {
		const asked = this.#underWay.get(told.round);
		if (!asked) return;
		if ('id' in told) {
			if (told.plan) this.#plans.set(told.id, told.plan);
			asked.know(told.id, this.#plans.get(told.id)!);
			return;
		}
		this.#underWay.delete(told.round);
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

	constructor(
		readonly shop: Shop,
		readonly start: LocalMinutes
	) {
		this.#each = new Map(shop.atWork.map((c) => [c.record.costume.id, waiting<MadePlan>()]));
	}

	know(id: number, plan: MadePlan): void {
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
}
