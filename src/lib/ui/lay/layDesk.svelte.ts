import { useOfPlan } from '$core/engines/layout/cutSheets.ts';
import type { Unplaced } from '$core/engines/layout/stock.ts';
import type { CostumePiece, LayPlan, LaySettings, Placement, Stock, StockUse } from '$core/facts/layout.ts';

/** Which copy of which piece is meant. */
export const keyOfPlacement = (p: Pick<Placement, 'piece' | 'copy'>): string => `${p.piece} · ${p.copy}`;

/** What is to be laid out, and how. */
export interface ToLay {
	materialId: number;
	pieces: readonly CostumePiece[];
	stock: Stock;
	settings: LaySettings;
}

export interface Found {
	placements: readonly Placement[];
	unplaced: readonly Unplaced[];
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** What lies on the mat, with all that it was laid by; what was moved by hand goes back step by step. */
export class LayDesk {
	#laid = $state.raw<{ plan: LayPlan; unplaced: readonly Unplaced[]; of: number } | null>(null);
	#before = $state.raw<readonly LayPlan[]>([]);
	/** Keys of what stays where it is when the rest is laid again. */
	locked = $state.raw<readonly string[]>([]);
	#seed = 1;
	readonly #toLay: () => ToLay | null;
	readonly #materialId: () => number | undefined;

	constructor(around: { materialId: () => number | undefined; toLay: () => ToLay | null }) {
		this.#materialId = around.materialId;
		this.#toLay = around.toLay;
	}

	/** The layout on the mat, if it is of the material that is chosen. */
	get plan(): LayPlan | null {
		return this.#laid && this.#laid.of === this.#materialId() ? this.#laid.plan : null;
	}
	get use(): StockUse | null {
		return this.plan && useOfPlan(this.plan);
	}
	get unplaced(): readonly Unplaced[] {
		return this.#laid?.unplaced ?? [];
	}
	get movedByHand(): boolean {
		return this.#before.length > 0;
	}
	/** The pattern, the offcuts or what was said have changed since it was laid. */
	get stale(): boolean {
		const [plan, now] = [this.plan, this.#toLay()];
		return (
			plan !== null &&
			now !== null &&
			!(same(plan.pieces, now.pieces) && same(plan.stock, now.stock) && same(plan.settings, now.settings))
		);
	}

	/** A material is opened: what was kept of it, or an empty mat. */
	open(kept: { plan: LayPlan; materialId: number } | undefined): void {
		[this.locked, this.#before] = [[], []];
		if (kept) this.#laid = { plan: kept.plan, unplaced: [], of: kept.materialId };
	}

	/**
	 * Begins to lay out: what stays is laid first, the rest round it. Each time another seed, so that what is laid again
	 * is not the same again.
	 * @returns what the search needs, and where its best so far is told; null when there is nothing to lay
	 */
	begin(): {
		task: ToLay & { seed: number; locked: readonly Placement[] };
		show: (found: Found) => void;
	} | null {
		const now = this.#toLay();
		if (!now || now.pieces.length === 0) return null;
		const own = $state.snapshot(now) as ToLay;
		if (this.stale) this.locked = [];
		const locked = this.plan?.placements.filter((p) => this.locked.includes(keyOfPlacement(p))) ?? [];
		this.#before = [];
		const { pieces, stock, settings, materialId: of } = own;
		return {
			task: { ...own, seed: this.#seed++, locked },
			show: ({ placements, unplaced }) => {
				this.#laid = { plan: { settings, stock, pieces, placements }, unplaced, of };
			}
		};
	}

	/** What is kept in its place may go, what may go is kept. */
	lock(key: string): void {
		this.locked = this.locked.includes(key) ? this.locked.filter((k) => k !== key) : [...this.locked, key];
	}
	/** Laid by hand: it stays there. */
	move(to: Placement): void {
		if (!this.#laid) return;
		const { plan } = this.#laid;
		this.#before = [...this.#before, plan];
		const key = keyOfPlacement(to);
		const placements = plan.placements.map((p) => (keyOfPlacement(p) === key ? to : p));
		this.#laid = { ...this.#laid, plan: { ...plan, placements } };
		if (!this.locked.includes(key)) this.lock(key);
	}
	/** Back by one move. */
	takeBack(): void {
		const last = this.#before.at(-1);
		if (!last || !this.#laid) return;
		this.#laid = { ...this.#laid, plan: last };
		this.#before = this.#before.slice(0, -1);
	}
}
