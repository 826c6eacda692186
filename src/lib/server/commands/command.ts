import type { z } from 'zod';
import type { HandbookRow } from '$core/facts/handbook.ts';
import type { Settings } from '$core/facts/workshop.ts';
import { catalogueOf, type Catalogue } from '$core/trade/catalogue.ts';
import type { LocalMinutes } from '$core/units/localTime.ts';
import { clock } from '../clock.ts';
import { act, type ActionInfo } from '../db/action.ts';
import type { Database, Executor } from '../db/open.ts';
import { loadShop, type Shop } from '../read/shop.ts';
import { costumeCurrency, loadHandbook, loadSettings } from '../read/workshop.ts';

/** What a command may ask about its surroundings. */
export interface Context {
	settings: Settings;
	/** The handbook, with the maker's own rows. */
	trade: Catalogue;
	handbook: readonly HandbookRow[];
	/** The currency of the costume at hand, else the workshop's. */
	currency: string;
	/** The costume in the page's address; 0 outside of one. */
	costumeId: number;
	now: LocalMinutes;
	folder: string;
	/** The shop as it stood before, for a command that asks for it. */
	shop: Shop | null;
	/** What the form is known by: sent twice, it is done once. */
	formKey: string | null;
	/** Of the data that it was shown in; null where that is not known. */
	life: string | null;
}

/**
 * One thing a maker can do: its input, checked by Zod in the maker's own units, and its SQL. `run`
 * is one transaction and returns the words for History.
 */
export interface Command<S extends z.ZodType = z.ZodType, R = unknown> {
	input: (context: Context) => S;
	run: (tx: Executor, input: z.infer<S>, context: Context) => Promise<ActionInfo & { result?: R }>;
	/** It asks how things stand in the shop, which is worked out before the transaction. */
	shop?: boolean;
}

/** Only for the types: ties the input's schema to what `run` is given. */
export const command = <S extends z.ZodType, R>(
	input: (context: Context) => S,
	run: Command<S, R>['run'],
	more: Pick<Command, 'shop'> = {}
): Command<S, R> => ({ input, run, ...more });

export async function contextOf(
	db: Executor,
	folder: string,
	params: { costume?: string }
): Promise<Context> {
	const settings = await loadSettings(db);
	const handbook = await loadHandbook(db);
	const costumeId = Number(params.costume ?? 0);
	const currency = costumeId ? await costumeCurrency(db, costumeId) : null;
	return {
		settings,
		handbook,
		trade: catalogueOf(handbook),
		currency: currency ?? settings.currency,
		costumeId,
		now: clock(),
		folder,
		shop: null,
		formKey: null,
		life: null
	};
}

/** Runs a command as one action. Throws what the routes sort: Refused, Stale, Absent. */
export async function runCommand<S extends z.ZodType, R>(
	db: Database,
	cmd: Command<S, R>,
	input: z.infer<S>,
	asked: Context
): Promise<{ words: string; result: R | undefined }> {
	const context = cmd.shop ? { ...asked, shop: await loadShop(db) } : asked;
	return act(
		db,
		async (tx) => {
			const done = await cmd.run(tx, input, context);
			return {
				...done,
				costumeId: done.costumeId ?? (context.costumeId || null),
				result: { words: done.words, result: done.result }
			};
		},
		context.formKey,
		context.life
	);
}
