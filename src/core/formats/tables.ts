import { copiesOf, inLedgerOrder } from '../facts/component.ts';
import { inOrder } from '../facts/order.ts';
import type { CostumePlan } from '../answers/plan.ts';
import type { CostumeRecord } from '../facts/costume.ts';
import type { Workshop } from '../facts/workshop.ts';
import { techniqueOf, type Catalogue } from '../trade/catalogue.ts';
import { BASE_PER_UNIT } from '../trade/technique.ts';
import { purchaseCost } from '../facts/material.ts';
import { shoppingLines } from '../answers/shopping.ts';
import { spendOf } from '../answers/spend.ts';
import { formatDate, formatLocalTime } from '../units/localTime.ts';
import { csv, plainMoney } from './csv.ts';

export function stepsTable(record: CostumeRecord, plan: CostumePlan, trade: Catalogue): string {
	const byId = new Map(record.components.map((c) => [c.id, c]));
	const planned = new Map(plan.schedule.steps.map((s) => [s.id, s]));
	return csv(
		inLedgerOrder(record.components).flatMap(({ item: c }) =>
			inOrder(record.steps, c.id).map((s) => {
				const { driver, of, name } = techniqueOf(trade, s.technique);
				const p = planned.get(String(s.id));
				const [low, usual, high] = plan.minutes.get(s.id)!;
				return {
					code: c.code,
					component: c.name,
					step: s.name,
					technique: name,
					phase: s.phase,
					amount: s.amount / BASE_PER_UNIT[driver],
					unit: { length: 'm', area: 'm2', count: of }[driver],
					copies: s.perCopy ? copiesOf(c, byId) : 1,
					good_minutes: low,
					usual_minutes: usual,
					bad_minutes: high,
					logged_minutes: record.logs.reduce((sum, l) => sum + (l.stepId === s.id ? l.minutes : 0), 0),
					wait_minutes: s.waitMinutes,
					done: s.doneAt === null ? '' : formatLocalTime(s.doneAt),
					planned_start: p ? formatLocalTime(p.start) : '',
					planned_end: p ? formatLocalTime(p.end) : '',
					ready: p ? formatLocalTime(p.ready) : ''
				};
			})
		)
	);
}

export function materialsTable(record: CostumeRecord, workshop: Workshop): string {
	return csv(
		shoppingLines(record, workshop).map((l) => ({
			material: l.material.name,
			family: l.material.family,
			unit: l.material.unit,
			needed: l.needed,
			cut_from_stash: l.taken,
			stash: l.stash,
			bought: l.bought,
			short: l.short,
			packs_to_buy: l.packsShort,
			pack_size: l.material.packSize,
			pack_price: plainMoney(l.material.packPriceMinor, record.costume.currency),
			supplier: l.material.supplier,
			lead_days: l.material.leadDays
		}))
	);
}

export function moneyTable(record: CostumeRecord, workshop: Workshop): string {
	const { currency } = record.costume;
	const names = new Map(workshop.materials.map((m) => [m.id, m.name]));
	const spend = spendOf(record, workshop);
	const day = (d: number | null) => (d === null ? '' : formatDate(d));
	return csv([
		...record.purchases.map((p) => ({
			line: names.get(p.materialId) ?? '',
			state: p.state as string,
			// Of a share of what several buy no pack is its own.
			packs: (p.jointId === null ? p.packs : '') as number | string,
			amount: plainMoney(purchaseCost(p), currency),
			currency,
			supplier: p.supplier,
			ordered: day(p.orderedOn),
			due: day(p.dueOn),
			arrived: day(p.arrivedOn)
		})),
		{
			line: 'still short, on no list',
			state: 'short',
			packs: '',
			amount: plainMoney(spend.notListedMinor, currency),
			currency,
			supplier: '',
			ordered: '',
			due: '',
			arrived: ''
		}
	]);
}
